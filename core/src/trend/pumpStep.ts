import { doserPlan, type IonsMgL } from "../mixing/index.ts";
import { type Message, m } from "../say/index.ts";
import { STEP_DAYS } from "./doserStep.ts";
import type { Ranged } from "./ranged.ts";

/** What a pump is to be set to, in mL a day by its own scale. */
export type PumpStep =
  | {
      readonly ok: true;
      readonly setTo: number;
      readonly now: number;
      /** What the tank uses, on the same scale. */
      readonly used: number;
      readonly lastsDays: number | null;
    }
  | { readonly ok: false; readonly reason: "right"; readonly now: number; readonly lastsDays: number | null }
  | { readonly ok: false; readonly reason: "measure-first"; readonly fromOn: string };

/** What is known of a pump. */
export interface PumpAsk {
  /** What the tank makes of what is dosed a day, less what else gives it: below zero what it uses. */
  readonly perDay: Ranged;
  /** What one millilitre of its scale raises the tank by. */
  readonly perMl: number;
  readonly setMlPerDay: number;
  /** Usable in its container now, in millilitres of its scale; missing where nobody counts. */
  readonly usableMl?: number | undefined;
  readonly setDaysAgo: number | null;
  readonly readSince: number;
  readonly fromOn: string;
}

/** The least that a pump is moved by, mL a day. */
const STEP_ML = 0.1;
/** Of a range that holds nineteen of twenty, a sigma. */
const SIGMAS = 3.92;

/**
 * The next step of a pump towards what the tank uses: a tenth at a time where the difference is known, a week and a reading
 * after the last one.
 */
export function pumpStep(ask: PumpAsk): PumpStep {
  const { perDay, perMl, setMlPerDay, usableMl, setDaysAgo, readSince, fromOn } = ask;
  if (setDaysAgo !== null && (setDaysAgo < STEP_DAYS || readSince === 0))
    return { ok: false, reason: "measure-first", fromOn };
  const { setTo, usedMlPerDay, lastsDays } = doserPlan({
    ...{ perDay: Math.max(0, -perDay.value), perDaySigma: (perDay.high - perDay.low) / SIGMAS },
    ...{ systemL: 1, strengthLPerMl: perMl, setMlPerDay, stepMl: STEP_ML, usableMl },
  });
  const rounded = Math.round(setTo / STEP_ML) * STEP_ML;
  if (Math.abs(rounded - setMlPerDay) < STEP_ML / 2) return { ok: false, reason: "right", now: setMlPerDay, lastsDays };
  return { ok: true, setTo: rounded, now: setMlPerDay, used: usedMlPerDay, lastsDays };
}

const ml = (amount: number) => ({ figure: amount, decimals: amount < 100 ? 1 : 0 });

/** What a colleague would say of it. */
export function pumpSentences(pump: string, step: PumpStep, brings: IonsMgL | null): Message[] {
  if (!step.ok && step.reason === "measure-first")
    return [m("trend.doser.measure-first", { from: { day: step.fromOn } })];
  const said = step.ok
    ? m("trend.pump.step", {
        ...{ pump, way: step.setTo > step.now ? "up" : "other" },
        ...{ now: ml(step.now), used: ml(step.used), to: ml(step.setTo) },
      })
    : m("trend.pump.right", { pump, now: ml(step.now) });
  const ions = (Object.entries(brings ?? {}) as [keyof IonsMgL, number][]).filter(([, mgL]) => mgL > 0);
  return [
    said,
    ...(step.lastsDays === null ? [] : [m("trend.pump.lasts", { days: Math.max(0, step.lastsDays) })]),
    ...(ions.length > 0
      ? [
          m("trend.pump.brings", {
            ions: {
              all: ions.map(([ion, mgL]) => m("trend.pump.ion", { mgL: { mgL, decimals: mgL < 10 ? 1 : 0 }, ion })),
            },
          }),
        ]
      : []),
  ];
}
