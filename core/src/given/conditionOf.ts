import { addDays, daysBetween } from "../calendar/civil.ts";
import { performerOf, type TankTask, taskName } from "../programme/index.ts";
import { type Condition, judgeCondition, type LatestReading } from "../readings/index.ts";
import type { TankFacts } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { freeAmmoniaNow, isBound } from "./ammonia.ts";
import type { PlanInput } from "./inputs.ts";
import { leaningOn, type TankOnDay, tankOnDay } from "./tankOnDay.ts";

/** Days of slack after the next visit. */
const SLACK_DAYS = 2;

/** The latest reading of each parameter; a salinity of today as it would read with the tank full. */
function latestOn({ input, missing, systemL }: TankOnDay): Partial<Record<Parameter, LatestReading>> {
  const latest: Partial<Record<Parameter, LatestReading>> = {};
  const full = 1 - missing.litres / systemL;
  for (const r of input.readings) {
    const times = r.parameter === "salinity" && r.on === input.on && !r.after ? full : 1;
    latest[r.parameter] = { value: r.value * times, sigma: r.sigma * times, ageDays: daysBetween(r.on, input.on) };
  }
  return latest;
}

/** The latest reading of each parameter of a plan's input. */
export const latestReadings = (input: PlanInput): Partial<Record<Parameter, LatestReading>> =>
  latestOn(tankOnDay(input));

/** Names of the jobs that slipped so often or more. */
const slipped = (tasks: readonly TankTask[], facts: TankFacts, times: number) =>
  tasks.filter((t) => t.slips >= times && performerOf(t) === "technician").map((t) => taskName(t, facts));

/** How a tank is on the input's day. What was read last counts, before a change or after it. */
export const conditionOf = (input: PlanInput): Condition => conditionOn(tankOnDay(input));

function conditionOn(tank: TankOnDay): Condition {
  const { input } = tank;
  const perDay: Partial<Record<Parameter, number>> = {};
  for (const [parameter, rate] of Object.entries(input.rates))
    if (rate?.enough) perDay[parameter as Parameter] = rate.perDay;
  const asRead = input.readings.some((r) => r.after)
    ? leaningOn(
        tank,
        input.readings.map(({ after: _, ...r }) => r),
      )
    : tank;
  const ammonia = isBound(tank) ? null : freeAmmoniaNow(asRead);
  const act = input.limits.freeAmmoniaMgL;
  return judgeCondition({
    bands: tank.facts.bands,
    latest: latestOn(tank),
    perDay,
    daysToNextVisit: daysBetween(input.on, input.nextVisitOn) + SLACK_DAYS,
    ...(ammonia && !ammonia.assumed ? { freeAmmonia: { value: ammonia.mgL, act } } : {}),
    phNeeded: ammonia?.assumed === true && ammonia.mgL > act,
    seriousFindings: input.findings.filter((f) => f.kind === "safety" || f.kind === "livestock").map((f) => f.text),
    slippedTwice: slipped(input.tasks, tank.facts, 2),
    lateLooks: input.findings.flatMap(({ text, dueOn, giveDays }) => {
      const by = dueOn && giveDays !== undefined ? addDays(dueOn, giveDays) : null;
      return by !== null && by < input.on ? [{ trouble: text, by }] : [];
    }),
  });
}

/** Whether jobs of a tank may wait for the next visit: not while a reading drifts or is off course. */
export function waitsOn(tank: TankOnDay): boolean {
  const { reason, others } = conditionOn(tank);
  return ![reason, ...others].some((r) => r && MOVING.includes(r.code));
}

/** The same of a plan's input. */
export const mayWait = (input: PlanInput): boolean => waitsOn(tankOnDay(input));

/** What moves in the water; a finding or a job that slipped makes no other job urgent. */
const MOVING: readonly string[] = ["beyond-act", "free-ammonia", "outside-ideal", "will-cross"];
