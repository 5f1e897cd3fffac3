import { doserPlan, twoPartResiduePpt } from "../mixing/index.ts";
import { type Message, m } from "../say/index.ts";
import type { Ranged } from "./ranged.ts";
import { rateOf } from "./sayTrend.ts";

/** What a doser of balanced two parts should be set to, in dKH a day. */
export type DoserStep =
  | {
      readonly ok: true;
      readonly setTo: number;
      readonly now: number;
      /** What the tank uses. */
      readonly used: number;
      /** Salt that it leaves a day at the new setting, ppt. */
      readonly leavesPptPerDay: number;
    }
  /** It gives what is used, as far as is known. */
  | { readonly ok: false; readonly reason: "right"; readonly now: number; readonly leavesPptPerDay: number }
  /** It was set a short while ago, or nothing was read since: first it is measured. */
  | { readonly ok: false; readonly reason: "measure-first"; readonly fromOn: string };

/** What is known of the setting. */
export interface DoserAsk {
  /** What the tank makes of alkalinity a day, dKH: below zero what it uses. */
  readonly perDay: Ranged;
  readonly dosedDkhPerDay: number;
  /** Days since the setting was changed; null where nobody changed it here. */
  readonly setDaysAgo: number | null;
  /** Readings of alkalinity since then. */
  readonly readSince: number;
  /** The day from which on a step may follow. */
  readonly fromOn: string;
}

/** After a step the tank is measured for a week. */
export const STEP_DAYS = 7;
/** The least that a setting is moved by, dKH a day. */
const LEAST_DKH = 0.02;
/** Of a range that holds nineteen of twenty, a sigma. */
const SIGMAS = 3.92;

/**
 * The next step of a doser towards what the tank uses: a tenth at a time, where the difference is known, a week and a reading
 * after the last one.
 */
export function doserStep({ perDay, dosedDkhPerDay, setDaysAgo, readSince, fromOn }: DoserAsk): DoserStep {
  if (setDaysAgo !== null && (setDaysAgo < STEP_DAYS || readSince === 0))
    return { ok: false, reason: "measure-first", fromOn };
  const used = Math.max(0, -perDay.value);
  const { setTo } = doserPlan({
    ...{ perDay: used, perDaySigma: (perDay.high - perDay.low) / SIGMAS },
    ...{ systemL: 1, strengthLPerMl: 1, setMlPerDay: dosedDkhPerDay, stepMl: LEAST_DKH },
  });
  const rounded = Math.round(setTo * 100) / 100;
  const leavesPptPerDay = twoPartResiduePpt(rounded);
  if (Math.abs(rounded - dosedDkhPerDay) < LEAST_DKH / 2)
    return { ok: false, reason: "right", now: dosedDkhPerDay, leavesPptPerDay };
  return { ok: true, setTo: rounded, now: dosedDkhPerDay, used, leavesPptPerDay };
}

/** What a colleague would say of it. */
export function doserSentence(step: DoserStep): Message {
  if (!step.ok && step.reason === "measure-first")
    return m("trend.doser.measure-first", { from: { day: step.fromOn } });
  const salt = { moves: Number(step.leavesPptPerDay.toPrecision(2)), unit: "ppt moved" as const };
  if (!step.ok) return m("trend.doser.right", { now: rateOf("alkalinity", step.now), salt });
  return m("trend.doser.step", {
    way: step.setTo > step.now ? "up" : "other",
    now: rateOf("alkalinity", step.now),
    used: rateOf("alkalinity", step.used),
    to: rateOf("alkalinity", step.setTo),
    salt,
  });
}
