import { requireRange } from "../issues/index.ts";
import { dailySteps } from "../water/index.ts";
import { type IonsMgL, type ReagentName, type ReagentTarget, reagentDose } from "./reagent.ts";

/** What is to be raised by weight, from where to where, in dKH, dGH or mg/L. */
export interface RaiseAsked {
  readonly of: ReagentTarget["of"];
  readonly from: number;
  readonly to: number;
  /** Litres that are in the tank when it is dosed. */
  readonly litres: number;
  readonly reagent: ReagentName;
  readonly purity: number;
  /** The most a day may move it; null without limit. */
  readonly mostADay: number | null;
}

/** A dose in daily steps, and what comes with all of it; or why there is none. */
export type RaisePlan =
  | {
      readonly ok: true;
      readonly grams: number;
      readonly days: number;
      readonly gramsADay: number;
      /** Where it stands after the first day. */
      readonly first: number;
      readonly brings: IonsMgL;
    }
  | { readonly ok: false; readonly reason: "gives-none" | "is-there" };

const rise = (of: ReagentTarget["of"], by: number): ReagentTarget =>
  of === "alkalinity" ? { of, dkh: by } : of === "hardness" ? { of, dgh: by } : { of, mgL: by };

/**
 * Grams that raise a tank, cut into days by what may be moved in one.
 *
 * @throws {OutOfRangeError} for litres, a purity or a limit that cannot be.
 * @example
 * planRaise({ of: "calcium", from: 400, to: 440, litres: 500, reagent: "calcium chloride dihydrate", purity: 1, mostADay: 20 }).grams; // 73.4
 */
export function planRaise({ of, from, to, litres, reagent, purity, mostADay }: RaiseAsked): RaisePlan {
  requireRange("from", from, 0, 10_000);
  requireRange("to", to, 0, 10_000);
  if (to <= from) return { ok: false, reason: "is-there" };
  const dose = reagentDose(reagent, rise(of, to - from), litres, purity);
  if (!dose.ok) return dose;
  const days = mostADay === null ? 1 : dailySteps(from, to, { up: mostADay, down: mostADay }).days;
  return {
    ok: true,
    grams: dose.grams,
    days,
    gramsADay: dose.grams / days,
    first: from + (to - from) / days,
    brings: dose.brings,
  };
}
