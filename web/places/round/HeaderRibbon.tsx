import { worstCondition } from "@keel-round/core/readings";
import type { Scope } from "@/data/access/scope";
import { loadRibbon } from "@/data/round/ribbon";
import { SmallRibbon } from "@/kit/DayRibbon";
import { nowIn, whoseRound } from "./queries";

/** Today's ribbon in small. An owner of tanks has no round. */
export async function HeaderRibbon({ scope }: { scope: Scope }) {
  if (scope.role === "tankOwner") return null;
  const { personId } = await whoseRound(scope);
  if (!personId) return null;
  const now = { ...nowIn(scope), zone: scope.zone };
  const { day, stops } = await loadRibbon(scope, personId, now.date, now);
  const drawn = stops.map((s) => ({
    ...{ id: s.id, name: s.site.name },
    condition: worstCondition(s.tanks.map((t) => t.condition ?? "unknown")),
    closed: s.tanks.every((t) => t.visitState === "closed"),
  }));
  return <SmallRibbon day={day} stops={drawn} nowMinute={now.minute} />;
}
