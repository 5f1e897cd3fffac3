import { notFound } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { ledgerOf } from "@/data/stores/moves";
import { loadStores } from "@/data/stores/overview";
import { ItemPage } from "@/places/stores/ItemPage";

export default async function Page({ params }: { params: Promise<{ itemId: string }> }) {
  const scope = await pageScope(STAFF);
  const { itemId } = await params;
  const { kept, vans } = await loadStores(scope, whenOf(scope).today);
  const own = kept.find((k) => k.item.id === itemId);
  if (!own) notFound();
  const others = kept.flatMap(({ item }) => (item.id === itemId || item.unit !== own.item.unit ? [] : [item]));
  return (
    <ItemPage
      kept={own}
      vans={vans}
      others={others.map(({ id, name }) => ({ id, name }))}
      ledger={await ledgerOf(scope, itemId)}
      units={scope.units}
    />
  );
}
