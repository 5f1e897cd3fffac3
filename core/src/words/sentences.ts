import { sayDay } from "../calendar/index.ts";
import type { AfterCheck, Limit, WaterReason } from "../change/index.ts";
import type { Offer } from "../given/index.ts";
import type { ConditionReason, ConditionState } from "../readings/index.ts";
import { andList, counted, inSentence } from "../text/index.ts";
import {
  figure,
  METRIC,
  type Parameter,
  parameterFacts,
  quantityText,
  showReading,
  type UnitPreference,
  unitFor,
} from "../units/index.ts";

/** The word of each condition. */
export const CONDITION_WORD: Record<ConditionState, string> = {
  steady: "Steady",
  drifting: "Drifting",
  off: "Off course",
  unknown: "Not known",
};

const lower = (parameter: Parameter, fresh = false) => {
  const { label, freshLabel } = parameterFacts[parameter];
  return inSentence(fresh && freshLabel ? freshLabel : label);
};

/** A reading with its unit, in a person's units. */
export function withUnit(parameter: Parameter, value: number, units: UnitPreference = METRIC): string {
  const unit = unitFor(parameter, units);
  return `${showReading(parameter, value, units)}${unit ? `\u00a0${unit}` : ""}`;
}

/** Litres with their unit, in a person's units; tenths where they matter. */
export function litresText(litres: number, units: UnitPreference = METRIC): string {
  const shown = litres / (units.volume === "L" ? 1 : 4);
  return quantityText(litres, "L", units, shown < 20 && litres % 1 > 0.05 ? 1 : 0);
}

/** "12 scoops and 140 g": whole scoops of a salt whose scoop was weighed, and the rest of it. */
export function scoopsText(grams: number, scoopGrams: number): string {
  const scoops = Math.floor((grams + 0.5) / scoopGrams);
  const rest = Math.max(0, Math.round(grams - scoops * scoopGrams));
  if (scoops === 0) return `${rest} g, less than a scoop`;
  return `${counted(scoops, "scoop")}${rest > 0 ? ` and ${rest} g` : ""}`;
}

const list = (parameters: readonly Parameter[]): string => andList(parameters.map((p) => lower(p)));

/** One sentence fragment of why a tank is in its condition, for lists and headings. */
export function conditionSentence(reason: ConditionReason, units: UnitPreference = METRIC): string {
  switch (reason.code) {
    case "beyond-act":
      return `${lower(reason.parameter)} ${withUnit(reason.parameter, reason.value, units)}, ${reason.side === "high" ? "above" : "below"} its limit of ${showReading(reason.parameter, reason.limit, units)}${reason.retest ? "; re-test" : ""}`;
    case "free-ammonia":
      return `free ammonia up to ${figure(reason.value, 3)} mg/L, limit ${figure(reason.limit, 3)}`;
    case "open-finding":
      return reason.text;
    case "outside-ideal":
      return `${lower(reason.parameter)} ${withUnit(reason.parameter, reason.value, units)}, ideal ${reason.side === "high" ? "to" : "from"} ${showReading(reason.parameter, reason.limit, units)}`;
    case "will-cross":
      return `${lower(reason.parameter)} reaches ${showReading(reason.parameter, reason.limit, units)} in ${Math.max(1, Math.round(reason.inDays))} days`;
    case "slipped-twice":
      return `${inSentence(reason.task)} has slipped twice`;
    case "no-reading":
      return reason.ageDays === null
        ? `no ${lower(reason.parameter)} reading yet`
        : `last ${lower(reason.parameter)} reading is ${reason.ageDays} days old`;
  }
}

/** What holds a change down, with its number. */
export function limitSentence(limit: Limit, units: UnitPreference = METRIC): string {
  const most = litresText(limit.maxL, units);
  const value = limit.value ?? 0;
  switch (limit.code) {
    case "landmark":
      return limit.minutes
        ? `The ${limit.name} may stand in air for ${limit.minutes} min, longer while it is kept wet: at most ${most}.`
        : `The ${limit.name} must stay under water: at most ${most}.`;
    case "floor":
      return `The water may not fall nearer to the bed: at most ${most}.`;
    case "hose":
      return `The drain hose runs dry there: at most ${most}; carry the rest.`;
    case "sump-level":
      return `The return pump draws air beyond ${most}.`;
    case "animals":
      return `These animals bear at most ${figure((limit.value ?? 1) * 100, 0)} % at one time: ${most}.`;
    case "alkalinity-a-day":
      return `Alkalinity may move ${quantityText(value, "dKH moved", units)} a day: at most ${most}.`;
    case "calcium-a-day":
      return `Calcium may move ${value} mg/L a day: at most ${most}.`;
    case "magnesium-a-day":
      return `Magnesium may move ${value} mg/L a day: at most ${most}.`;
    case "gh-a-day":
      return `GH may move ${value} dGH a day: at most ${most}.`;
    case "salinity-a-day":
      return `Salinity may move ${quantityText(value, "ppt moved", units)} a day: at most ${most}.`;
    case "temperature-a-day":
      return `The new water comes at ${withUnit("temperature", value, units)}, and the tank's temperature may move only so far in a day: at most ${most}.`;
    case "on-board":
      return `The van has ${most} for this tank.`;
    case "drain-rule":
      return `No salt water may go down this drain; you can carry away ${most}.`;
    case "time-on-site":
      return `The site's open hours leave ${Math.round(limit.minutes ?? 0)} min for moving water: at most ${most}.`;
    case "free-ammonia":
      return `Free ammonia would pass ${figure(value, 3)} mg/L with this water: none of it before the ammonia is bound.`;
  }
}

const POLICY: Record<string, string> = {
  "fixed-share": "fixed share",
  "test-led": "test-led",
  reset: "reset",
  continuous: "continuous exchange",
};

/** Another way that a figure may have been read or typed. */
export function offerSentence(offer: Offer, parameter: Parameter, units: UnitPreference = METRIC): string {
  const as = withUnit(parameter, offer.value, units);
  switch (offer.as) {
    case "ten-times":
      return `${as}: a decimal too far left`;
    case "a-tenth":
      return `${as}: a decimal too far right`;
    case "thousand":
      return `${as}: the comma stood for thousands`;
    case "meq":
      return `${as}: read in meq/L`;
    case "fahrenheit":
      return `${as}: read in °F`;
    case "phosphorus":
      return `${as}: phosphorus instead of phosphate, or the other way round`;
  }
}

/** What was read after the change, held against what the plan said, and what is left to do. */
export function checkSentence(check: AfterCheck, units: UnitPreference = METRIC): string {
  const of = (value: number) => withUnit(check.parameter, value, units);
  const rest = [
    check.againL === null ? "" : ` A second change of ${litresText(check.againL, units)} today brings it down further.`,
    check.againOn === null
      ? ""
      : check.againL === null
        ? ` It is above its target still: change again on ${sayDay(check.againOn)}.`
        : ` The rest on ${sayDay(check.againOn)}.`,
  ].join("");
  return check.fits
    ? `${of(check.read)} after the change, as expected.${rest}`
    : `${of(check.read)} after the change, and ${of(check.expected.value)} was expected: measure once more, and look at the litres that were counted.${rest}`;
}

/** Why the plan asks for what it asks. */
export function waterSentence(reason: WaterReason, units: UnitPreference = METRIC): string {
  switch (reason.code) {
    case "policy":
      return `This tank is on ${POLICY[reason.policy] ?? reason.policy}, ${figure(reason.share * 100, 0)} % each visit.`;
    case "salinity-creeps":
      return `Salinity rises by ${quantityText(reason.perDay, "ppt moved", units)} a day: the top-up water contains about ${quantityText(reason.topUpPsu, "ppt", units)} of salt. Only RO water replaces what evaporates.`;
    case "dosing-leaves-salt":
      return `The two-part dosing leaves ${quantityText(reason.perDay, "ppt moved", units)} of salt a day; with changes like this it settles ${quantityText(reason.settles, "ppt moved", units)} above the new water.`;
    case "chosen":
      return `${litresText(reason.litres, units)} chosen ${reason.by === "on site" ? "on site" : `by ${reason.by} under Plan a change`}.`;
    case "ph-shift":
      return `The new water has a pH of ${figure(reason.refill, 1)}, the tank ${figure(reason.before, 1)}: it may move by more than ${figure(reason.most, 1)}. Compare at the same hour tomorrow.`;
    case "raised":
      return `Raised from ${litresText(reason.fromL, units)}: ${lower(reason.parameter)} is ${withUnit(reason.parameter, reason.value, units)} and should come to ${showReading(reason.parameter, reason.target, units)}, well inside its band.`;
    case "in-steps":
      return `This is the first of ${reason.changes} changes, at least ${reason.apartDays} days apart: a tank left for long is brought back slowly.`;
    case "cannot-reach":
      return `${parameterFacts[reason.parameter].label} cannot come down to ${showReading(reason.parameter, reason.target, units)} with this water, which brings ${showReading(reason.parameter, reason.refill, units)}. Use water that brings less: RO water, or a part of it.`;
    case "dose":
      return `${parameterFacts[reason.parameter].label} is ${withUnit(reason.parameter, reason.value, units)}, below ${showReading(reason.parameter, reason.low, units)}. Dose it: changes do not lift it enough.`;
    case "within-bands":
      return `Test-led, and every reading is inside its band: no change today, at the latest after ${reason.longestDays} days.`;
    case "outside-bands":
      return `Test-led: ${list(reason.parameters)} ${reason.parameters.length === 1 ? "is" : "are"} outside the band, and a change does not mend that. No change today, at the latest after ${reason.longestDays} days.`;
    case "longest-interval":
      return `Test-led, but the last change was ${reason.days} days ago: the longest interval.`;
    case "no-reading":
      return `Test-led: measure ${list(reason.parameters)} first. How much is not known until then.`;
    case "ph-first":
      return `Measure the pH of the ${reason.of === "tank" ? "tank" : "new water, after it has stood,"} first. At its worst free ammonia would be ${figure(reason.worst, 3)} mg/L, above ${figure(reason.limit, 3)}.`;
    case "ammonia-bound":
      return "Conditioner bound the ammonia within the last two days: a test of it says nothing either way. Look at the animals.";
    case "treatment":
      return `${reason.name} works in this water until ${reason.until}. A change now would thin it; put it off to that day.`;
    case "treatment-follow-up":
      return `The change that follows ${reason.name} is due.`;
    case "too-cold":
      return `The water is at ${withUnit("temperature", reason.value, units)}, under the floor of ${showReading("temperature", reason.floor, units)}. Find the heater's fault and bring it up slowly first; the change is put off.`;
    case "wrong-water":
      return reason.why === "no-salt"
        ? `${reason.source} holds no salt, and this tank lives in salt water. Choose a mix or sea water as its source.`
        : reason.why === "salt"
          ? `${reason.source} is salt water, and this is a freshwater tank. Choose another source.`
          : `${reason.source} has ${quantityText(reason.psu, "ppt", units)}, the tank ${quantityText(reason.tankPsu, "ppt", units)}: too far apart. Use a mix made to the tank's strength.`;
    case "ammonia-would-rise":
      return `Do not change water: free ammonia would rise from ${figure(reason.before, 3)} to ${figure(reason.after, 3)} mg/L (limit ${figure(reason.limit, 3)}), because the pH could reach ${figure(reason.ph, 1)}. Bind the ammonia, stop feeding, and use water of the tank's own pH.`;
    case "by-condition":
      return reason.bad.length > 0
        ? `Drained first, because ${list(reason.bad)} ${reason.bad.length === 1 ? "is" : "are"} bad: more of the old water leaves so.`
        : "Changed in and out together, because every reading is within its limits: nothing stands in air.";
    case "automatic":
      return `The machine changes ${quantityText(reason.litresPerDay, "L", units, 1)} a day: nothing is changed by hand. Its vessels last until ${sayDay(reason.lastsUntil)}.`;
    case "young":
      return `A young tank, ${reason.phase}: changes are ${figure(reason.times, 1)} times as large until it is steady.`;
    case "ammonia-emergency":
      return `Free ammonia is up to ${figure(reason.value, 3)} mg/L, above ${figure(reason.limit, 3)}: change now, with air on, and test again tomorrow.`;
    case "retest":
      return `${parameterFacts[reason.parameter].label} ${withUnit(reason.parameter, reason.value, units)} does not fit: about ${showReading(reason.parameter, reason.expected, units)} was expected. Measure it once more; the change waits for it.`;
    case "salinity-in-steps":
      return `Salinity goes from ${showReading("salinity", reason.from, units)} to ${showReading("salinity", reason.today, units)} today and to ${showReading("salinity", reason.target, units)} over ${reason.days} days: faster would harm.`;
    case "salinity-assumed":
      return `Nobody has measured the salinity lately: the plan takes ${withUnit("salinity", reason.value, units)}. Measure it before you mix.`;
    case "held":
      return `Nothing can be changed today. ${limitSentence(reason.limit, units)}`;
    case "left-low":
      return `Top up only ${litresText(reason.todayL, units)} today; ${litresText(reason.restL, units)} more follow on other days, since more would change the water too fast. Find out why so much was missing.`;
    case "overflow":
      return `When the return stops ${litresText(reason.litres, units)} run back and the sump has room for ${litresText(reason.roomL, units)}: it may overflow. Have its running level lowered.`;
  }
}
