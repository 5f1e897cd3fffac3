import type { TrimState } from "@keel-round/core/readings";
import type { Round } from "@/data/round";
import type { RibbonStop } from "@/kit/DayRibbon";

const WORST: readonly TrimState[] = ["off", "drifting", "unknown", "steady"];

/** The worst trim of some tanks. */
export function worstTrim(states: readonly (TrimState | undefined)[]): TrimState {
  return WORST.find((s) => states.includes(s)) ?? "unknown";
}

/** A round's stops as the ribbon draws them. */
export function ribbonStops(round: Round): RibbonStop[] {
  return round.stops.map((s) => ({
    id: s.id,
    name: s.site.name,
    trim: worstTrim(s.tanks.map((t) => t.status?.trim)),
    closed: s.tanks.every((t) => t.visitState === "closed"),
  }));
}
