import { daysBetween } from "../calendar/index.ts";
import { conditionOf, type PlanInput, type PlanReading, programmeOn } from "../given/index.ts";
import { isWaiting, jobOf, performerOf, type TankTask } from "../programme/index.ts";
import type { Condition, ConditionReason, Fitted } from "../readings/index.ts";
import { type Band, isSalt } from "../tank/index.ts";
import { type Together, usedTogether } from "../trend/index.ts";
import type { Parameter } from "../units/index.ts";

/** An edge of a band that is reached before somebody comes. Days from the day of judging on. */
export interface Crossing {
  readonly parameter: Parameter;
  readonly edge: "ideal" | "act";
  readonly limit: number;
  readonly inDays: number;
  /** Nineteen times of twenty not before. */
  readonly earliestDays: number;
  /** Nor after; null where it may as well never come. */
  readonly latestDays: number | null;
}

type Reason = Exclude<ConditionReason, { readonly code: "will-cross" }>;

/** What of a tank somebody has to see to, as data. */
export type Attention =
  /** What makes up its condition; a limit that will be reached is a crossing. */
  | { readonly code: "condition"; readonly reason: Reason }
  | ({ readonly code: "crosses" } & Crossing)
  /** The newest reading fits nothing that was read before. */
  | { readonly code: "outlier"; readonly parameter: Parameter; readonly value: number; readonly on: string }
  /** Alkalinity and calcium are used in no ratio that can be: the test that is doubted. */
  | ({ readonly code: "together"; readonly parameter: Parameter } & Together)
  /** Two readings of one day that cannot both be right, the newest such day. */
  | {
      readonly code: "disagree";
      readonly parameter: Parameter;
      readonly on: string;
      readonly values: readonly [number, number];
    };

/** What to see to, how soon, and the job of the tank's programme that would answer it. */
export type AttentionItem = Attention & {
  /** In so many days at the latest. */
  readonly withinDays: number;
  /** It is off course and waits for no visit. */
  readonly atOnce: boolean;
  /** The code of the job that measures it; null where the programme has none, or no reading would answer it. */
  readonly test: string | null;
};

/** Days of slack after the next visit, as the condition has it. */
const SLACK_DAYS = 2;
/** Two of three standard deviations of their difference are kit; more is a mistake of one of them. */
const APART_SIGMAS = 3;
/** Two readings that did not agree longer ago are settled by whatever came since. */
const DISAGREED_DAYS = 60;
/** Nineteen of twenty. */
const RANGE = 1.96;

/**
 * Everything of a tank that somebody has to see to, the most urgent first.
 *
 * Judged from what its next plan is made from: nothing is done to the water before the next visit.
 *
 * @param nextOn The next visit that is planned, the day's own among them; null where none is, then the tank's rhythm counts.
 */
export function attentionOf(input: PlanInput, nextOn: string | null): AttentionItem[] {
  const nextDays = daysBetween(input.on, nextOn ?? input.nextVisitOn);
  const tests = testsOf(input);
  const found: (Attention & { readonly withinDays: number })[] = [
    ...crossings(input, nextDays + SLACK_DAYS).map((c) => ({
      ...{ code: "crosses" as const, ...c },
      withinDays: Math.floor(c.inDays),
    })),
    ...together(input).map((t) => ({ ...t, withinDays: nextDays })),
    ...odd(input).map((o) => ({ ...o, withinDays: nextDays })),
  ];
  // A limit that is reached is told above, with its range.
  for (const reason of reasonsOf(conditionOf(input)))
    if (reason.code !== "will-cross")
      found.push({ code: "condition", reason, withinDays: isNow(reason) ? 0 : nextDays });
  return found
    .map(
      (f): AttentionItem => ({
        ...f,
        atOnce: f.code === "condition" && isNow(f.reason),
        test: tests.get(parameterOf(f) ?? "") ?? null,
      }),
    )
    .sort(bySoonest);
}

/** The order of a list: what waits for nobody, then by the day, then danger before figures before questions. */
export const bySoonest = (a: AttentionItem, b: AttentionItem): number =>
  Number(b.atOnce) - Number(a.atOnce) || a.withinDays - b.withinDays || rank(a) - rank(b);

const parameterOf = (a: Attention): Parameter | undefined =>
  a.code !== "condition" ? a.parameter : "parameter" in a.reason ? a.reason.parameter : undefined;

const reasonsOf = ({ reason, others }: Condition): readonly ConditionReason[] => (reason ? [reason, ...others] : []);

/** What is off course is seen to now, the rest at the next visit. */
const isNow = ({ code }: ConditionReason): boolean =>
  code === "beyond-act" || code === "free-ammonia" || code === "open-finding";

function rank(a: Attention): number {
  if (a.code === "condition") {
    const order = ["free-ammonia", "open-finding", "beyond-act", "outside-ideal", "no-reading"];
    const at = order.indexOf(a.reason.code);
    return at < 0 ? order.length : at;
  }
  return a.code === "crosses" ? (a.edge === "act" ? 3 : 4) : 5;
}

/** The jobs of a tank that measure something, by what they measure. */
function testsOf(input: PlanInput): Map<string, string> {
  const tests = new Map<string, string>();
  const own = (t: TankTask) => performerOf(t) === "technician" && !isWaiting(t);
  for (const task of programmeOn(input, true).filter(own)) {
    const { result } = jobOf(task);
    if (typeof result === "object") tests.set(result.test, task.code);
  }
  return tests;
}

/** The worst edge of each band that a figure reaches before the next visit and its slack. */
function crossings({ facts, rates }: PlanInput, horizonDays: number): Crossing[] {
  return facts.bands.flatMap((band) => {
    const rate = rates[band.parameter];
    if (!rate?.enough || rate.perDay === 0) return [];
    const reached = edgesAhead(band, rate).filter((c) => c.inDays <= horizonDays);
    return reached.slice(-1);
  });
}

/** The edges on the way a figure goes, the nearest first. */
function edgesAhead(band: Band, { now, nowSigma, perDay, perDaySigma }: Fitted): Crossing[] {
  const up = perDay > 0;
  const sign = up ? 1 : -1;
  const edges = [
    { edge: "ideal" as const, limit: up ? band.idealHigh : band.idealLow },
    { edge: "act" as const, limit: up ? band.actHigh : band.actLow },
  ];
  const days = (limit: number, off: number) => {
    const rate = perDay + off * sign * RANGE * perDaySigma;
    if (rate * sign <= 0) return null;
    return Math.max(0, (limit - (now + off * sign * RANGE * nowSigma)) / rate);
  };
  return edges
    .filter(({ limit }) => Number.isFinite(limit) && limit >= 0 && (up ? limit > now : limit < now))
    .map((e) => ({
      ...{ parameter: band.parameter, ...e },
      inDays: (e.limit - now) / perDay,
      earliestDays: days(e.limit, 1) ?? 0,
      latestDays: days(e.limit, -1),
    }));
}

function together({ facts, rates }: PlanInput): Attention[] {
  const found = isSalt(facts) ? usedTogether(rates, facts.dosedDkhPerDay ?? 0) : null;
  return found ? [{ code: "together", parameter: found.doubt, ...found }] : [];
}

type Odd = Extract<Attention, { code: "outlier" | "disagree" }>;

/** Readings that cannot be right as they stand, of each parameter that has any. */
function odd(input: PlanInput): Odd[] {
  const parameters = [...new Set(input.readings.map((r) => r.parameter))];
  return parameters.flatMap((parameter): Odd[] => {
    const readings = input.readings.filter((r) => r.parameter === parameter);
    const pair = apart(readings, input.on);
    if (pair) return [pair];
    const last = readings.at(-1);
    const rate = input.rates[parameter];
    const outlier = rate?.enough ? rate.outliers?.at(-1) : undefined;
    const isLast =
      last && outlier && outlier.value === last.value && Math.round(-outlier.day) === daysBetween(last.on, input.on);
    return isLast ? [{ code: "outlier" as const, parameter, value: last.value, on: last.on }] : [];
  });
}

/** Two readings of one day, both before or both after the new water, that lie further apart than kits do. */
function apart(readings: readonly PlanReading[], on: string): Odd | null {
  const days = [...new Set(readings.map((r) => r.on))].sort();
  for (const day of days.reverse()) {
    if (daysBetween(day, on) > DISAGREED_DAYS) return null;
    for (const after of [undefined, true]) {
      const of = readings.filter((r) => r.on === day && r.after === after);
      if (of.length < 2) continue;
      const [low, high] = [least(of), most(of)];
      // The newest day on which it was read twice decides: who read it twice again and agreed has settled it.
      if (high.value - low.value <= APART_SIGMAS * Math.hypot(low.sigma, high.sigma)) return null;
      return { code: "disagree", parameter: low.parameter, on: day, values: [low.value, high.value] };
    }
  }
  return null;
}

const least = (of: readonly PlanReading[]) => of.reduce((a, b) => (b.value < a.value ? b : a));
const most = (of: readonly PlanReading[]) => of.reduce((a, b) => (b.value > a.value ? b : a));
