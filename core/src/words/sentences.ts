import type { TrimReason, TrimState } from "../readings/index.ts";
import {
  figure,
  METRIC,
  type Parameter,
  parameterFacts,
  showReading,
  showVolume,
  type UnitPreference,
  unitFor,
} from "../units/index.ts";
import type { Limit, WaterReason } from "../visit/index.ts";

/** The word of each trim. */
export const TRIM_WORD: Record<TrimState, string> = {
  steady: "Steady",
  drifting: "Drifting",
  off: "Off course",
  unknown: "Not known",
};

const lower = (parameter: Parameter, fresh = false) => {
  const { label, freshLabel } = parameterFacts[parameter];
  const word = fresh && freshLabel ? freshLabel : label;
  return /^[a-z]?[A-Z]{1,2}$/.test(word) ? word : word.toLowerCase();
};

/** A reading with its unit, in a person's units. */
export function withUnit(parameter: Parameter, value: number, units: UnitPreference = METRIC): string {
  const unit = unitFor(parameter, units);
  return `${showReading(parameter, value, units)}${unit ? `\u00a0${unit}` : ""}`;
}

/** Litres with their unit, in a person's units. */
export function litresText(litres: number, units: UnitPreference = METRIC): string {
  const shown = showVolume(litres, units.volume);
  return `${figure(shown, shown < 20 && shown % 1 > 0.05 ? 1 : 0)}\u00a0${units.volume}`;
}

/** One sentence fragment of why a tank is in its trim, for lists and headings. */
export function trimSentence(reason: TrimReason, units: UnitPreference = METRIC): string {
  switch (reason.code) {
    case "beyond-act":
      return `${lower(reason.parameter)} ${withUnit(reason.parameter, reason.value, units)}, act ${reason.side === "high" ? "above" : "below"} ${showReading(reason.parameter, reason.limit, units)}${reason.retest ? "; re-test" : ""}`;
    case "free-ammonia":
      return `free ammonia ${figure(reason.value, 3)} mg/L, act above ${figure(reason.limit, 3)}`;
    case "open-finding":
      return reason.text;
    case "outside-ideal":
      return `${lower(reason.parameter)} ${withUnit(reason.parameter, reason.value, units)}, ideal ${reason.side === "high" ? "to" : "from"} ${showReading(reason.parameter, reason.limit, units)}`;
    case "will-cross":
      return `${lower(reason.parameter)} reaches ${showReading(reason.parameter, reason.limit, units)} in ${Math.max(1, Math.round(reason.inDays))} days`;
    case "slipped-twice":
      return `${reason.task.toLowerCase()} has slipped twice`;
    case "no-reading":
      return reason.ageDays === null
        ? `no ${lower(reason.parameter)} reading yet`
        : `last ${lower(reason.parameter)} reading is ${reason.ageDays} days old`;
  }
}

/** What holds a change down, with its number. */
export function limitSentence(limit: Limit, units: UnitPreference = METRIC): string {
  const most = litresText(limit.maxL, units);
  switch (limit.code) {
    case "landmark":
      return limit.minutes
        ? `The ${limit.name} may stand in air for ${limit.minutes} min: at most ${most}.`
        : `The ${limit.name} must stay under water: at most ${most}.`;
    case "floor":
      return `The water may not fall nearer than 5 cm to the bed: at most ${most}.`;
    case "hose":
      return `The drain hose runs dry there: at most ${most}, the rest would have to be carried.`;
    case "sump-level":
      return `The return chamber runs dry beyond ${most}.`;
    case "animals":
      return `These animals bear at most ${figure((limit.value ?? 1) * 100, 0)} % at one time: ${most}.`;
    case "alkalinity-a-day":
      return `Alkalinity may move ${limit.value} dKH a day: at most ${most}.`;
    case "calcium-a-day":
      return `Calcium may move ${limit.value} mg/L a day: at most ${most}.`;
    case "magnesium-a-day":
      return `Magnesium may move ${limit.value} mg/L a day: at most ${most}.`;
    case "salinity-a-day":
      return `Salinity may move ${limit.value} ppt a day: at most ${most}.`;
    case "temperature-a-day":
      return `The new water comes at ${withUnit("temperature", limit.value ?? 0, units)} and cannot be warmed: at most ${most}.`;
    case "on-board":
      return `The van has ${most} for this tank.`;
    case "drain-rule":
      return `No salt water may go down this drain, and ${most} can be carried away.`;
    case "time-on-site":
      return `The site's open hours leave ${Math.round(limit.minutes ?? 0)} min for moving water: at most ${most}.`;
    case "free-ammonia":
      return `Free ammonia would pass ${figure(limit.value ?? 0, 3)} mg/L with this water: none of it before the ammonia is bound.`;
  }
}

const POLICY: Record<string, string> = {
  "fixed-share": "fixed share",
  "test-led": "test-led",
  reset: "reset",
  continuous: "continuous exchange",
};

/** Why the plan asks for what it asks. */
export function waterSentence(reason: WaterReason, units: UnitPreference = METRIC): string {
  switch (reason.code) {
    case "policy":
      return `This tank is on ${POLICY[reason.policy] ?? reason.policy}, ${figure(reason.share * 100, 0)} % each visit.`;
    case "salinity-creeps":
      return `Salinity rises by ${figure(reason.perDay, 2)} ppt a day: what tops it up holds about ${figure(reason.topUpPsu, 0)} ppt. Only purified water replaces what evaporates.`;
    case "dosing-leaves-salt":
      return `The two-part dosing leaves ${figure(reason.perDay, 3)} ppt of salt a day; with changes like this it settles ${figure(reason.settles, 1)} ppt above the new water.`;
    case "chosen":
      return `${litresText(reason.litres, units)} chosen ${reason.by === "on site" ? "on site" : `by ${reason.by} at the bench`}.`;
    case "ph-shift":
      return `The new water has a pH of ${figure(reason.refill, 1)}, the tank ${figure(reason.before, 1)}: it may move by more than ${figure(reason.most, 1)}. Compare at the same hour tomorrow.`;
    case "raised":
      return `Raised from ${litresText(reason.fromL, units)}: ${lower(reason.parameter)} is ${withUnit(reason.parameter, reason.value, units)} and is to come down to ${showReading(reason.parameter, reason.target, units)}.`;
    case "cannot-reach":
      return `${parameterFacts[reason.parameter].label} cannot come down to ${showReading(reason.parameter, reason.target, units)} with this water, which brings ${showReading(reason.parameter, reason.refill, units)}. Only water that brings less than ${showReading(reason.parameter, reason.target, units)} can: purified water, or a part of it.`;
    case "within-bands":
      return `Test-led, and every reading is inside its band: no change today, at the latest after ${reason.longestDays} days.`;
    case "longest-interval":
      return `Test-led, but ${reason.days} days have passed since the last change: the longest interval.`;
    case "no-reading":
      return `Test-led: measure ${reason.parameters.map((p) => lower(p)).join(" and ")} first. How much is not known until then.`;
    case "treatment":
      return `${reason.name} works in this water until ${reason.until}. A change now would thin it; put it off to that day.`;
    case "treatment-follow-up":
      return `The change that follows ${reason.name} is due.`;
    case "too-cold":
      return `The water is at ${withUnit("temperature", reason.value, units)}, under the floor of ${showReading("temperature", reason.floor, units)}. Find the heater's fault and bring it up slowly first; the change is put off.`;
    case "ammonia-would-rise":
      return `Do not change water: free ammonia would rise from ${figure(reason.before, 3)} to ${figure(reason.after, 3)} mg/L (act ${figure(reason.limit, 3)}), because the new water is at pH ${figure(reason.ph, 1)}. Bind the ammonia, stop feeding, and use water of the tank's own pH.`;
    case "young":
      return `A young tank, ${reason.phase}: changes are ${figure(reason.times, 1)} times as large until it is steady.`;
    case "ammonia-emergency":
      return `Free ammonia is ${figure(reason.value, 3)} mg/L, above ${figure(reason.limit, 3)}: change now, with air on, and test again tomorrow.`;
    case "retest":
      return `${parameterFacts[reason.parameter].label} ${withUnit(reason.parameter, reason.value, units)} does not fit: about ${showReading(reason.parameter, reason.expected, units)} was expected. Measure it once more; the change waits for it.`;
    case "salinity-in-steps":
      return `Salinity goes from ${showReading("salinity", reason.from, units)} to ${showReading("salinity", reason.today, units)} today and to ${showReading("salinity", reason.target, units)} over ${reason.days} days: faster would harm.`;
  }
}
