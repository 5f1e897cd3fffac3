import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { linkOptions } from "@/data/desk/lists";
import { QuickStart } from "@/places/tanks/QuickStart";

export default async function NewTankPage({ searchParams }: { searchParams: Promise<{ site?: string }> }) {
  const scope = await pageScope(STAFF);
  const [options, { site = "" }] = await Promise.all([linkOptions(scope, "tank"), searchParams]);
  return (
    <QuickStart
      sites={options.siteId ?? []}
      sources={options.sourceId ?? []}
      units={scope.units}
      site={site}
      today={whenOf(scope).today}
    />
  );
}
