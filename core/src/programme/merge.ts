import { addDays, daysBetween } from "../calendar/civil.ts";
import { requireRange } from "../issues/index.ts";
import { type Random, seeded } from "../numeric/index.ts";
import { beyondWindowDays, earlyDaysOf, type Window } from "./cadence.ts";
import {
  BIOLOGICAL_REST_DAYS,
  type Nature,
  neverTogether,
  RULES_TOGETHER,
  type RuleTogether,
  restApart,
} from "./together.ts";

/** A visit of a site as far as merging needs it. */
export interface MergeVisit {
  readonly on: string;
  /** Minutes that long jobs may take there, all tanks of the stop together. */
  readonly freeMinutes: number;
}

/** A long or rare job of one tank. */
export interface MergeTask extends Window {
  readonly id: string;
  readonly tankId: string;
  readonly everyDays: number;
  readonly minutes: number;
  readonly lastDoneOn: string;
  /** The day it is first due, where that is not its cadence after it was last done. */
  readonly firstOn?: string;
  /** The visit that somebody put its first turn on; it stays there whatever it breaks. */
  readonly pinnedOn?: string;
  /** Due on a grid counted from the first day, whenever it was done; else counted from the day it was done. */
  readonly onGrid?: boolean;
  /** The unit of bacteria that it services: two different ones of a tank rest four weeks. */
  readonly unit?: string;
  /** A remedy is in the water until this day: the job waits for it. */
  readonly notBefore?: string;
  /** The latest service of another unit of the tank, which lies before the first visit. */
  readonly serviced?: { readonly taskId: string; readonly on: string };
  /** So much else is left alone that the four weeks are advice: kept all the same, and easier for a person to put aside. */
  readonly advisory?: boolean;
  /** Fresh media and the only filter never come with a deep clean or a medication. */
  readonly kind?: Nature;
}

/** What kept a job from the visit nearest its date; its removal moves it back. */
export type MergeCause =
  | { readonly code: "full"; readonly on: string; readonly overMinutes: number }
  | { readonly code: "biological-rest"; readonly taskId: string; readonly on: string }
  | { readonly code: "not-together"; readonly taskId: string; readonly on: string }
  | { readonly code: "treatment"; readonly until: string }
  | { readonly code: "half-apart"; readonly on: string }
  | { readonly code: "pinned" }
  | { readonly code: "no-visit-in-window" };

/** One occurrence of a job on a visit. */
export interface MergePlacement {
  readonly taskId: string;
  readonly on: string;
  /** The day it was due. */
  readonly targetOn: string;
  /** The visit it would ride with if nothing were in its way. */
  readonly nearestOn: string;
  /** Days after its window; 0 inside. */
  readonly lateDays: number;
  /** What kept it from there, and what would have kept it as well. */
  readonly cause: MergeCause | null;
  readonly also: readonly MergeCause[];
}

/** A site's long jobs on its visits. */
export interface MergePlan {
  readonly placements: readonly MergePlacement[];
  /** Visits that take longer than they may, with by how much. */
  readonly overload: readonly { readonly on: string; readonly minutes: number }[];
  /** Rules that are not kept: services that lie behind, and days that somebody chose. Every pair by itself. */
  readonly broken: readonly {
    readonly rule: RuleTogether;
    readonly taskId: string;
    readonly on: string;
    readonly otherId: string;
    readonly otherOn: string;
  }[];
  /** Jobs that fall due and find no visit any more, with the day. */
  readonly unplaced: readonly { readonly taskId: string; readonly targetOn: string }[];
}

/** A job on the board, days counted from the first visit. */
interface Job {
  readonly task: MergeTask;
  readonly order: number;
  readonly lastDay: number;
  readonly firstDay: number;
  /** The day of the latest service of another unit before the board; long ago where there was none. */
  readonly servicedDay: number;
  readonly notBeforeDay: number;
  readonly pinned: boolean;
  /** Occurrences, as indices of visits in their order. */
  readonly turns: number[];
}

interface Board {
  readonly visits: readonly MergeVisit[];
  readonly days: readonly number[];
  readonly jobs: readonly Job[];
  /** Jobs of a tank, which alone can forbid each other anything. */
  readonly ofTank: ReadonlyMap<string, readonly Job[]>;
  /** Minutes on each visit, and how many it may take. */
  readonly used: number[];
  readonly free: readonly number[];
  /** Minutes that all visits together take more than they may. */
  over: number;
}

/** Tries for each occurrence that is not on its nearest visit, and the most of them all. */
const TRIES = 160;
const MOST_TRIES = 1200;
/** Occurrences that are lifted together in one try. */
const MOST_LIFTED = 4;
const SEED = 52;
/** Less than this is no gain. */
const EPSILON = 1e-9;
/** A day before its window outweighs any number of late ones. */
const NEVER = 1e6;
/** Off the board while it is looked at without it. */
const LIFTED = -1;

const dayOf = (board: Board, visit: number): number => board.days[visit] ?? Number.NaN;

/** The day an occurrence is due: from the day before it was done, or from the grid. */
function targetOf(board: Board, job: Job, index: number): number {
  const { task, turns, firstDay } = job;
  if (task.onGrid || index === 0) return firstDay + task.everyDays * index;
  return dayOf(board, turns[index - 1] ?? LIFTED) + task.everyDays;
}

/** The turn of a job that forbids another one a day, and by which rule. */
interface Against {
  readonly rule: RuleTogether;
  readonly taskId: string;
  readonly on: string;
}

/**
 * The job that forbids another one a day, and by which rule; null where none does.
 *
 * @param all Where given, every one of them is put here, and none is answered.
 */
function conflict(
  board: Board,
  { task, servicedDay }: Job,
  day: number,
  only?: RuleTogether,
  all?: Against[],
): Against | null {
  if (!task.unit && !task.kind) return null;
  if (task.serviced && only !== "not-together" && day - servicedDay < BIOLOGICAL_REST_DAYS) {
    const found = { rule: "biological-rest", ...task.serviced } as const;
    if (!all) return found;
    all.push(found);
  }
  for (const other of board.ofTank.get(task.tankId) ?? []) {
    if (other.task === task) continue;
    const bothLive = only !== "not-together" && restApart(task.unit, other.task.unit);
    const together = only !== "biological-rest" && neverTogether(task.kind, other.task.kind);
    if (!bothLive && !together) continue;
    for (const visit of other.turns) {
      if (visit === LIFTED) continue;
      const apart = Math.abs(day - dayOf(board, visit));
      const found = { taskId: other.task.id, on: board.visits[visit]?.on ?? "" };
      const rule =
        bothLive && apart < BIOLOGICAL_REST_DAYS
          ? ("biological-rest" as const)
          : together && apart === 0
            ? ("not-together" as const)
            : null;
      if (!rule) continue;
      if (!all) return { rule, ...found };
      all.push({ rule, ...found });
    }
  }
  return null;
}

/** Whether a day is at least half the interval from the occurrences before and after. */
function halfApart(board: Board, { task, turns, lastDay, firstDay }: Job, index: number, day: number): boolean {
  const before = index === 0 ? lastDay : dayOf(board, turns[index - 1] ?? LIFTED);
  const after = turns[index + 1];
  const least = task.everyDays / 2;
  // What was called for earlier than its cadence need not wait for half of it.
  const atLeast = index === 0 ? Math.min(least, firstDay - lastDay) : least;
  return day - before >= atLeast && (after === undefined || dayOf(board, after) - day >= least);
}

/** How far a day lies from the due one, in halves of the window. */
const distanceOf = (task: MergeTask, target: number, day: number): number =>
  Math.abs(day - target) / Math.max(0.5, (earlyDaysOf(task) + task.giveDays) / 2);
/** Days outside of a window. Late is reported; early is no place to put a job at all. */
const outside = (task: MergeTask, target: number, day: number): number =>
  (day < target ? NEVER : 1) * beyondWindowDays(task, day - target);
const overOf = (board: Board, visit: number, more = 0) =>
  Math.max(0, (board.used[visit] ?? 0) + more - (board.free[visit] ?? 0));

/** Days outside windows, overload minutes, distance in half windows, days: compared one after the other, less is better. */
type Cost = readonly [late: number, over: number, distance: number, day: number];
function less(a: Cost, b: Cost): boolean {
  for (let i = 0; i < a.length; i++) {
    const gap = (a[i] ?? 0) - (b[i] ?? 0);
    if (Math.abs(gap) > EPSILON) return gap < 0;
  }
  return false;
}

/** What one occurrence costs on a visit, the next one of its job included, whose due day moves with it. */
function costAt(board: Board, job: Job, index: number, visit: number): Cost {
  const { task, turns } = job;
  const day = dayOf(board, visit);
  const target = targetOf(board, job, index);
  let late = outside(task, target, day);
  let distance = distanceOf(task, target, day);
  const next = turns[index + 1];
  if (next !== undefined && !task.onGrid) {
    const nextTarget = day + task.everyDays;
    late += outside(task, nextTarget, dayOf(board, next));
    distance += distanceOf(task, nextTarget, dayOf(board, next));
  }
  return [late, overOf(board, visit, task.minutes) - overOf(board, visit), distance, day];
}

type Place = { readonly visit: number; readonly cost: Cost };

/** The visit an occurrence costs least on: inside its window, or the first after it where none is; null where there is none. */
function cheapest(board: Board, job: Job, index: number, random?: Random): Place | null {
  const { task } = job;
  const target = targetOf(board, job, index);
  let best: Place | null = null;
  for (let visit = firstFrom(board.days, target - earlyDaysOf(task)); visit < board.visits.length; visit++) {
    const day = dayOf(board, visit);
    if (day > target + task.giveDays && best) break;
    if (day < job.notBeforeDay || !halfApart(board, job, index, day) || conflict(board, job, day)) continue;
    // Now and then a good place is passed over, so that a search does not always end where it began.
    if (random && best && random() < 0.2) continue;
    const cost = costAt(board, job, index, visit);
    if (!best || less(cost, best.cost)) best = { visit, cost };
    if (day > target + task.giveDays) break;
  }
  return best;
}

/** Index of the first day not before one. */
function firstFrom(days: readonly number[], day: number): number {
  let [low, high] = [0, days.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((days[middle] ?? 0) < day) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Lays the long and rare jobs of a site onto its visits.
 *
 * In this order: nothing late, no visit over its minutes, each job near its day in parts of its window, the earlier visit.
 * Never broken: four weeks between two units of bacteria of one tank, no fresh media with a deep clean or a medication, and
 * half its interval between two turns of one job. A rule that empties a window postpones, and says so. Where nothing binds
 * it is the nearest visit. Greedy by due day; then some occurrences at a time are lifted and put back, as long as that
 * gains. The same input gives the same plan.
 *
 * @param visits In the order of their days.
 * @throws {OutOfRangeError} for a cadence or a window that cannot be.
 */
export function mergeTasks(visits: readonly MergeVisit[], tasks: readonly MergeTask[]): MergePlan {
  for (const t of tasks) {
    requireRange("everyDays", t.everyDays, 1, 10_000);
    requireRange("giveDays", t.giveDays, 0, t.everyDays);
    requireRange("earlyDays", earlyDaysOf(t), 0, t.everyDays);
    requireRange("minutes", t.minutes, 0, 1440);
  }
  const first = visits[0]?.on;
  if (first === undefined) return { placements: [], overload: [], broken: [], unplaced: [] };
  const jobs = tasks.map((task, order) => {
    const lastDay = daysBetween(first, task.lastDoneOn);
    const firstDay = task.firstOn === undefined ? lastDay + task.everyDays : daysBetween(first, task.firstOn);
    const servicedDay = task.serviced ? daysBetween(first, task.serviced.on) : Number.NEGATIVE_INFINITY;
    const notBeforeDay = task.notBefore ? daysBetween(first, task.notBefore) : Number.NEGATIVE_INFINITY;
    return {
      task,
      order,
      lastDay,
      firstDay,
      servicedDay,
      notBeforeDay,
      pinned: task.pinnedOn !== undefined,
      turns: [],
    };
  });
  const ofTank = new Map<string, Job[]>();
  for (const job of jobs) ofTank.set(job.task.tankId, [...(ofTank.get(job.task.tankId) ?? []), job]);
  const board: Board = {
    visits,
    days: visits.map((v) => daysBetween(first, v.on)),
    jobs,
    ofTank,
    used: visits.map(() => 0),
    free: visits.map((v) => v.freeMinutes),
    over: visits.reduce((sum, v) => sum + Math.max(0, -v.freeMinutes), 0),
  };
  for (const job of jobs) if (job.task.pinnedOn !== undefined) pin(board, job, daysBetween(first, job.task.pinnedOn));
  const unplaced = place(board);
  improve(board);
  return {
    placements: placementsOf(board, first),
    overload: visits.flatMap(({ on }, v) => (overOf(board, v) > EPSILON ? [{ on, minutes: overOf(board, v) }] : [])),
    broken: brokenOf(board),
    unplaced: unplaced.map(({ job, target }) => ({ taskId: job.task.id, targetOn: addDays(first, target) })),
  };
}

/** Puts a first turn on the visit that somebody chose, or on the next one where that is gone. */
function pin(board: Board, job: Job, day: number): void {
  const visit = firstFrom(board.days, day);
  if (visit < board.days.length) put(board, job, 0, visit);
}

/** Every rule that the board as it stands does not keep, each pair once. */
function brokenOf(board: Board): MergePlan["broken"] {
  const seen = new Set<string>();
  return board.jobs.flatMap((job) =>
    job.turns.flatMap((visit) => {
      const pairs: Against[] = [];
      conflict(board, job, dayOf(board, visit), undefined, pairs);
      const on = board.visits[visit]?.on ?? "";
      const { id } = job.task;
      return pairs.flatMap(({ rule, taskId: otherId, on: otherOn }) => {
        if (seen.has(`${otherId} ${otherOn} ${id} ${on}`)) return [];
        seen.add(`${id} ${on} ${otherId} ${otherOn}`);
        return [{ rule, taskId: id, on, otherId, otherOn }];
      });
    }),
  );
}

/** Places every occurrence by its due day, the library's order on a tie; answers what found no visit. */
function place(board: Board): { job: Job; target: number }[] {
  const last = board.days.at(-1) ?? 0;
  const unplaced: { job: Job; target: number }[] = [];
  const open = board.jobs
    .map((job) => ({ job, target: targetOf(board, job, job.turns.length) }))
    .filter((o) => o.target <= last);
  while (open.length > 0) {
    let next = open[0] as (typeof open)[number];
    for (const o of open)
      if (o.target < next.target || (o.target === next.target && o.job.order < next.job.order)) next = o;
    const { job, target } = next;
    const best = cheapest(board, job, job.turns.length);
    if (best) put(board, job, job.turns.length, best.visit);
    else unplaced.push({ job, target });
    next.target = best ? targetOf(board, job, job.turns.length) : Number.POSITIVE_INFINITY;
    if (next.target > last) open.splice(open.indexOf(next), 1);
  }
  return unplaced;
}

/** Puts an occurrence on a visit, or lifts it off the board. */
function put(board: Board, job: Job, index: number, visit: number): void {
  const was = job.turns[index] ?? LIFTED;
  if (was === visit) return;
  if (was !== LIFTED) use(board, was, -job.task.minutes);
  if (visit !== LIFTED) use(board, visit, job.task.minutes);
  job.turns[index] = visit;
}

function use(board: Board, visit: number, minutes: number): void {
  const before = overOf(board, visit);
  board.used[visit] = (board.used[visit] ?? 0) + minutes;
  board.over += overOf(board, visit) - before;
}

interface Turn {
  readonly job: Job;
  readonly index: number;
}

/** Lifts a few occurrences that stand in each other's way and puts them back in another order, while that gains. */
function improve(board: Board): void {
  const random = seeded(SEED);
  const all: Turn[] = board.jobs.flatMap((job) =>
    job.turns.flatMap((_, index) => (job.pinned && index === 0 ? [] : [{ job, index }])),
  );
  // A search asks for the turns near a day a thousand times: they stand by their visit.
  const riding: Turn[][] = board.days.map(() => []);
  for (const turn of all) riding[turn.job.turns[turn.index] ?? LIFTED]?.push(turn);
  const awry = all.filter(({ job, index }) => {
    const visit = job.turns[index] ?? LIFTED;
    return visit !== nearestVisit(board, job.task, targetOf(board, job, index)) || overOf(board, visit) > EPSILON;
  });
  if (awry.length === 0) return;
  const tries = Math.min(MOST_TRIES, TRIES * awry.length);
  for (let i = 0; i < tries; i++) {
    const lifted = lift(riding, awry[i % awry.length] as Turn, board, random);
    const before = standing(board, lifted);
    const was = lifted.map(({ job, index }) => job.turns[index] ?? LIFTED);
    for (const { job, index } of lifted) put(board, job, index, LIFTED);
    const back = lifted.every(({ job, index }) => {
      const best = cheapest(board, job, index, random);
      if (best) put(board, job, index, best.visit);
      return best !== null;
    });
    if (back && less(standing(board, lifted), before)) {
      for (const [n, turn] of lifted.entries()) moveTo(riding, turn, was[n] ?? LIFTED);
      continue;
    }
    for (const { job, index } of lifted) put(board, job, index, LIFTED);
    for (const [n, { job, index }] of lifted.entries()) put(board, job, index, was[n] ?? LIFTED);
  }
}

/** One occurrence and some that may stand in its way, each of another job, in a random order. */
function lift(riding: readonly (readonly Turn[])[], awry: Turn, board: Board, random: Random): Turn[] {
  const { task } = awry.job;
  const target = targetOf(board, awry.job, awry.index);
  const reach = Math.max(task.giveDays, earlyDaysOf(task)) + BIOLOGICAL_REST_DAYS;
  const from = firstFrom(board.days, target - reach);
  const to = firstFrom(board.days, target + reach + 1);
  let near = 0;
  for (let visit = from; visit < to; visit++) near += riding[visit]?.length ?? 0;
  const lifted = [awry];
  const count = 1 + Math.floor(random() * MOST_LIFTED);
  for (let i = 0; i < count && near > 0; i++) {
    const turn = nthFrom(riding, from, Math.floor(random() * near));
    if (lifted.every((l) => l.job !== turn.job)) lifted.push(turn);
  }
  for (let i = lifted.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [lifted[i], lifted[j]] = [lifted[j] as Turn, lifted[i] as Turn];
  }
  return lifted;
}

/** One of the turns that ride from a visit on, by its place among them. */
function nthFrom(riding: readonly (readonly Turn[])[], from: number, place: number): Turn {
  let left = place;
  for (let visit = from; ; visit++) {
    const turns = riding[visit] ?? [];
    if (left < turns.length) return turns[left] as Turn;
    left -= turns.length;
  }
}

/** Notes that a turn rides with another visit than it did. */
function moveTo(riding: readonly Turn[][], turn: Turn, from: number): void {
  const before = riding[from] ?? [];
  const at = before.findIndex((t) => t.job === turn.job && t.index === turn.index);
  const [same = turn] = before.splice(at, 1);
  riding[turn.job.turns[turn.index] ?? LIFTED]?.push(same);
}

/** What some occurrences cost as they stand, with those whose due day they move, and all overload of the board. */
function standing(board: Board, turns: readonly Turn[]): Cost {
  let [late, distance, day] = [0, 0, 0];
  for (const { job, index: first } of turns)
    for (let index = first; index <= first + 1 && index < job.turns.length; index++) {
      const target = targetOf(board, job, index);
      const on = dayOf(board, job.turns[index] ?? LIFTED);
      late += outside(job.task, target, on);
      distance += distanceOf(job.task, target, on);
      day += on;
    }
  return [late, board.over, distance, day];
}

function placementsOf(board: Board, first: string): MergePlacement[] {
  return board.jobs
    .flatMap((job) =>
      job.turns.map((visit, index) => {
        const target = targetOf(board, job, index);
        const nearest = nearestVisit(board, job.task, target);
        const { task } = job;
        const inPlace = visit === nearest && beyondWindowDays(task, dayOf(board, visit) - target) === 0;
        const [cause = null, ...also] = inPlace ? [] : causesOf(board, job, index, nearest, target);
        return {
          order: job.order,
          placement: {
            taskId: task.id,
            on: board.visits[visit]?.on ?? "",
            targetOn: addDays(first, target),
            nearestOn: board.visits[nearest]?.on ?? "",
            lateDays: Math.max(0, dayOf(board, visit) - target - task.giveDays),
            cause,
            also,
          },
        };
      }),
    )
    .sort((a, b) => (a.placement.on === b.placement.on ? a.order - b.order : a.placement.on < b.placement.on ? -1 : 1))
    .map(({ placement }) => placement);
}

/** The visit of its window nearest the due day, the earlier on a tie; where the window holds none, the first after it. */
function nearestVisit({ days }: Board, task: MergeTask, target: number): number {
  const after = Math.min(days.length - 1, firstFrom(days, target));
  const before = Math.max(0, after - 1);
  const [beforeOut, afterOut] = [before, after].map((v) => beyondWindowDays(task, (days[v] ?? 0) - target) > 0);
  if (beforeOut || afterOut) return beforeOut ? after : before;
  return Math.abs((days[before] ?? 0) - target) <= Math.abs((days[after] ?? 0) - target) ? before : after;
}

/** All that keeps an occurrence from the visit nearest its day: without it, it would ride there. */
function causesOf(board: Board, job: Job, index: number, nearest: number, target: number): MergeCause[] {
  const on = board.visits[nearest]?.on ?? "";
  const { task, turns } = job;
  if (job.pinned && index === 0) return [{ code: "pinned" }];
  if (turns[index] === nearest) return [{ code: "no-visit-in-window" }];
  const day = dayOf(board, nearest);
  const at = turns[index] ?? LIFTED;
  put(board, job, index, LIFTED);
  const causes: MergeCause[] = RULES_TOGETHER.flatMap((rule) => {
    const against = conflict(board, job, day, rule);
    return against ? [{ code: rule, taskId: against.taskId, on: against.on }] : [];
  });
  const over = overOf(board, nearest, task.minutes);
  put(board, job, index, at);
  if (day < job.notBeforeDay) causes.push({ code: "treatment", until: task.notBefore ?? "" });
  if (over > EPSILON) causes.push({ code: "full", on, overMinutes: over });
  if (!halfApart(board, job, index, day)) causes.push({ code: "half-apart", on });
  const outsideIt = beyondWindowDays(task, day - target) > 0;
  return causes.length === 0 && outsideIt ? [{ code: "no-visit-in-window" }] : causes;
}
