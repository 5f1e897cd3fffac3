import { addDays, daysBetween } from "../calendar/index.ts";
import { Z95 } from "../worked/index.ts";
import type { Counted, Lot } from "./ledger.ts";

/** How practice differs from plan before anything was counted: 1, give or take 0.3 in its logarithm, worth three counts. */
const PRIOR_SD = 0.3;
const PRIOR_COUNTS = 3;

/** What practice takes for each unit that plans do: the middle and the ends of 95 in 100. */
export interface Ratio {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
  readonly counts: number;
}

/** The ratio of what is used to what was planned, lognormal, by the counts that had a plan to compare. */
export function usedToPlanned(counts: readonly Counted[]): Ratio {
  const x = counts.flatMap((c) =>
    c.days !== null && c.used > 0 && c.planned > 0 ? [Math.log(c.used / c.planned)] : [],
  );
  const n = PRIOR_COUNTS + x.length;
  const mean = x.reduce((sum, v) => sum + v, 0) / n;
  const squares = PRIOR_COUNTS * (PRIOR_SD ** 2 + mean ** 2) + x.reduce((sum, v) => sum + (v - mean) ** 2, 0);
  const sd = Math.sqrt(squares / n);
  const at = (z: number) => Math.exp(mean + z * sd);
  return { low: at(-Z95), middle: at(0), high: at(Z95), counts: x.length };
}

/** So much of an item is planned for a day. */
export interface Need {
  readonly on: string;
  readonly amount: number;
}

/** The day that a stock is used up; null where it outlasts what is planned. */
export interface DaysLeft {
  /** Days from today: the earliest, the likely and the latest. */
  readonly low: number | null;
  readonly middle: number | null;
  readonly high: number | null;
  /** What expires before it is used up, at the likely pace. */
  readonly expires: readonly Lot[];
}

/** Days until plans have taken a stock, if each takes `ratio` of what it says. */
function lasts(stock: number, needs: readonly Need[], ratio: number, today: string): number | null {
  if (stock <= 0) return 0;
  let taken = 0;
  for (const { on, amount } of needs) {
    taken += amount * ratio;
    if (taken >= stock) return Math.max(0, daysBetween(today, on));
  }
  return null;
}

/**
 * How many days a stock lasts: until the plans to come have taken it.
 *
 * @param needs Ascending by day.
 */
export function daysLeft(
  stock: number,
  lots: readonly Lot[],
  needs: readonly Need[],
  ratio: Ratio,
  today: string,
): DaysLeft {
  let before = 0;
  const expires = lots.flatMap((lot) => {
    const { expiresOn } = lot;
    if (expiresOn === null) return [];
    // Used until then, the lots that expire sooner first.
    const taken = needs.filter((n) => n.on <= expiresOn).reduce((sum, n) => sum + n.amount * ratio.middle, 0);
    const used = Math.min(lot.amount, Math.max(0, taken - before));
    before += lot.amount;
    return expiresOn < lastPlanned(needs, today) && lot.amount - used > lot.amount * SPARE
      ? [{ ...lot, amount: lot.amount - used }]
      : [];
  });
  return {
    low: lasts(stock, needs, ratio.high, today),
    middle: lasts(stock, needs, ratio.middle, today),
    high: lasts(stock, needs, ratio.low, today),
    expires,
  };
}

/** Less than this share of a lot is the rest in a tub. */
const SPARE = 0.02;

/** How far what is planned is known. */
const lastPlanned = (needs: readonly Need[], today: string): string => needs.at(-1)?.on ?? addDays(today, 1);
