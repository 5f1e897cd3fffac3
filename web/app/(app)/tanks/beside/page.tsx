import { civilOf } from "@keel-round/core/calendar";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { figureOfTanks } from "@/data/tanks/beside";
import { BesideView } from "@/places/tanks/BesideView";

export default async function BesidePage({ searchParams }: { searchParams: Promise<{ kind?: string; of?: string }> }) {
  const scope = await pageScope(STAFF);
  const today = civilOf(Date.now(), scope.zone).date;
  return <BesideView of={await figureOfTanks(scope, await searchParams, today)} units={scope.units} />;
}
