import { m, say } from "../say/index.ts";
import type { TroubleCode } from "../trouble/index.ts";
import { enteredText, litresText, quantityText, readingLabel, type UnitPreference } from "../units/index.ts";
import type { Correction, LoggedCount, LoggedDose, VisitState } from "./log.ts";

/** A correction in words: what it is of, what was logged, and what it really was. */
export interface SaidCorrection {
  /** What it is of, for machines: a reading or a note by its id, an amount by its field, a step by its own. */
  readonly key: string;
  readonly what: string;
  readonly was: string;
  readonly now: string;
}

const NOTHING = "not entered";

/**
 * What a correction changed, old and new.
 *
 * @param titleOf What a step is called, by its id.
 */
export function sayCorrection(
  { change, was }: Correction,
  units: UnitPreference,
  titleOf: (step: string) => string,
): SaidCorrection {
  switch (change.type) {
    case "reading": {
      const before = was.readings.find((r) => r.id === change.id);
      return {
        key: change.id,
        what: readingLabel(change.parameter, change.item),
        was: before ? enteredText(before, units) : NOTHING,
        now: enteredText(change, units),
      };
    }
    case "reading-back": {
      const before = was.readings.find((r) => r.id === change.id);
      return {
        key: change.id,
        what: before ? readingLabel(before.parameter, before.item) : "Reading",
        was: before ? enteredText(before, units) : NOTHING,
        now: "not measured",
      };
    }
    case "litres": {
      const of = (litres: number | null | undefined) =>
        litres === null || litres === undefined ? NOTHING : litresText(litres, units);
      const [what, key] =
        change.outL !== undefined
          ? (["Drained", "outL"] as const)
          : change.inL !== undefined
            ? (["Poured", "inL"] as const)
            : (["Topped up", "topUpL"] as const);
      return { key, what, was: of(was.litres?.[key]), now: of(change[key]) };
    }
    case "dose": {
      const before = was.doses.find((d) => d.parameter === change.parameter);
      return {
        key: `dose-${change.parameter}`,
        what: `Dose of ${change.name}`,
        was: before ? doseText(before) : NOTHING,
        now: doseText(change),
      };
    }
    case "level":
      return {
        key: "belowCm",
        what: "Below the fill line",
        was: was.belowMarkCm === null ? NOTHING : quantityText(was.belowMarkCm, "cm", units),
        now: quantityText(change.belowCm, "cm", units),
      };
    case "dirt":
      return {
        key: change.step,
        what: `${titleOf(change.step)}, how dirty`,
        was: was.dirt[change.step] === undefined ? NOTHING : `${was.dirt[change.step]} of 5`,
        now: `${change.dirt} of 5`,
      };
    case "count": {
      const before = was.counts.find((c) => c.animal === change.animal);
      return {
        key: change.animal,
        what: `Count of ${change.name}`,
        was: before ? countText(before) : "not counted",
        now: countText(change),
      };
    }
    case "count-back": {
      const before = was.counts.find((c) => c.animal === change.animal);
      return {
        key: change.animal,
        what: `Count of ${before?.name ?? "animals"}`,
        was: before ? countText(before) : "not counted",
        now: "not counted",
      };
    }
    case "note":
      return { key: change.id ?? "", what: "Note", was: NOTHING, now: change.text };
    case "note-back":
      return {
        key: change.id,
        what: "Note",
        was: was.notes.find((n) => n.id === change.id)?.text ?? NOTHING,
        now: "taken back",
      };
    case "trouble":
      return { key: change.id, what: "Trouble", was: NOTHING, now: nameOf(change.trouble, units) };
    case "trouble-back": {
      const before = was.troubles.find((t) => t.id === change.id);
      return {
        ...{ key: change.id, what: "Trouble", was: before ? nameOf(before.trouble, units) : NOTHING },
        now: "taken back",
      };
    }
    case "treat":
      return { key: change.id, what: "Treatment", was: was.treated?.remedy.name ?? NOTHING, now: change.remedy.name };
    case "treat-back":
      return { key: change.id, what: "Treatment", was: was.treated?.remedy.name ?? NOTHING, now: "not begun" };
    case "tick":
      return { key: change.step, what: titleOf(change.step), was: outcomeOf(was, change.step), now: "done" };
    case "untick":
      return { key: change.step, what: titleOf(change.step), was: outcomeOf(was, change.step), now: "not done" };
    case "skip":
      return {
        key: change.step,
        what: titleOf(change.step),
        was: outcomeOf(was, change.step),
        now: `left out: ${change.reason}`,
      };
  }
}

const nameOf = (trouble: TroubleCode, units: UnitPreference): string => say(m(`trouble.${trouble}`), units);

/** "17.5 g" of a product. */
export const doseText = ({ amount, unit }: Pick<LoggedDose, "amount" | "unit">): string =>
  `${Number(amount.toFixed(2))} ${unit}`;

/** "11 of 12, 1 dead" of a group. */
export const countText = ({ of, seen, dead }: Pick<LoggedCount, "of" | "seen" | "dead">): string =>
  `${seen} of ${of}${dead > 0 ? `, ${dead} dead` : ""}`;

function outcomeOf({ ticked, skipped }: VisitState, step: string): string {
  if (ticked[step] !== undefined) return "done";
  return skipped[step] === undefined ? "not done" : `left out: ${skipped[step]}`;
}
