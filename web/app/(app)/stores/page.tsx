import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadStores } from "@/data/stores/overview";
import { StoresPage } from "@/places/stores/StoresPage";

export default async function Page() {
  const scope = await pageScope(STAFF);
  return <StoresPage stores={await loadStores(scope, whenOf(scope).today)} units={scope.units} />;
}
