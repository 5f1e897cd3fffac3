import type { Step } from "./step.ts";

/** As much of a step as its place on the clock depends on. */
export type Clocked = Pick<Step, "id" | "phase" | "minutes" | "runsItself" | "aloneMinutes" | "until" | "readyBefore">;

/** One step on the clock of a visit, minutes from its start. */
export interface TimedStep {
  readonly id: string;
  readonly from: number;
  /** Hands are free again. */
  readonly to: number;
  /** What goes on by itself until then; null where nothing does. */
  readonly aloneTo: number | null;
  /** Hands had nothing to do before it: what they waited for, since when. */
  readonly waited: { readonly since: number; readonly for: string } | null;
}

/** A visit by one pair of hands and by what runs by itself. */
export interface Timeline {
  readonly steps: readonly TimedStep[];
  readonly minutes: number;
  /** What each step that goes on by itself saves by starting where it does, not just before it is needed. */
  readonly saves: readonly { readonly id: string; readonly minutes: number }[];
  /** What would be saved if it were ready before the visit. */
  readonly couldSave: readonly { readonly id: string; readonly minutes: number }[];
}

/** Less is not worth telling. */
const WORTH_MINUTES = 1;
/** Letting water run takes hands for this long; then it ends by itself. */
const START_MINUTES = 1;

/** Minutes of hands: all of a step, or only its start where it runs by itself. */
const handsOf = (step: Clocked): number => (step.runsItself ? Math.min(START_MINUTES, step.minutes) : step.minutes);

/** Minutes that go on once the hands have left it. */
const aloneOf = (step: Clocked): number =>
  (step.runsItself ? step.minutes - handsOf(step) : 0) + (step.aloneMinutes ?? 0);

/** Whether a step has to wait until another one has ended by itself. */
const waitsFor = (step: Clocked, other: Clocked): boolean =>
  (other.until ?? []).some((name) => name === step.id || name === step.phase);

/**
 * Lays steps, in their order, on one pair of hands: a step that goes on by itself frees them at once, and holds back only
 * the steps that need it ended.
 */
export function timelineOf(steps: readonly Clocked[]): Timeline {
  const minutes = lengthOf(steps);
  const alone = steps.filter((s) => aloneOf(s) >= WORTH_MINUTES);
  const gain = (s: Clocked, other: readonly Clocked[]) => ({ id: s.id, minutes: lengthOf(other) - minutes });
  const worth = (g: { readonly minutes: number }) => g.minutes >= WORTH_MINUTES;
  return {
    steps: lay(steps),
    minutes,
    saves: alone.map((s) => gain(s, asLateAsItMay(steps, s))).filter(worth),
    couldSave: alone
      .filter((s) => s.readyBefore)
      .map((s) =>
        gain(
          s,
          steps.map((x) => (x === s ? { ...x, aloneMinutes: 0, runsItself: false } : x)),
        ),
      )
      .map((g) => ({ ...g, minutes: -g.minutes }))
      .filter(worth),
  };
}

/**
 * What the hands do while a step goes on by itself, as the visit's own clock lays it out.
 *
 * @returns Ids in their order; none where nothing goes on by itself or the hands wait.
 */
export function meanwhile(steps: readonly Clocked[], id: string): string[] {
  const timed = lay(steps);
  const its = timed.find((s) => s.id === id);
  const end = its?.aloneTo;
  if (!its || end === null || end === undefined) return [];
  return timed.filter((s) => s.id !== id && s.to > s.from && s.from >= its.to && s.from < end).map((s) => s.id);
}

/** The clock of a visit needs no more than seconds; a snapshot of it stays small. */
const round = (minutes: number): number => Math.round(minutes * 100) / 100;

function lay(steps: readonly Clocked[]): TimedStep[] {
  const timed: TimedStep[] = [];
  walk(steps, (step, from, to, ends, hands, gate) =>
    timed.push({
      id: step.id,
      from: round(from),
      to: round(to),
      aloneTo: ends > to ? round(ends) : null,
      waited: gate && from - hands > 0.01 ? { since: round(hands), for: gate.id } : null,
    }),
  );
  return timed;
}

/** The minute at which all is done. */
function lengthOf(steps: readonly Clocked[]): number {
  let end = 0;
  walk(steps, (_, __, ___, ends) => {
    end = Math.max(end, ends);
  });
  return round(end);
}

type Lay = (step: Clocked, from: number, to: number, ends: number, hands: number, gate: Clocked | null) => void;

/** Goes through the steps with one pair of hands: each starts when they are free and what it waits for has ended. */
function walk(steps: readonly Clocked[], each: Lay): void {
  let hands = 0;
  const running: { readonly step: Clocked; readonly ends: number }[] = [];
  for (const step of steps) {
    let gate: (typeof running)[number] | null = null;
    for (const r of running) if (r.ends > (gate?.ends ?? -1) && waitsFor(step, r.step)) gate = r;
    const from = Math.max(hands, gate?.ends ?? 0);
    const to = from + handsOf(step);
    const ends = to + aloneOf(step);
    if (ends > to) running.push({ step, ends });
    each(step, from, to, ends, hands, gate?.step ?? null);
    hands = to;
  }
}

/** The steps with one moved to just before the first that needs it ended. */
function asLateAsItMay(steps: readonly Clocked[], late: Clocked): Clocked[] {
  const rest = steps.filter((s) => s !== late);
  const needed = rest.findIndex((s) => waitsFor(s, late));
  return needed < 0 ? [...steps] : [...rest.slice(0, needed), late, ...rest.slice(needed)];
}
