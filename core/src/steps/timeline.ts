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
  const timed = lay(steps);
  const minutes = lengthOf(timed);
  const alone = steps.filter((s) => aloneOf(s) >= WORTH_MINUTES);
  const gain = (s: Clocked, other: readonly Clocked[]) => ({ id: s.id, minutes: lengthOf(lay(other)) - minutes });
  const worth = (g: { readonly minutes: number }) => g.minutes >= WORTH_MINUTES;
  return {
    steps: timed,
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

/** The clock of a visit needs no more than seconds; a snapshot of it stays small. */
const round = (minutes: number): number => Math.round(minutes * 100) / 100;

const lengthOf = (timed: readonly TimedStep[]): number =>
  timed.reduce((end, t) => Math.max(end, t.to, t.aloneTo ?? 0), 0);

function lay(steps: readonly Clocked[]): TimedStep[] {
  let hands = 0;
  const timed: TimedStep[] = [];
  const running: { readonly step: Clocked; readonly ends: number }[] = [];
  for (const step of steps) {
    const gate = running.filter((r) => waitsFor(step, r.step)).sort((a, b) => b.ends - a.ends)[0];
    const from = Math.max(hands, gate?.ends ?? 0);
    const to = from + handsOf(step);
    const alone = aloneOf(step);
    if (alone > 0) running.push({ step, ends: to + alone });
    timed.push({
      id: step.id,
      from: round(from),
      to: round(to),
      aloneTo: alone > 0 ? round(to + alone) : null,
      waited: gate && from - hands > 0.01 ? { since: round(hands), for: gate.step.id } : null,
    });
    hands = to;
  }
  return timed;
}

/** The steps with one moved to just before the first that needs it ended. */
function asLateAsItMay(steps: readonly Clocked[], late: Clocked): Clocked[] {
  const rest = steps.filter((s) => s !== late);
  const needed = rest.findIndex((s) => waitsFor(s, late));
  return needed < 0 ? [...steps] : [...rest.slice(0, needed), late, ...rest.slice(needed)];
}
