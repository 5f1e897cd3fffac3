import { civilOf } from "@keel-round/core/calendar";
import { pageScope } from "@/data/access/pageScope";
import { listTanks } from "@/data/tanks/tanks";
import { TankList } from "@/places/tanks/TankList";

export default async function TanksPage({
  searchParams,
}: {
  searchParams: Promise<{ q?: string; show?: string; page?: string }>;
}) {
  const scope = await pageScope();
  const filter = await searchParams;
  const today = civilOf(Date.now(), scope.zone).date;
  return <TankList scope={scope} rows={await listTanks(scope, today)} filter={filter} today={today} />;
}
