import { type SaidStep, type TimedStep, timelineOf } from "@keel-round/core/steps";
import { inSentence } from "@keel-round/core/text";
import { duration } from "./words";

/** What goes on by itself, on a row below whatever goes on at the same time. */
export interface AloneBar {
  readonly step: SaidStep;
  readonly timed: TimedStep;
  readonly row: number;
}

/** A visit on the clock, ready to be drawn. */
export interface HandsClock {
  readonly minutes: number;
  readonly hands: readonly TimedStep[];
  readonly alone: readonly AloneBar[];
  /** Of what goes on by itself; at least one. */
  readonly rows: number;
  readonly ticks: readonly number[];
  /** What starting early saves, and what hands wait for. */
  readonly says: readonly { readonly text: string; readonly waits: boolean }[];
}

/** Puts bars that overlap in time on rows of their own. */
function stacked(steps: readonly SaidStep[], timed: readonly TimedStep[]): AloneBar[] {
  const ends: number[] = [];
  return timed.flatMap((t, i) => {
    const step = steps[i];
    if (t.aloneTo === null || !step) return [];
    const free = ends.findIndex((end) => end <= t.to);
    const row = free < 0 ? ends.length : free;
    ends[row] = t.aloneTo;
    return [{ step, timed: t, row }];
  });
}

/** Minutes between two ticks of a clock so long. */
const tickMinutes = (minutes: number): number => (minutes > 90 ? 20 : minutes > 40 ? 10 : 5);

/** Lays a visit's steps on the clock of one pair of hands. */
export function handsClock(steps: readonly SaidStep[]): HandsClock {
  const line = timelineOf(steps);
  const alone = stacked(steps, line.steps);
  const every = tickMinutes(line.minutes);
  const title = (id: string) => inSentence(steps.find((s) => s.id === id)?.title ?? id);
  const says = (text: string, waits = false) => ({ text, waits });
  return {
    minutes: line.minutes,
    hands: line.steps,
    alone,
    rows: Math.max(1, ...alone.map((b) => b.row + 1)),
    ticks: Array.from({ length: Math.floor(line.minutes / every) + 1 }, (_, i) => i * every),
    says: [
      ...line.saves.map((s) => says(`Starting early with “${title(s.id)}” saves ${duration(s.minutes)}.`)),
      ...line.couldSave.map((s) =>
        says(`Done before you come, “${title(s.id)}” would save ${duration(s.minutes)} more.`),
      ),
      ...line.steps.flatMap(({ from, waited }) =>
        waited ? [says(`Hands wait ${duration(from - waited.since)} for “${title(waited.for)}”.`, true)] : [],
      ),
    ],
  };
}
