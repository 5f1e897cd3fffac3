import type { WaterReason } from "../change/index.ts";
import { type Code, type Message, m, say, type Value } from "../say/index.ts";
import { METRIC, type Parameter, type UnitPreference } from "../units/index.ts";
import { limitMessage } from "./limit.ts";

type Said<C extends WaterReason["code"]> = Extract<WaterReason, { code: C }>;

const litres = (value: number): Value => ({ litres: value });
const reading = (of: Parameter, value: number): Value => ({ reading: value, of });
const bare = (of: Parameter, value: number): Value => ({ reading: value, of, bare: true });
const moves = (value: number): Value => ({ moves: value, unit: "ppt moved" });
const number = (figure: number, decimals: number): Value => ({ figure, decimals });
const ammonia = (mgL: number): Value => ({ mgL, decimals: 3 });
const begins = (parameter: Parameter): Value => ({ parameter, begins: true });
const named = (parameters: readonly Parameter[]): Value => ({ all: parameters.map((parameter) => ({ parameter })) });

const POLICIES = {
  "fixed-share": "water.policy.fixed-share",
  "test-led": "water.policy.test-led",
  reset: "water.policy.reset",
  continuous: "water.policy.continuous",
} as const satisfies Readonly<Record<string, Code>>;

/** Each reason as a message of the catalogue. */
const MESSAGES: { readonly [C in WaterReason["code"]]: (reason: Said<C>) => Message } = {
  policy: ({ policy, share }) =>
    m(POLICIES[policy as keyof typeof POLICIES] ?? POLICIES["fixed-share"], { share: number(share * 100, 0) }),
  "salinity-creeps": ({ perDay, topUpPsu }) =>
    m("water.salinity-creeps", { perDay: moves(perDay), topUp: reading("salinity", topUpPsu) }),
  "dosing-leaves-salt": ({ perDay, settles }) =>
    m("water.dosing-leaves-salt", { perDay: moves(perDay), settles: moves(settles) }),
  chosen: (r) =>
    r.by === "on site"
      ? m("water.chosen-on-site", { litres: litres(r.litres) })
      : m("water.chosen", { litres: litres(r.litres), who: r.by }),
  "ph-shift": ({ refill, before, most }) =>
    m("water.ph-shift", { refill: number(refill, 1), before: number(before, 1), most: number(most, 1) }),
  raised: ({ fromL, parameter, value, target }) =>
    m("water.raised", {
      from: litres(fromL),
      parameter: { parameter },
      value: reading(parameter, value),
      target: bare(parameter, target),
    }),
  "in-steps": ({ changes, apartDays }) => m("water.in-steps", { changes, days: apartDays }),
  "cannot-reach": ({ parameter, target, refill }) =>
    m("water.cannot-reach", {
      parameter: begins(parameter),
      target: bare(parameter, target),
      refill: bare(parameter, refill),
    }),
  dose: ({ parameter, value, low }) =>
    m("water.dose", { parameter: begins(parameter), value: reading(parameter, value), low: bare(parameter, low) }),
  "within-bands": ({ longestDays }) => m("water.within-bands", { days: longestDays }),
  "outside-bands": ({ parameters, longestDays }) =>
    m("water.outside-bands", { parameters: named(parameters), count: parameters.length, days: longestDays }),
  "longest-interval": ({ days }) => m("water.longest-interval", { days }),
  "no-reading": ({ parameters }) => m("water.no-reading", { parameters: named(parameters) }),
  "ph-first": ({ of, worst, limit }) =>
    m("water.ph-first", { of: of === "tank" ? "tank" : "other", worst: ammonia(worst), limit: number(limit, 3) }),
  "ammonia-bound": () => m("water.ammonia-bound"),
  treatment: ({ name, until }) => m("water.treatment", { name, until: { day: until } }),
  "treatment-follow-up": ({ name }) => m("water.treatment-follow-up", { name }),
  "too-cold": ({ value, floor }) =>
    m("water.too-cold", { value: reading("temperature", value), floor: bare("temperature", floor) }),
  "sea-refused": ({ source, says }) => m("water.sea-refused", { source, why: says }),
  "wrong-water": ({ why, source, psu, tankPsu }) =>
    why === "too-far"
      ? m("water.wrong-water.too-far", { source, psu: reading("salinity", psu), tank: reading("salinity", tankPsu) })
      : m(`water.wrong-water.${why}`, { source }),
  "ammonia-would-rise": ({ before, after, limit, ph }) =>
    m("water.ammonia-would-rise", {
      before: number(before, 3),
      after: ammonia(after),
      limit: number(limit, 3),
      ph: number(ph, 1),
    }),
  "by-condition": ({ bad }) =>
    bad.length > 0
      ? m("water.by-condition.bad", { parameters: named(bad), count: bad.length })
      : m("water.by-condition"),
  automatic: ({ litresPerDay, lastsUntil }) =>
    m("water.automatic", { litres: { litres: litresPerDay, decimals: 1 }, until: { day: lastsUntil } }),
  young: ({ phase, times }) => m("water.young", { phase, times: number(times, 1) }),
  "ammonia-emergency": ({ value, limit }) =>
    m("water.ammonia-emergency", { value: ammonia(value), limit: number(limit, 3) }),
  retest: ({ parameter, value, expected }) =>
    m("water.retest", {
      parameter: begins(parameter),
      value: reading(parameter, value),
      expected: bare(parameter, expected),
    }),
  "salinity-in-steps": ({ from, today, target, days }) =>
    m("water.salinity-in-steps", {
      from: bare("salinity", from),
      today: bare("salinity", today),
      target: bare("salinity", target),
      days,
    }),
  "salinity-assumed": ({ value }) => m("water.salinity-assumed", { value: reading("salinity", value) }),
  held: ({ limit }) => m("water.held", { limit: limitMessage(limit) }),
  "left-low": ({ todayL, restL }) => m("water.left-low", { today: litres(todayL), rest: litres(restL) }),
  overflow: ({ litres: runBackL, roomL }) => m("water.overflow", { litres: litres(runBackL), room: litres(roomL) }),
};

/** Why the plan asks for what it asks. */
export const waterSentence = (reason: WaterReason, units: UnitPreference = METRIC): string =>
  say((MESSAGES[reason.code] as (reason: WaterReason) => Message)(reason), units);
