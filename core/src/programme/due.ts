import { addDays, daysBetween } from "../calendar/civil.ts";
import { libraryTask, type TaskCode } from "./library.ts";

/** A job of one tank's programme, as the log left it. */
export interface TankTask {
  readonly code: TaskCode;
  readonly everyDays: number;
  readonly giveDays: number;
  /** Civil date last done, or the day the programme began. */
  readonly lastDoneOn: string;
  /** How often it was skipped since then. */
  readonly slips: number;
  readonly lastSkipReason?: string;
  /** Sector of the bed last vacuumed, from 1; 0 for none yet. */
  readonly lastSector: number;
}

/** A job that rides with this visit, or that is kept from it, and why. */
export interface DueTask {
  readonly task: TankTask;
  readonly dueOn: string;
  readonly lateDays: number;
}

/** Two services of bacteria on one tank stay this many civil days apart. */
export const BIOLOGICAL_REST_DAYS = 28;

/** The day a job is next due: counted from the day it was done. A skip keeps the old date. */
export function dueOn(task: TankTask): string {
  return addDays(task.lastDoneOn, task.everyDays);
}

/** Why a due job is not on this visit. */
export interface HeldTask extends DueTask {
  readonly because: "biological-rest" | "treatment";
  readonly until: string;
}

/**
 * The jobs of a programme for a visit on a day.
 *
 * A job rides with the visit nearest its due date, the earlier on a tie; one that is already late rides with this one.
 * Two biological services are kept 28 civil days apart: the one that is later due waits.
 */
export function tasksFor(
  tasks: readonly TankTask[],
  visitOn: string,
  nextVisitOn: string,
  treatmentUntil?: string,
): { readonly due: DueTask[]; readonly held: HeldTask[] } {
  const due: DueTask[] = [];
  const held: HeldTask[] = [];
  const candidates = tasks
    .map((task) => ({ task, dueOn: dueOn(task), lateDays: daysBetween(dueOn(task), visitOn) }))
    .filter((d) => ridesToday(d.task, d.lateDays, daysBetween(visitOn, nextVisitOn)))
    .sort((a, b) => b.lateDays - a.lateDays || a.task.code.localeCompare(b.task.code));

  for (const candidate of candidates) {
    if (!libraryTask(candidate.task.code).biological) {
      due.push(candidate);
      continue;
    }
    const others = tasks.filter((t) => t.code !== candidate.task.code && libraryTask(t.code).biological);
    const rests = others.map((t) => addDays(t.lastDoneOn, BIOLOGICAL_REST_DAYS));
    if (due.some((d) => libraryTask(d.task.code).biological)) rests.push(addDays(visitOn, BIOLOGICAL_REST_DAYS));
    const until = rests.sort().at(-1);
    if (until && until > visitOn) held.push({ ...candidate, because: "biological-rest", until });
    else if (treatmentUntil && treatmentUntil > visitOn)
      held.push({ ...candidate, because: "treatment", until: treatmentUntil });
    else due.push(candidate);
  }
  return { due, held };
}

function ridesToday(task: TankTask, lateDays: number, daysToNext: number): boolean {
  if (lateDays >= 0) return true;
  const earlyDays = -lateDays;
  // Nearer to this visit than to the next one, and inside its window.
  return earlyDays <= task.giveDays && earlyDays <= daysToNext - earlyDays;
}

/** Interval factor by how dirty it was, 1 clean to 5 filthy. */
const DIRT_FACTOR = [1.25, 1.1, 1, 0.85, 0.7] as const;

/** A service with the rating it ended in. */
export interface DirtRating {
  readonly intervalDays: number;
  /** 1 clean to 5 filthy. */
  readonly dirt: number;
}

/**
 * The next interval of a cleaning job from how dirty it was, whole days.
 *
 * Lengthens only after two ratings that agree, shortens after one; a rating from an interval more than half off the
 * plan is kept but not used. Clamped to half and twice the library's interval.
 *
 * @param ratings oldest first.
 */
export function adaptInterval(everyDays: number, libraryDays: number, ratings: readonly DirtRating[]): number {
  const used = ratings.filter((r) => Math.abs(r.intervalDays / everyDays - 1) <= 0.5);
  const [last, previous] = [used.at(-1), used.at(-2)];
  if (!last) return everyDays;
  const factor = DIRT_FACTOR[Math.min(5, Math.max(1, Math.round(last.dirt))) - 1] ?? 1;
  if (factor > 1 && !(previous && previous.dirt <= 2)) return everyDays;
  if (factor === 1) return everyDays;
  const next = Math.round(last.intervalDays * factor);
  return Math.min(Math.round(libraryDays * 2), Math.max(1, Math.ceil(libraryDays / 2), next));
}

/** Weight of the library's figure against logged ones. */
const LIBRARY_WEIGHT = 3;
const NEWEST = 12;

/**
 * Minutes to plan for a step: (3 × library + logged) ÷ (3 + n) on a logarithmic scale, the newest twelve.
 *
 * @param logged minutes, oldest first; each above 0.
 */
export function learnMinutes(libraryMinutes: number, logged: readonly number[]): number {
  const newest = logged.slice(-NEWEST).filter((m) => m > 0);
  const sum = newest.reduce((total, m) => total + Math.log(m), LIBRARY_WEIGHT * Math.log(libraryMinutes));
  return Math.exp(sum / (LIBRARY_WEIGHT + newest.length));
}
