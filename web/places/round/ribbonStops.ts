import type { ConditionState } from "@keel-round/core/readings";
import type { Round } from "@/data/round";
import type { RibbonStop } from "@/kit/DayRibbon";

const WORST: readonly ConditionState[] = ["off", "drifting", "unknown", "steady"];

/** The worst condition of some tanks. */
export function worstCondition(states: readonly (ConditionState | undefined)[]): ConditionState {
  return WORST.find((s) => states.includes(s)) ?? "unknown";
}

/** A round's stops as the ribbon draws them. */
export function ribbonStops(round: Round): RibbonStop[] {
  return round.stops.map((s) => ({
    id: s.id,
    name: s.site.name,
    condition: worstCondition(s.tanks.map((t) => t.status?.condition)),
    closed: s.tanks.every((t) => t.visitState === "closed"),
  }));
}
