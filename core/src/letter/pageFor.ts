import { conditionOf, type PlanInput } from "../given/index.ts";
import { type Condition, standing } from "../readings/index.ts";
import { m, say, type Value } from "../say/index.ts";
import { type Band, isSalt } from "../tank/index.ts";
import { sentence } from "../text/index.ts";
import { type Parameter, parameterFacts, showReading, type UnitPreference, unitFor } from "../units/index.ts";
import { tankCalled } from "./names.ts";
import { headingOf, measuredOf, whySo } from "./opening.ts";
import { wordingAfter } from "./wording.ts";

/** The latest reading of a parameter, against what is right for the tank. */
export interface PageReading {
  readonly parameter: Parameter;
  readonly label: string;
  readonly value: number;
  /** Without its unit. */
  readonly shown: string;
  readonly unit: string;
  /** "low, right is 7.6 to 8.8" */
  readonly note: string;
  readonly band: Band;
  readonly standing: "ideal" | "watch" | "act";
  /** Civil date. */
  readonly on: string;
}

/** How a tank is, as its owner reads it on their own page between visits. */
export interface OwnerTank {
  readonly condition: Condition["state"];
  /** The answer. */
  readonly heading: string;
  /** Why. */
  readonly why: string;
  readonly measured: readonly PageReading[];
}

/** The last reading of each parameter that has a band; older than it counts for are left out. */
function latestOf({ readings, facts }: PlanInput, units: UnitPreference): PageReading[] {
  return facts.bands.flatMap((band) => {
    const last = readings.findLast((r) => r.parameter === band.parameter);
    if (!last) return [];
    const its = parameterFacts[band.parameter];
    return [
      {
        parameter: band.parameter,
        label: isSalt(facts) ? its.label : (its.freshLabel ?? its.label),
        value: last.value,
        shown: showReading(band.parameter, last.value, units),
        unit: unitFor(band.parameter, units),
        note: noteOf(band, last.value, units),
        band,
        standing: standing(band, last.value),
        on: last.on,
      },
    ];
  });
}

function noteOf(band: Band, value: number, units: UnitPreference): string {
  const bare = (reading: number): Value => ({ reading, of: band.parameter, bare: true });
  const side = value > band.idealHigh ? "high" : "low";
  const how = standing(band, value) === "ideal" ? "fine" : side;
  const said = { how, low: bare(Math.max(0, band.idealLow)), high: bare(band.idealHigh) };
  return say(band.idealLow > 0 ? m("page.note", said) : m("page.note.to", said), units);
}

/**
 * How a tank is today, for its owner.
 *
 * @param mending Whether the firm works on what is wrong: its last visit changed water or dosed.
 */
export function pageFor(input: PlanInput, mending: boolean, units: UnitPreference): OwnerTank {
  const condition = conditionOf(input);
  const measured = latestOf(input, units);
  const wording = wordingAfter("", units);
  return {
    condition: condition.state,
    heading: sentence(say(headingOf(tankCalled(input.facts.name), condition.state, mending), units)),
    why:
      measured.length === 0
        ? say(m("page.unread"), units)
        : whySo(condition, input.facts.bands, measuredOf(measured))
            .flatMap((saying) => wording.of(saying) ?? [])
            .join(" "),
    measured,
  };
}
