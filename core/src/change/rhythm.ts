import { addDays } from "../calendar/index.ts";
import type { PlanInput } from "../given/index.ts";
import type { ConditionState } from "../readings/index.ts";
import type { Parameter } from "../units/index.ts";
import { comparePolicies } from "./policies.ts";

/** Another rhythm that would suit a tank better, with the figure behind it. */
export interface RhythmOffer {
  readonly kind: "shorter" | "longer";
  /** Days between two visits, a rhythm that people keep. */
  readonly days: number;
  readonly parameter: Parameter;
  /** Where it settles before a change at the rhythm of now, and where it should stay under. */
  readonly peak: number;
  readonly ceiling: number;
  /** Days after which it would meet its ceiling again. */
  readonly holdsDays: number;
}

/** Rhythms that people keep, days: twice a week, and every one to four weeks. */
const RHYTHMS = [3.5, 7, 14, 21, 28] as const;
/** A longer rhythm is offered where what builds up would hold for so much longer than it. */
const SURE = 1.15;

/**
 * A shorter rhythm for a tank that drifts since it is changed too seldom, a longer one for a steady tank that would hold
 * twice as long: by what builds up in it, what its changes take away, and its ceilings.
 *
 * @param gapDays Days between two visits now.
 * @returns null where its rhythm suits it, or where nothing was fitted.
 */
export function offerRhythm(input: PlanInput, gapDays: number, condition: ConditionState): RhythmOffer | null {
  // As it goes at this rhythm, whenever the next visit is.
  const going = { ...input, nextVisitOn: addDays(input.on, Math.max(1, Math.round(gapDays))) };
  const own = comparePolicies(going).find((p) => p.policy === input.facts.practice.policy);
  const held = (own?.forward ?? []).flatMap((f) => (f.daysToHold === null ? [] : [{ ...f, daysToHold: f.daysToHold }]));
  const [first] = [...held].sort((a, b) => a.daysToHold - b.daysToHold);
  if (!first) return null;
  const { parameter, peak, ceiling, daysToHold: holdsDays } = first;
  const offer = { parameter, peak, ceiling, holdsDays };
  if (condition === "drifting" || condition === "off") {
    const days = RHYTHMS.findLast((d) => d < gapDays && d <= holdsDays);
    return days !== undefined && peak > ceiling ? { ...offer, kind: "shorter", days } : null;
  }
  if (condition !== "steady") return null;
  const next = RHYTHMS.find((d) => d > gapDays);
  return next !== undefined && holdsDays >= next * SURE ? { ...offer, kind: "longer", days: next } : null;
}
