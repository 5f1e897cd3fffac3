import { addDays, daysBetween } from "../calendar/civil.ts";
import type { TankFacts } from "../tank/index.ts";
import { byText } from "../text/index.ts";
import { biologyLeft, unitOf } from "./biology.ts";
import { earlyDaysOf } from "./cadence.ts";
import type { Phase } from "./job.ts";
import { cadenceOf, dueOn, jobOf, performerOf, type TankTask } from "./task.ts";
import {
  BIOLOGICAL_REST_DAYS,
  natureOf,
  neverTogether,
  type RuleTogether,
  restApart,
  waitsForRemedy,
} from "./together.ts";

/** A job that rides with this visit. */
export interface DueTask {
  readonly task: TankTask;
  readonly dueOn: string;
  readonly lateDays: number;
  /** The rule that is not kept: put aside by somebody, with the reason. */
  readonly against?: {
    readonly because: HeldBy;
    readonly other: string;
    readonly until: string;
    readonly reason: string;
  };
}

/** The rules that keep a job from a visit. */
export type HeldBy = RuleTogether | "treatment";

/** Why a due job is not on this visit. */
export interface HeldTask extends Omit<DueTask, "against"> {
  readonly because: HeldBy;
  readonly until: string;
  /** The job that forbids it. */
  readonly other?: string;
  readonly strict: boolean;
}

/** A visit that jobs may ride with. */
export interface DueVisit {
  readonly on: string;
  readonly nextOn: string;
  /** A remedy is in the water until then. */
  readonly treatmentUntil?: string | undefined;
  /** Whether the tank is not steady, so that nothing of its water waits for the next visit; asked only where that decides. */
  readonly drifting?: (() => boolean) | undefined;
  /** Jobs that somebody does against the rules, with the reason. */
  readonly overridden?: Readonly<Record<string, string>> | undefined;
}

/**
 * The technician's jobs of a programme for a visit on a day.
 *
 * A job rides with the visit nearest its due date, the earlier on a tie, or with the one it was laid on; one that is
 * already late rides with this one. On a tank that drifts nothing is put off past its day.
 * Two services of bacteria are kept 28 civil days apart: the one that is later due waits, unless somebody puts the rule aside
 * with a reason, which is easier where much else is left undisturbed. Media and services wait for a remedy; media never comes with a
 * deep clean, nor does a deep clean with the only filter. A job that another one of the visit covers is left to that one.
 */
export function tasksFor(
  tasks: readonly TankTask[],
  visit: DueVisit,
  facts: Parameters<typeof biologyLeft>[0],
): { readonly due: DueTask[]; readonly held: HeldTask[] } {
  const due: DueTask[] = [];
  const held: HeldTask[] = [];
  // What the year laid on this day comes first: nothing else of the visit takes its place.
  const candidates = ridingOn(tasks, visit).sort(
    (a, b) =>
      Number(b.task.plannedOn === visit.on) - Number(a.task.plannedOn === visit.on) ||
      b.lateDays - a.lateDays ||
      byText(a.task.code, b.task.code),
  );
  for (const candidate of candidates) {
    const reason = visit.overridden?.[candidate.task.code] ?? candidate.task.pin?.reason;
    // What is strict is told first.
    const bars = barsOf(candidate.task, tasks, due, visit, facts).sort((a, b) => Number(b.strict) - Number(a.strict));
    const bar = bars[0];
    const against = bar && { because: bar.because, other: bar.other ?? "", until: bar.until };
    if (!bar || !against) due.push(candidate);
    else if (reason !== undefined) due.push({ ...candidate, against: { ...against, reason } });
    else held.push({ ...candidate, ...bar });
  }
  // What another job of the visit does anyway is not asked for twice; the log counts it as done with that one.
  const covered = new Set(due.flatMap((d) => jobOf(d.task).covers ?? []));
  return { due: due.filter((d) => !covered.has(d.task.code)), held };
}

/** The technician's jobs whose time it is. */
function ridingOn(tasks: readonly TankTask[], visit: DueVisit): DueTask[] {
  const riding: DueTask[] = [];
  for (const task of tasks) {
    if (performerOf(task) !== "technician") continue;
    const on = dueOn(task);
    const lateDays = daysBetween(on, visit.on);
    if (ridesToday(task, lateDays, visit)) riding.push({ task, dueOn: on, lateDays });
  }
  return riding;
}

type Bar = Pick<HeldTask, "because" | "until" | "other" | "strict">;

/** All that forbids a job on a visit. */
function barsOf(
  task: TankTask,
  tasks: readonly TankTask[],
  due: readonly DueTask[],
  visit: DueVisit,
  facts: Parameters<typeof biologyLeft>[0],
): Bar[] {
  const bars: Bar[] = [];
  const unit = unitOf(task);
  const nature = natureOf(task, facts);
  const { treatmentUntil } = visit;
  if (treatmentUntil && treatmentUntil > visit.on && waitsForRemedy(task, unit, nature))
    bars.push({ because: "treatment", until: treatmentUntil, strict: true });
  if (unit !== null) {
    const rest = restOf(task, unit, tasks, due, visit.on);
    if (rest) bars.push({ because: "biological-rest", ...rest, strict: biologyLeft(facts, unit).strict });
  }
  const other = nature && due.find((d) => neverTogether(nature, natureOf(d.task, facts)));
  if (other) bars.push({ because: "not-together", until: visit.nextOn, other: other.task.code, strict: true });
  return bars;
}

/** Until when another unit's service keeps this one back. */
function restOf(
  task: TankTask,
  unit: number,
  tasks: readonly TankTask[],
  due: readonly DueTask[],
  on: string,
): { readonly until: string; readonly other: string } | null {
  const rests = tasks
    .filter((t) => restApart(unitOf(t), unit))
    .map((t) => ({
      other: t.code,
      until: addDays(due.some((d) => d.task === t) ? on : t.lastDoneOn, BIOLOGICAL_REST_DAYS),
    }))
    .filter((r) => r.until > on && r.other !== task.code)
    .sort((a, b) => (a.until < b.until ? -1 : 1));
  return rests.at(-1) ?? null;
}

function ridesToday(task: TankTask, lateDays: number, { on, nextOn, drifting }: DueVisit): boolean {
  if (task.pin) return task.pin.on <= on;
  // Laid on a visit with the other long jobs of the site: not before, and on the first one from then on.
  // What falls out of its window meanwhile, or is called for by something seen, does not wait for that day.
  if (task.plannedOn && cadenceOf(task).by === "time" && lateDays <= task.giveDays) return task.plannedOn <= on;
  if (lateDays >= 0) return true;
  const earlyDays = -lateDays;
  const daysToNext = daysBetween(on, nextOn);
  if (earlyDays > earlyDaysOf(task)) return false;
  // Nearer to this visit than to the next one; a drifting tank's jobs do not wait past their day.
  if (earlyDays <= daysToNext - earlyDays) return true;
  return earlyDays < daysToNext && OF_THE_WATER.includes(jobOf(task).phase) && (drifting?.() ?? false);
}

/** Jobs that a drifting reading does not let wait: what measures, feeds or cleans the water. */
const OF_THE_WATER: readonly Phase[] = ["test", "dose", "media", "hardware", "lift", "drain"];

/** How far the rest of four weeks can be kept by the units of a tank as they are set. */
export interface RestLimit {
  readonly units: readonly string[];
  /** Each unit comes no oftener than this if all of them rest four weeks. */
  readonly leastEveryDays: number;
  readonly setEveryDays: number;
}

/**
 * Units of bacteria that can never be serviced as often as they are set with four weeks between any two; null where they can.
 *
 * Two units take turns: each at the earliest every eight weeks, less what its window gives.
 */
export function restLimit(tasks: readonly TankTask[], facts: Pick<TankFacts, "filterUnits">): RestLimit | null {
  const services = tasks.filter((t) => unitOf(t) !== null && performerOf(t) === "technician");
  const units = new Set(services.map(unitOf));
  if (units.size < 2) return null;
  const leastEveryDays = units.size * BIOLOGICAL_REST_DAYS;
  const tight = services.filter((t) => t.everyDays + t.giveDays < leastEveryDays && jobOf(t).cadence.by === "time");
  const worst = tight.sort((a, b) => a.everyDays - b.everyDays)[0];
  if (!worst) return null;
  return {
    units: [...units].map((u) => facts.filterUnits.filter((f) => f.biological)[u ?? 0]?.name ?? `filter ${u}`),
    leastEveryDays,
    setEveryDays: worst.everyDays,
  };
}
