import type { AfterCheck } from "../change/index.ts";
import type { Offer } from "../given/index.ts";
import { type Message, m, say, sayAll, type Value } from "../say/index.ts";
import { METRIC, type Parameter, type UnitPreference } from "../units/index.ts";

/** Another way that a figure may have been read or typed. */
export const offerSentence = (offer: Offer, parameter: Parameter, units: UnitPreference = METRIC): string =>
  say(m(`offer.${offer.as}`, { value: { reading: offer.value, of: parameter } }), units);

/** What was read after the change, held against what the plan said, and what is left to do. */
export function checkSentence(check: AfterCheck, units: UnitPreference = METRIC): string {
  const of = (value: number): Value => ({ reading: value, of: check.parameter });
  const { fits, againL, againOn } = check;
  const said: Message[] = [
    fits
      ? m("check.fits", { read: of(check.read) })
      : m("check.odd", { read: of(check.read), expected: of(check.expected.value) }),
  ];
  if (againL !== null) said.push(m("check.again", { litres: { litres: againL } }));
  if (againOn !== null) said.push(m(againL === null ? "check.again-on" : "check.rest", { day: { day: againOn } }));
  return sayAll(said, units);
}
