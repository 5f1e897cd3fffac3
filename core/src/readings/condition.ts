import type { Band } from "../tank/facts.ts";
import type { Parameter } from "../units/index.ts";

/** The newest valid reading of a parameter. */
export interface LatestReading {
  readonly value: number;
  readonly sigma: number;
  /** Whole days before the moment of judging. */
  readonly ageDays: number;
}

/** Why a tank is in the condition it is in, as data. */
export type ConditionReason =
  | {
      readonly code: "beyond-act";
      readonly parameter: Parameter;
      readonly value: number;
      readonly limit: number;
      readonly side: "low" | "high";
      readonly retest: boolean;
    }
  | { readonly code: "free-ammonia"; readonly value: number; readonly limit: number }
  | { readonly code: "open-finding"; readonly text: string }
  | {
      readonly code: "outside-ideal";
      readonly parameter: Parameter;
      readonly value: number;
      readonly limit: number;
      readonly side: "low" | "high";
    }
  | {
      readonly code: "will-cross";
      readonly parameter: Parameter;
      readonly limit: number;
      readonly inDays: number;
      readonly perDay: number;
    }
  | { readonly code: "slipped-twice"; readonly task: string }
  /** A trouble should have been looked at again by a day. */
  | { readonly code: "not-looked-again"; readonly trouble: string; readonly by: string }
  | { readonly code: "no-reading"; readonly parameter: Parameter; readonly ageDays: number | null };

export type ConditionState = "off" | "drifting" | "steady" | "unknown";

export interface Condition {
  readonly state: ConditionState;
  /** The deciding reason; none when steady. */
  readonly reason?: ConditionReason;
  readonly others: readonly ConditionReason[];
}

const WORST: readonly ConditionState[] = ["off", "drifting", "unknown", "steady"];

/** The worst condition of some tanks; not known of none. */
export function worstCondition(states: readonly ConditionState[]): ConditionState {
  return WORST.find((s) => states.includes(s)) ?? "unknown";
}

/** What the condition is judged from. */
export interface ConditionInput {
  readonly bands: readonly Band[];
  readonly latest: Partial<Record<Parameter, LatestReading>>;
  /** Build-up a day, where it is known. */
  readonly perDay: Partial<Record<Parameter, number>>;
  /** Days to the next visit with its slack. */
  readonly daysToNextVisit: number;
  /** At the unfavourable end of both readings, mg/L. */
  readonly freeAmmonia?: { readonly value: number; readonly act: number };
  /** Ammonia was read, and without a pH at its worst it would be poison. */
  readonly phNeeded?: boolean;
  /** Open findings about safety or livestock. */
  readonly seriousFindings: readonly string[];
  /** Names of tasks that slipped twice or more. */
  readonly slippedTwice: readonly string[];
  /** Troubles that nobody has looked at again within their window. */
  readonly lateLooks?: readonly { readonly trouble: string; readonly by: string }[];
}

/**
 * Condition of a tank with the reason that decides it and all others.
 *
 * Off course: a valid reading beyond act, free ammonia over act, an open safety or livestock finding.
 * Drifting: outside ideal by more than one standard deviation, or act is crossed before the next visit, or a task
 * slipped twice. Steady: neither, and every required reading is young enough. Otherwise not known.
 * @example
 * judgeCondition({ bands: [], latest: {}, perDay: {}, daysToNextVisit: 7, seriousFindings: ["cracked pane"], slippedTwice: [], oldAfterDays: {} }).state; // "off"
 */
export function judgeCondition(input: ConditionInput): Condition {
  const off: ConditionReason[] = [];
  const drifting: ConditionReason[] = [];
  const unknown: ConditionReason[] = [];

  if (input.freeAmmonia && input.freeAmmonia.value > input.freeAmmonia.act)
    off.push({ code: "free-ammonia", value: input.freeAmmonia.value, limit: input.freeAmmonia.act });
  for (const text of input.seriousFindings) off.push({ code: "open-finding", text });

  for (const band of input.bands) {
    const { parameter } = band;
    const reading = input.latest[parameter];
    if (!reading || reading.ageDays > band.validDays) {
      if (band.required) unknown.push({ code: "no-reading", parameter, ageDays: reading?.ageDays ?? null });
      continue;
    }
    const { value, sigma } = reading;
    if (value > band.actHigh || value < band.actLow) {
      const side = value > band.actHigh ? "high" : "low";
      const limit = side === "high" ? band.actHigh : band.actLow;
      off.push({ code: "beyond-act", parameter, value, limit, side, retest: Math.abs(value - limit) < sigma });
      continue;
    }
    if (value > band.idealHigh + sigma)
      drifting.push({ code: "outside-ideal", parameter, value, limit: band.idealHigh, side: "high" });
    else if (value < band.idealLow - sigma)
      drifting.push({ code: "outside-ideal", parameter, value, limit: band.idealLow, side: "low" });

    const perDay = input.perDay[parameter];
    if (perDay) {
      const limit = perDay > 0 ? band.actHigh : band.actLow;
      const inDays = (limit - value) / perDay;
      if (limit >= 0 && inDays >= 0 && inDays <= input.daysToNextVisit)
        drifting.push({ code: "will-cross", parameter, limit, inDays, perDay });
    }
  }
  if (input.phNeeded)
    unknown.unshift({ code: "no-reading", parameter: "ph", ageDays: input.latest.ph?.ageDays ?? null });
  for (const late of input.lateLooks ?? []) drifting.push({ code: "not-looked-again", ...late });
  for (const task of input.slippedTwice) drifting.push({ code: "slipped-twice", task });

  const all = [...off, ...drifting, ...unknown];
  const [reason, ...others] = all;
  if (!reason) return { state: "steady", others: [] };
  const state = off.length > 0 ? "off" : drifting.length > 0 ? "drifting" : "unknown";
  return { state, reason, others };
}
