import type { Scope } from "@/data/access/scope";
import { SmallRibbon } from "@/kit/DayRibbon";
import { nowIn, roundOf, whoseRound } from "./queries";
import { ribbonStops } from "./ribbonStops";

/** Today's ribbon in small. An owner of tanks has no round. */
export async function HeaderRibbon({ scope }: { scope: Scope }) {
  if (scope.role === "tankOwner") return null;
  const { personId } = await whoseRound(scope);
  if (!personId) return null;
  const now = nowIn(scope);
  const round = await roundOf(scope, personId, now.date);
  return <SmallRibbon day={round.day} stops={ribbonStops(round)} nowMinute={now.minute} />;
}
