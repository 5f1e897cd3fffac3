import { standing } from "../readings/index.ts";
import { type Message, m, type Value } from "../say/index.ts";
import type { Band } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";

/** A reading of a period, on the scale it is kept in. */
export interface DatedValue {
  /** Civil date. */
  readonly on: string;
  readonly value: number;
}

/** The readings of one parameter of a tank over a period, the earlier first. */
export interface PeriodSeries {
  readonly parameter: Parameter;
  readonly band: Band;
  readonly points: readonly DatedValue[];
}

/** How a figure went over a period. */
export interface Course extends PeriodSeries {
  /** `recovered` was out of place and is right again; `out` ended out of place. */
  readonly how: "steady" | "recovered" | "out";
  /** Where it ended. */
  readonly ended: "ideal" | "watch" | "act";
  /** How many readings were out of place. */
  readonly out: number;
}

/**
 * How a figure went: by its readings alone, each beside what is right for the tank.
 *
 * @returns null where there was no reading.
 */
export function courseOf(series: PeriodSeries): Course | null {
  const { band, points } = series;
  const last = points.at(-1);
  if (!last) return null;
  const out = points.filter((p) => standing(band, p.value) !== "ideal").length;
  const ended = standing(band, last.value);
  return { ...series, ended, out, how: ended !== "ideal" ? "out" : out > 0 ? "recovered" : "steady" };
}

/** What is right for a tank, in words. */
export function rightOf(parameter: Parameter, band: Band): Message {
  const bare = (value: number): Value => ({ reading: value, of: parameter, bare: true });
  const high = bare(band.idealHigh);
  return band.idealLow > 0 ? m("report.right", { low: bare(band.idealLow), high }) : m("report.right.to", { high });
}

/** How far a value lies from what is right. */
const beyond = ({ idealLow, idealHigh }: Band, value: number): number =>
  Math.max(idealLow - value, value - idealHigh, 0);

/** The sentence of a figure that was not steady; null of one that was. */
export function courseSentence({ parameter, band, points, how, out }: Course): Message | null {
  const [first, last] = [points[0], points.at(-1)];
  if (!first || !last || how === "steady") return null;
  const reading = (value: number): Value => ({ reading: value, of: parameter });
  const bare = (value: number): Value => ({ reading: value, of: parameter, bare: true });
  const right = { low: bare(Math.max(0, band.idealLow)), high: bare(band.idealHigh) };
  const said = { begins: { parameter, begins: true }, value: reading(last.value), count: points.length, out } as const;
  if (how === "recovered") {
    const wrong = points.filter((p) => beyond(band, p.value) > 0);
    const latest = wrong.at(-1) ?? last;
    return m("report.recovered", { ...said, day: { day: latest.on }, worst: reading(latest.value) });
  }
  const low = band.idealLow > 0;
  if (points.length === 1)
    return low ? m("report.once", { ...said, ...right }) : m("report.once.to", { ...said, high: right.high });
  const moved = { ...said, first: bare(first.value) };
  return low ? m("report.out", { ...moved, ...right }) : m("report.out.to", { ...moved, high: right.high });
}
