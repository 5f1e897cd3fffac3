import { daysBetween } from "../calendar/civil.ts";
import { performerOf, type TankTask, taskName } from "../programme/index.ts";
import { judgeTrim, type LatestReading, type Trim } from "../readings/index.ts";
import type { TankBook } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { freeAmmoniaMgL } from "../water/index.ts";
import type { PlanInput } from "./inputs.ts";

/** Ammonia and pH say something together while both are this young. */
const AMMONIA_DAYS = 21;
/** Days of slack after the next visit. */
const SLACK_DAYS = 2;

type Judged = Pick<PlanInput, "readings" | "rates" | "book" | "limits" | "findings" | "tasks" | "on" | "nextVisitOn">;

/** The latest reading of each parameter in a plan's input. */
export function latestReadings(input: Pick<PlanInput, "readings" | "on">): Partial<Record<Parameter, LatestReading>> {
  const latest: Partial<Record<Parameter, LatestReading>> = {};
  for (const r of input.readings)
    latest[r.parameter] = { value: r.value, sigma: r.sigma, ageDays: daysBetween(r.on, input.on) };
  return latest;
}

/** Names of the jobs that slipped so often or more. */
const slipped = (tasks: readonly TankTask[], book: TankBook, times: number) =>
  tasks.filter((t) => t.slips >= times && performerOf(t) === "technician").map((t) => taskName(t, book));

/** The trim of a tank on the input's day. */
export function trimOf(input: Judged): Trim {
  const latest = latestReadings(input);
  const perDay: Partial<Record<Parameter, number>> = {};
  for (const [parameter, rate] of Object.entries(input.rates))
    if (rate?.enough) perDay[parameter as Parameter] = rate.perDay;
  const [ammonia, ph] = [latest.ammonia, latest.ph];
  const valid = (r: LatestReading | undefined) => r !== undefined && r.ageDays <= AMMONIA_DAYS;
  const free =
    ammonia && ph && valid(ammonia) && valid(ph)
      ? freeAmmoniaMgL(ammonia.value, {
          ph: ph.value,
          temperatureC: latest.temperature?.value ?? input.book.targetC,
          salinityPsu: latest.salinity?.value ?? input.book.targetPsu,
        })
      : null;
  return judgeTrim({
    bands: input.book.bands,
    latest,
    perDay,
    daysToNextVisit: daysBetween(input.on, input.nextVisitOn) + SLACK_DAYS,
    ...(free !== null ? { freeAmmonia: { value: free, act: input.limits.freeAmmoniaMgL } } : {}),
    seriousFindings: input.findings.filter((f) => f.kind === "safety" || f.kind === "livestock").map((f) => f.text),
    slippedTwice: slipped(input.tasks, input.book, 2),
  });
}

/** Whether jobs of a tank may wait for the next visit: not while a reading drifts or is off course. */
export function mayWait(input: Judged): boolean {
  const { reason, others } = trimOf(input);
  return ![reason, ...others].some((r) => r && MOVING.includes(r.code));
}

/** What moves in the water; a finding or a job that slipped makes no other job urgent. */
const MOVING: readonly string[] = ["beyond-act", "free-ammonia", "outside-ideal", "will-cross"];
