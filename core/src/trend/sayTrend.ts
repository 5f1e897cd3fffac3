import { addDays } from "../calendar/index.ts";
import { slipsTo } from "../given/index.ts";
import { type Amount, type Message, m, type Value } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import type { Settled, Steady } from "./settled.ts";
import type { Trend, TrendAnswer } from "./trend.ts";

/** What the sentences of a trend are told of. */
export interface TrendOf {
  readonly parameter: Parameter;
  /** Day 0 of the trend. */
  readonly on: string;
  readonly steady: Steady | null;
}

/** What is dosed where changes do not keep it. */
const DOSED: readonly Parameter[] = ["alkalinity", "calcium", "magnesium"];

const percent = (share: number): number => Math.round(100 * share);

/** What a colleague would say of a figure: where it goes and since when, what that comes to, and what to do. */
export function trendSentences(of: TrendOf, answer: TrendAnswer): Message[] {
  if (!answer.enough) {
    if (answer.reason === "few-readings")
      return [answer.readings === 0 ? m("trend.unread") : m("trend.few", { count: answer.readings })];
    if (answer.reason === "none") return [m("trend.none", { rate: rateOf(of.parameter, answer.atMostPerDay) })];
    if (answer.reason === "dosed") return [m("trend.dosed", { rate: rateOf(of.parameter, answer.dosedPerDay) })];
    return [m("trend.within")];
  }
  const { trend } = answer;
  return [...moving(of, trend), ...comesTo(of, trend), ...crossing(of, trend)];
}

/** What is odd about it: a change that nobody logged, and readings it does not lean on. */
export function trendQuestions({ parameter, on }: TrendOf, { asked, outliers }: Trend): Message[] {
  const day = (days: number) => ({ day: addDays(on, Math.round(days)) });
  return [
    ...(asked
      ? [
          m("trend.asked", {
            on: day(asked.day),
            since: rateOf(parameter, asked.since),
            before: rateOf(parameter, asked.before),
          }),
        ]
      : []),
    ...outliers.map((o) => {
      const told = { value: read(parameter, o.value), on: day(o.day), expected: read(parameter, o.expected) };
      const [slip] = slipsTo(parameter, o.value, o.expected);
      return slip ? m("trend.aside-slip", { ...told, slip: m(`trend.slip.${slip.as}`) }) : m("trend.aside", told);
    }),
  ];
}

function moving({ parameter, on }: TrendOf, { perDay, movesPerDay, breaks }: Trend): Message[] {
  const last = breaks.at(-1);
  const since = last
    ? {
        on: { day: addDays(on, Math.round(last.day)) },
        event: inSentence(last.text),
        before: rateOf(parameter, last.before),
      }
    : null;
  const dosed = movesPerDay - perDay.value;
  const rate = rateOf(parameter, perDay.value);
  if (dosed > 0) {
    const what = inSentenceName(parameter);
    const uses = { what, rate, dosed: rateOf(parameter, dosed) };
    const apart = rateOf(parameter, movesPerDay);
    return [
      since ? m("trend.uses-since", { ...uses, ...since }) : m("trend.uses", uses),
      movesPerDay < 0 ? m("trend.outgrown", { lacks: apart }) : m("trend.overdosed", { more: apart }),
    ];
  }
  const what: Value = { parameter, begins: true };
  if (perDay.value >= 0)
    return [since ? m("trend.climbs-since", { what, rate, ...since }) : m("trend.climbs", { what, rate })];
  return [since ? m("trend.falls-since", { what, rate, ...since }) : m("trend.falls", { what, rate })];
}

function comesTo({ parameter, steady }: TrendOf, { settled, movesPerDay, perDay }: Trend): Message[] {
  if (!settled || !steady) return [];
  const base = {
    share: percent(steady.share),
    days: Math.round(steady.intervalDays),
    peak: read(parameter, settled.before.value),
  };
  const { hold } = settled;
  const dosed = movesPerDay - perDay.value;
  // What a doser has to make up for is not changed in.
  if (!hold || isHeld(settled, movesPerDay) || (dosed > 0 && movesPerDay < 0)) return [m("trend.settles", base)];
  const limit = read(parameter, hold.limit);
  if (hold.share !== null) return [m("trend.settles-hold", { ...base, limit, needs: percent(hold.share) })];
  if (hold.intervalDays !== null) return [m("trend.settles-often", { ...base, limit, often: hold.intervalDays })];
  return [
    m("trend.settles-never", { ...base, limit }),
    ...(movesPerDay < 0 && DOSED.includes(parameter)
      ? [m("trend.start-dosing", { limit, rate: rateOf(parameter, movesPerDay) })]
      : []),
  ];
}

/** Whether it settles on the right side of what it is to be held at. */
export const isHeld = ({ before, hold }: Settled, movesPerDay: number): boolean =>
  hold !== null && (movesPerDay > 0 ? before.value <= hold.limit : before.value >= hold.limit);

function crossing({ parameter, on }: TrendOf, { crosses }: Trend): Message[] {
  if (!crosses) return [];
  const day = (days: number) => ({ day: addDays(on, Math.round(days)) });
  const told = { limit: read(parameter, crosses.limit), on: day(crosses.day), from: day(crosses.earliest) };
  return crosses.latest === null
    ? [m("trend.crosses-open", told)]
    : [m("trend.crosses", { ...told, to: day(crosses.latest) })];
}

const read = (parameter: Parameter, reading: number): Amount => ({ reading: Math.max(0, reading), of: parameter });

const inSentenceName = (parameter: Parameter): Value => ({ parameter });

/** A rate as an amount that moves: its size alone, its direction is said in words. */
export function rateOf(parameter: Parameter, perDay: number): Value {
  const { unit } = parameterFacts[parameter];
  // No more of it is known.
  const size = Number(Math.abs(perDay).toPrecision(2));
  if (unit === "ppt" || unit === "dKH") return { moves: size, unit: `${unit} moved` };
  return { mgL: size, decimals: size >= 10 ? 0 : size >= 1 ? 1 : size >= 0.1 ? 2 : 3 };
}
