import { addDays, daysBetween } from "../calendar/civil.ts";
import { calledTasks, type TankTask, youngJobs } from "../programme/index.ts";
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
 * The programme of a tank on a day: as its schools, exceptions and age change it, with what readings, events, hours and dirt
 * call for.
 */
export function programmeOn(
  input: Pick<PlanInput, "tasks" | "book" | "readings" | "evidence" | "on">,
  changing: boolean,
): TankTask[] {
  const { media, fertiliser, feeding } = input.book.schools;
  const mediaDays = MEDIA_DAYS[media];
  const young = youngJobs(input.book, input.on);
  const untouched = input.book.schools.how === "from-sump";
  const tasks = withoutExcepted(input.tasks, input.book).flatMap((task) => {
    // With the display left as it is nothing of its bed can be taken out.
    if (untouched && BED_JOBS.includes(task.code)) return [];
    if (task.code === "vacuum-sector" && input.book.schools.substrate === "never") return [];
    if (task.code.startsWith(YOUNG)) return young.includes(task.code) ? [task] : [];
    if (MECHANICAL.includes(task.code)) {
      if (mediaDays === null) return [];
      // The owner swapped in between: what comes with the visit is due, and never late.
      const swappedOn = addDays(input.on, -mediaDays);
      const owners = mediaDays < VISIT_DAYS && input.tasks.some((t) => t.code === OWNER_MEDIA);
      const lastDoneOn = owners && task.lastDoneOn < swappedOn ? swappedOn : task.lastDoneOn;
      return [{ ...task, everyDays: mediaDays, lastDoneOn }];
    }
    if (task.code === OWNER_MEDIA)
      return mediaDays === null || mediaDays >= VISIT_DAYS ? [] : [{ ...task, everyDays: mediaDays }];
    // Whoever feeds before the change or not at all pauses nothing after it.
    if (task.code === FEED_PAUSE) return feeding === "after" ? [task] : [];
    if (task.code !== "fertiliser") return [task];
    if (fertiliser === "after-change") return changing ? [task] : [];
    return fertiliser === "lean" ? [{ ...task, everyDays: Math.max(task.everyDays, LEAN_FERTILISER_DAYS) }] : [task];
  });
  return calledTasks(tasks, evidenceOf(input), input.on);
}

/** Whether a job of the programme comes only with a change of water, so that a visit without one has another list. */
export const followsChange = ({ tasks, book }: Pick<PlanInput, "tasks" | "book">): boolean =>
  book.schools.fertiliser === "after-change" && tasks.some((t) => t.code === "fertiliser");

/** What is known of the tank that calls for jobs: its readings and bands, and a treatment that ends. */
function evidenceOf({ book, readings, evidence }: Pick<PlanInput, "book" | "readings" | "evidence">) {
  const { treatment } = book;
  return {
    readings,
    bands: book.bands,
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
export function mediaToBring(input: Pick<PlanInput, "book" | "on" | "nextVisitOn">): MediaToBring | null {
  const days = MEDIA_DAYS[input.book.schools.media];
  if (days === null) return null;
  const interval = daysBetween(input.on, input.nextVisitOn);
  const stock = cleanMediaLasts(input.book, interval);
  return {
    pieces: Math.max(1, Math.ceil(interval / days)),
    washBy: stock?.washBy ?? null,
    onShelf: stock !== null && stock.washBy >= input.nextVisitOn,
  };
}
