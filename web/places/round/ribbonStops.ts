import { worstCondition } from "@keel-round/core/readings";
import type { Round } from "@/data/round/round";
import type { RibbonStop } from "@/kit/DayRibbon";

/** A round's stops as the ribbon draws them. */
export function ribbonStops(round: Round): RibbonStop[] {
  return round.stops.map((s) => ({
    id: s.id,
    name: s.site.name,
    condition: worstCondition(s.tanks.map((t) => t.status?.condition ?? "unknown")),
    closed: s.tanks.every((t) => t.visitState === "closed"),
  }));
}
