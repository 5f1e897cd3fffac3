import { addDays, daysBetween } from "../calendar/civil.ts";
import type { Practice } from "../tank/index.ts";
import { type KitAtHand, methodSigma, type Parameter, parameterFacts } from "../units/index.ts";
import { Z95 } from "../worked/index.ts";

/** A test kit or an instrument, as the register says. Figures are canonical, dates civil. */
export interface KitFacts {
  readonly id: string;
  readonly name: string;
  readonly parameter: Parameter;
  readonly method: string;
  /** What it can tell apart; null where it is as usual for its method. */
  readonly resolution: number | null;
  readonly openedOn: string | null;
  /** Days that it is good once it was opened. */
  readonly goodDaysOpen: number | null;
  readonly expiresOn: string | null;
  readonly calibratedOn: string | null;
  readonly calibrateEveryDays: number | null;
  /** Readings of a reference, each with what the reference holds. */
  readonly comparisons: readonly { readonly on: string; readonly reference: number; readonly read: number }[];
  /** Half of the reference's 95 % range; null where it is taken as exact. */
  readonly referenceHalfWidth: number | null;
  /** Tests that are left; null where nobody counts. */
  readonly testsLeft: number | null;
}

/** What a kit reads too high by, with its one-sigma, from so many comparisons. */
export interface KitOffset {
  readonly value: number;
  readonly sigma: number;
  readonly comparisons: number;
}

/** Why a kit's figures are leant on less. */
export type KitProblem =
  | { readonly code: "expired"; readonly on: string }
  | { readonly code: "open-too-long"; readonly on: string }
  | { readonly code: "calibration-due"; readonly last: string | null };

/** A kit on a day: how it is used, and what is wrong with it. */
export interface KitOnDay {
  readonly kit: KitAtHand;
  readonly parameter: Parameter;
  readonly method: string;
  readonly offset: KitOffset | null;
  readonly problems: readonly KitProblem[];
  readonly testsLeft: number | null;
}

/** So many comparisons say that it is the kit, and not one of them. */
const FEWEST = 2;
/** A kit that is past its time, or was not calibrated, is leant on half as much. */
const WIDENED = 2;

/**
 * What a kit reads too high by: the mean of its differences from a reference on or before a day. Each single reading is as
 * uncertain as its method, their mean by the root of their number less, and the reference's own error stays.
 *
 * @returns null with fewer than two comparisons.
 */
function kitOffset(kit: KitFacts, on: string): KitOffset | null {
  const known = kit.comparisons.filter((c) => c.on <= on);
  if (known.length < FEWEST) return null;
  const value = known.reduce((sum, c) => sum + c.read - c.reference, 0) / known.length;
  const level = known.reduce((sum, c) => sum + c.reference, 0) / known.length;
  const single = methodSigma(kit.parameter, kit.method, level, kit.resolution ?? undefined);
  const reference = (kit.referenceHalfWidth ?? 0) / Z95;
  return { value, sigma: Math.hypot(single / Math.sqrt(known.length), reference), comparisons: known.length };
}

function problemsOf(kit: KitFacts, on: string): KitProblem[] {
  const { expiresOn, openedOn, goodDaysOpen, calibrateEveryDays, calibratedOn } = kit;
  const problems: KitProblem[] = [];
  if (expiresOn !== null && on > expiresOn) problems.push({ code: "expired", on: expiresOn });
  const good = openedOn !== null && goodDaysOpen !== null ? addDays(openedOn, goodDaysOpen) : null;
  if (good !== null && on > good) problems.push({ code: "open-too-long", on: good });
  const due =
    calibrateEveryDays !== null && (calibratedOn === null || daysBetween(calibratedOn, on) > calibrateEveryDays);
  if (due) problems.push({ code: "calibration-due", last: calibratedOn });
  return problems;
}

/** A kit as it is on a day: what is taken off its figures, how far they are leant on, and what it asks for. */
export function kitOnDay(kit: KitFacts, on: string): KitOnDay {
  const offset = kitOffset(kit, on);
  const problems = problemsOf(kit, on);
  const { resolution } = kit;
  return {
    kit: {
      ...{ id: kit.id, name: kit.name },
      ...(resolution === null ? {} : { resolution }),
      ...(offset ? { offset: offset.value, offsetSigma: offset.sigma } : {}),
      ...(problems.length > 0 ? { widened: WIDENED } : {}),
    },
    ...{ parameter: kit.parameter, method: kit.method, offset, problems, testsLeft: kit.testsLeft },
  };
}

/** How a tank's way of testing is called among the methods of a parameter. */
const USUAL_METHOD: Readonly<Record<Practice["testMethod"], string>> = {
  strips: "strip",
  liquid: "liquid kit",
  photometer: "photometer",
};

/** The method a parameter of a tank is usually read by: the tank's own way of testing, or its instrument. */
export function usualMethod(parameter: Parameter, { testMethod }: Pick<Practice, "testMethod">): string {
  const { methods } = parameterFacts[parameter];
  return (methods.find((m) => m.method === USUAL_METHOD[testMethod]) ?? methods[0])?.method ?? "";
}

/**
 * The kit that a parameter of a tank is usually read with: the one of its last reading, else one of the tank's usual method,
 * else whatever the firm has for it.
 *
 * @param last The id of the kit of its last reading.
 */
export function usualKit(
  kits: readonly KitOnDay[],
  parameter: Parameter,
  practice: Pick<Practice, "testMethod">,
  last: string | undefined,
): KitOnDay | null {
  const able = kits.filter((k) => k.parameter === parameter);
  const method = usualMethod(parameter, practice);
  return able.find((k) => k.kit.id === last) ?? able.find((k) => k.method === method) ?? able[0] ?? null;
}
