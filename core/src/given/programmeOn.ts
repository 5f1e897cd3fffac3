import { addDays, daysBetween } from "../calendar/civil.ts";
import { calledTask, type TankTask, youngJobs } from "../programme/index.ts";
import { cleanMediaLasts, MEDIA_DAYS } from "../upkeep/index.ts";
import { withoutExcepted } from "./exceptions.ts";
import type { PlanInput } from "./inputs.ts";

/** Jobs that take dirt off the floor with a hose: with a change they are the first part of its drain. */
export const BED_JOBS: readonly string[] = ["vacuum-sector", "spot-siphon", "deep-sector"];
/** Jobs that swap mechanical media. */
export const MECHANICAL: readonly string[] = ["socks", "floss"];
const FEED_PAUSE = "feed-pause";
/** The owner's part of it, between visits. */
const OWNER_MEDIA = "owner-socks";
/** Media that comes with every visit needs no owner. */
const VISIT_DAYS = 7;

/** Lean dosing is half as often on a weekly round. */
const LEAN_FERTILISER_DAYS = 14;
/** Jobs that only a tank in its first months has. */
const YOUNG = "young-";

/**
 * The programme of a tank on a day: as its practice, exceptions and age change it, with what readings, events, hours and dirt
 * call for.
 */
export function programmeOn(
  input: Pick<PlanInput, "tasks" | "facts" | "readings" | "evidence" | "on">,
  changing: boolean,
): TankTask[] {
  const young = youngJobs(input.facts, input.on);
  const evidence = evidenceOf(input);
  const tasks: TankTask[] = [];
  for (const task of withoutExcepted(input.tasks, input.facts)) {
    const here = hereAndNow(task, input, changing, young);
    if (here) tasks.push(calledTask(here, evidence, input.on));
  }
  return tasks;
}

/** A job as the tank's practice and age change it; null where they leave it out. */
function hereAndNow(
  task: TankTask,
  { tasks, facts, on }: Pick<PlanInput, "tasks" | "facts" | "on">,
  changing: boolean,
  young: readonly string[],
): TankTask | null {
  const { how, substrate, feeding, fertiliser } = facts.practice;
  const { code } = task;
  // With the display left as it is nothing of its bed can be taken out.
  if (how === "from-sump" && BED_JOBS.includes(code)) return null;
  if (code === "vacuum-sector") return substrate === "never" ? null : task;
  if (code.startsWith(YOUNG)) return young.includes(code) ? task : null;
  if (code === OWNER_MEDIA || MECHANICAL.includes(code))
    return mediaTask(task, tasks, MEDIA_DAYS[facts.practice.media], on);
  // Whoever feeds before the change or not at all pauses nothing after it.
  if (code === FEED_PAUSE) return feeding === "after" ? task : null;
  if (code !== "fertiliser") return task;
  if (fertiliser === "after-change") return changing ? task : null;
  return fertiliser === "lean" ? { ...task, everyDays: Math.max(task.everyDays, LEAN_FERTILISER_DAYS) } : task;
}

/** Clean media as often as the tank's way asks for: what it says of the visit's part and of the owner's between visits. */
function mediaTask(task: TankTask, tasks: readonly TankTask[], days: number | null, on: string): TankTask | null {
  if (days === null) return null;
  if (task.code === OWNER_MEDIA) return days < VISIT_DAYS ? { ...task, everyDays: days } : null;
  // The owner swapped in between: what comes with the visit is due, and never late.
  const swappedOn = addDays(on, -days);
  const owners = days < VISIT_DAYS && tasks.some((t) => t.code === OWNER_MEDIA);
  return { ...task, everyDays: days, lastDoneOn: owners && task.lastDoneOn < swappedOn ? swappedOn : task.lastDoneOn };
}

/** Whether a job of the programme comes only with a change of water, so that a visit without one has another list. */
export const followsChange = ({ tasks, facts }: Pick<PlanInput, "tasks" | "facts">): boolean =>
  facts.practice.fertiliser === "after-change" && tasks.some((t) => t.code === "fertiliser");

/** What is known of the tank that calls for jobs: its readings and bands, and a treatment that ends. */
function evidenceOf({ facts, readings, evidence }: Pick<PlanInput, "facts" | "readings" | "evidence">) {
  const { treatment } = facts;
  return {
    readings,
    bands: facts.bands,
    running: evidence?.running ?? [],
    dirt: evidence?.dirt ?? [],
    events: [
      ...(evidence?.events ?? []),
      // What was given is out of its time the day of the follow-up.
      ...(treatment ? [{ kind: "treatment" as const, on: treatment.followUpOn }] : []),
    ],
  };
}

/** Clean media for a visit. */
export interface MediaToBring {
  /** Pieces that are used from now until the next visit: one at once, then what the owner swaps. */
  readonly pieces: number;
  /** The day the site's own stock runs out; null where none was counted. */
  readonly washBy: string | null;
  /** Whether that stock carries over the next visit, so that none need be brought. */
  readonly onShelf: boolean;
}

/** Pieces of clean media that a visit needs, and whether they lie on the site's shelf. */
export function mediaToBring(input: Pick<PlanInput, "facts" | "on" | "nextVisitOn">): MediaToBring | null {
  const days = MEDIA_DAYS[input.facts.practice.media];
  if (days === null) return null;
  const interval = daysBetween(input.on, input.nextVisitOn);
  const stock = cleanMediaLasts(input.facts, interval);
  return {
    pieces: Math.max(1, Math.ceil(interval / days)),
    washBy: stock?.washBy ?? null,
    onShelf: stock !== null && stock.washBy >= input.nextVisitOn,
  };
}
