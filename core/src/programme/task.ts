import { addDays } from "../calendar/civil.ts";
import { afterUnits, type Cadence, everyDaysMatch, type Window } from "./cadence.ts";
import type { Job, Performer } from "./job.ts";
import { libraryJob } from "./library/index.ts";

/** A day that somebody put a job on, and why where a rule stands against it. */
export interface Pin {
  readonly on: string;
  readonly by: string;
  readonly reason?: string | undefined;
}

/** A job of one tank's programme, as the log left it. */
export interface TankTask extends Window {
  readonly code: string;
  /** The firm's own wording and figures where they differ from the library, or a job of its own. */
  readonly job?: Job;
  /** This tank's own cadence and performer, where they differ from the job's. */
  readonly cadence?: Cadence;
  readonly by?: Performer;
  /** Days in use: what the cadence comes to, or what dirt has made of it. */
  readonly everyDays: number;
  /** Civil date last done, or where counting began. */
  readonly lastDoneOn: string;
  /** Nobody is known to have done it: the day above is only where counting began. */
  readonly begun?: boolean;
  /** How often it was skipped since then. */
  readonly slips: number;
  readonly lastSkipReason?: string;
  /** Sector of the bed last vacuumed, or half last cleaned, from 1; 0 for none yet. */
  readonly lastSector: number;
  /** The visit it was laid on with the other long jobs of the site. */
  readonly plannedOn?: string;
  readonly pin?: Pin;
  /** The day that something seen or done called for it; null while nothing does. Only for cadences that are called. */
  readonly calledOn?: string | null;
  /** What called for it, in words. */
  readonly calledBy?: string;
}

/**
 * The job behind a task.
 *
 * @throws for a code that neither the library nor the firm knows.
 */
export function jobOf(task: Pick<TankTask, "code" | "job">): Job {
  const job = task.job ?? libraryJob(task.code);
  if (!job) throw new Error(`No job is called ${task.code}`);
  return job;
}

export const cadenceOf = (task: Pick<TankTask, "code" | "job" | "cadence">): Cadence =>
  task.cadence ?? jobOf(task).cadence;

export const performerOf = (task: Pick<TankTask, "code" | "job" | "by">): Performer => task.by ?? jobOf(task).by;

/** A day that never comes: what nothing has called for yet. */
const NOT_CALLED = "9999-12-31";

/**
 * The day a job is next due: counted from the day it was done, months and years by the calendar. A skip keeps the old
 * date. What is called for by signs, events or hours is due when it was called, or never yet.
 */
export function dueOn(task: TankTask): string {
  const cadence = cadenceOf(task);
  if (cadence.by === "time")
    // What dirt has moved counts in the days it was moved to.
    return everyDaysMatch(cadence, task.everyDays)
      ? afterUnits(task.lastDoneOn, cadence.every, cadence.unit)
      : addDays(task.lastDoneOn, task.everyDays);
  return task.calledOn ?? NOT_CALLED;
}

/** Whether a job is waiting for something to call for it. */
export const isWaiting = (task: TankTask): boolean => dueOn(task) === NOT_CALLED;
