import { median } from "../numeric/index.ts";
import { type DecimalSign, type Parameter, parameterFacts } from "../units/index.ts";
import { mostHours } from "../upkeep/index.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";
import { readToday } from "./known.ts";

/** Another way to read a figure that does not fit. */
export interface Offer {
  readonly as: "ten-times" | "a-tenth" | "meq" | "fahrenheit" | "phosphorus" | "thousand";
  readonly value: number;
}

/** A reading of today that does not fit what went before, with other ways to read it that would. */
export interface OddReading {
  readonly parameter: Parameter;
  readonly value: number;
  readonly expected: number;
  readonly offers: readonly Offer[];
}

/** A reading this many standard deviations from what the fit says is measured again before it is acted on. */
const SURPRISE = 3;
/** Without a fit: this many of its own, or this part of the usual size, off the middle of the last five. */
const OFF_SIGMAS = 4;
const OFF_PART = 0.35;
const LAST_FIVE = 5;
const FEWEST = 3;
/** Another way of reading it fits if it lands this near. */
const FITS = 0.2;

/** What goes wrong with a figure between kit and keypad, and what it would have been. */
const SLIPS: readonly {
  readonly as: Offer["as"];
  readonly of?: readonly Parameter[];
  readonly put: (x: number) => number;
}[] = [
  { as: "ten-times", put: (x) => x * 10 },
  { as: "a-tenth", put: (x) => x / 10 },
  { as: "thousand", put: (x) => x * 1000 },
  { as: "meq", of: ["alkalinity"], put: (x) => x * 2.804 },
  { as: "fahrenheit", of: ["temperature"], put: (x) => (x - 32) / 1.8 },
  { as: "phosphorus", of: ["phosphate"], put: (x) => x * 3.0661 },
  { as: "phosphorus", of: ["phosphate"], put: (x) => x / 3.0661 },
];

/** What a figure is held against. */
type KnownForOdd = Pick<PlanInput, "readings" | "rates" | "facts" | "on" | "meters">;

/**
 * What a figure should have been, where it does not fit: against the fit with its uncertainty, else against the middle of the
 * last five readings. Null where it fits, or where there is nothing to hold it against.
 */
export function oddOf(
  input: KnownForOdd,
  reading: Pick<PlanReading, "parameter" | "value" | "sigma" | "item">,
): OddReading | null {
  const { parameter, value } = reading;
  const expected = expectedOf(input, reading);
  if (expected === null) return null;
  return { parameter, value, expected, offers: slipsTo(parameter, value, expected) };
}

/** Other ways to read a figure that land near what is expected. */
export const slipsTo = (parameter: Parameter, value: number, expected: number): Offer[] =>
  SLIPS.filter(({ of }) => !of || of.includes(parameter))
    .map(({ as, put }) => ({ as, value: put(value) }))
    .filter((o) => Math.abs(o.value - expected) <= FITS * Math.abs(expected));

/** Two ways to one figure, within this part. */
const SAME_PART = 0.005;

/** A figure as it stands in its field. */
export interface Typed {
  readonly parameter: Parameter;
  readonly text: string;
  readonly unit: string;
  readonly temperatureC: number;
  readonly decimal?: DecimalSign | undefined;
  /** What it was read with: its offset is taken off what is typed. */
  readonly kit?: { readonly offset?: number | undefined } | undefined;
}

/**
 * What a figure that does not fit has to be typed as to be what is offered: itself in another unit where one makes it that, else
 * the offered figure in its own unit.
 *
 * @example meantBy({ parameter: "temperature", text: "77", unit: "°C", temperatureC: 25 }, { as: "fahrenheit", value: 25 }) // { unit: "°F" }
 */
export function meantBy(typed: Typed, { value }: Offer): { readonly unit: string } | { readonly text: string } {
  const { units } = parameterFacts[typed.parameter];
  const read = value + (typed.kit?.offset ?? 0);
  const figure = Number(typed.text.replace(",", "."));
  const other = units.find(
    (u) =>
      u.unit !== typed.unit && Math.abs(u.toCanonical(figure, typed.temperatureC) - read) <= SAME_PART * Math.abs(read),
  );
  if (other) return { unit: other.unit };
  const its = units.find((u) => u.unit === typed.unit);
  if (!its) return { text: typed.text };
  // As many decimals as tell it apart: a slip of the point keeps its digits.
  return { text: String(Number(its.fromCanonical(read).toFixed(its.decimals + 1))).replace(".", typed.decimal ?? ".") };
}

function expectedOf(
  { readings, rates, facts, on, meters }: KnownForOdd,
  { parameter, value, sigma, item }: Pick<PlanReading, "parameter" | "value" | "sigma" | "item">,
): number | null {
  if (parameter === "hours") {
    const meter = meters?.find((m) => m.name === item);
    return meter && (value < meter.hours || value > mostHours(meter, on)) ? meter.hours : null;
  }
  const rate = rates[parameter];
  if (rate?.enough) {
    const spread = Math.hypot(sigma, rate.nowSigma, 0.05 * Math.abs(rate.now));
    return Math.abs(value - rate.now) > SURPRISE * spread ? rate.now : null;
  }
  const before = readings.filter((r) => r.parameter === parameter && r.item === item && r.on < on).slice(-LAST_FIVE);
  if (before.length < FEWEST) return null;
  const middle = median(before.map((r) => r.value));
  const band = facts.bands.find((b) => b.parameter === parameter);
  // Near nothing a third of it is less than any kit can tell: half the band counts as the usual size.
  const size = Math.max(Math.abs(middle), band ? (band.idealHigh - Math.max(0, band.idealLow)) / 2 : 0);
  return Math.abs(value - middle) > Math.max(OFF_SIGMAS * sigma, OFF_PART * size) ? middle : null;
}

/** Today's first reading that does not fit and has not been confirmed by a second one. Ammonia is acted on at once. */
export function oddToday(input: PlanInput): OddReading | null {
  for (const parameter of new Set(input.readings.map((r) => r.parameter))) {
    if (parameter === "ammonia") continue;
    const today = readToday(input, parameter);
    const last = today.at(-1);
    if (!last) continue;
    const other = today.filter((r) => r.item === last.item).at(-2);
    if (other && Math.abs(other.value - last.value) <= SURPRISE * Math.hypot(last.sigma, other.sigma)) continue;
    const odd = oddOf(input, last);
    if (odd) return odd;
  }
  return null;
}
