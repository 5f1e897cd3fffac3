import { civilOf } from "@keel-round/core/calendar";
import { orNotFound, pageScope } from "@/data/pageScope";
import { loadTank } from "@/data/tanks";
import { TABS, TankSheet } from "@/places/tanks/TankSheet";

export default async function TankPage({
  params,
  searchParams,
}: {
  params: Promise<{ tankId: string }>;
  searchParams: Promise<{ tab?: string }>;
}) {
  const scope = await pageScope();
  const [{ tankId }, { tab }] = await Promise.all([params, searchParams]);
  const today = civilOf(Date.now(), scope.zone).date;
  const sheet = await orNotFound(loadTank(scope, tankId, today));
  return <TankSheet scope={scope} sheet={sheet} tab={TABS.find((t) => t === tab) ?? "section"} today={today} />;
}
