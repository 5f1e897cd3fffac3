import type { TankTask } from "../programme/index.ts";
import { type Condition, standing } from "../readings/index.ts";
import { type Message, m, say, textOf } from "../say/index.ts";
import { type Band, isSalt } from "../tank/index.ts";
import { sentence } from "../text/index.ts";
import { type Parameter, parameterFacts, type UnitPreference } from "../units/index.ts";
import { change, changedL, dosed, jobsDone, leftUndone, seen, type Visited } from "./account.ts";
import { tankCalled } from "./names.ts";
import { headingOf, measuredOf, whySo } from "./opening.ts";
import { ahead, alarm, normalTonight, ownersList, wishes } from "./wishes.ts";
import type { Saying, Wording } from "./wording.ts";

/** One measured value as the owner sees it. */
export interface LetterReading {
  readonly parameter: Parameter;
  readonly label: string;
  readonly value: number;
  readonly shown: string;
  readonly before: number | null;
  readonly band: Band;
  readonly standing: "ideal" | "watch" | "act";
  readonly note: string;
}

/** What the letter says of one tank, in words. */
export interface LetterTank {
  readonly name: string;
  readonly condition: Condition;
  /** The answer: how the tank is. */
  readonly heading: string;
  /** Why, what was done, what was seen. */
  readonly body: readonly string[];
  readonly measured: readonly LetterReading[];
  /** What the owner is asked for, what is normal, what comes next. */
  readonly until: readonly string[];
  /** The owner's own list where it is another than last time, a line a rhythm. */
  readonly list: readonly string[];
}

export interface LetterInput extends Visited {
  readonly condition: Condition;
  /** The reading before this visit's, by parameter, with its civil date. */
  readonly previous: Readonly<Partial<Record<Parameter, { readonly value: number; readonly on: string }>>>;
  /** The programme as it stands after this visit. */
  readonly tasks: readonly TankTask[];
  readonly on: string;
  readonly phone: string;
  /** How sentences come to their words: one for all tanks of a letter. */
  readonly wording: Wording;
}

/** What the letter says of one tank: every claim of it stands in the log. */
export function letterFor(input: LetterInput): LetterTank {
  const { facts, condition, tasks, on, phone, units, wording } = input;
  const measured = measuredRows(input);
  const paragraph = (...sayings: readonly Saying[]): string[] => {
    const words = sayings.flatMap((saying) => wording.of(saying) ?? []);
    return words.length > 0 ? [words.join(" ")] : [];
  };
  const mending = changedL(input) > 0;
  const decides = condition.reason && "parameter" in condition.reason ? condition.reason.parameter : null;
  return {
    name: facts.name,
    condition,
    heading: sentence(say(headingOf(tankCalled(facts.name), condition.state, mending), units)),
    body: [
      ...paragraph(...whySo(condition, facts.bands, measuredOf(measured))),
      ...paragraph(...change(input, decides), ...dosed(input), ...jobsDone(input), ...leftUndone(input)),
      ...paragraph(...seen(input)),
    ],
    measured,
    until: [
      ...paragraph(...wishes(input, condition), ...alarm(condition, facts, phone)),
      ...paragraph(...normalTonight(input), ...ahead(input, condition, tasks, on)),
    ],
    list: ownersList(tasks).flatMap((saying) => wording.of(saying) ?? []),
  };
}

/** What a figure is called at the head of its line: fresh water calls some otherwise. */
function labelOf(parameter: Parameter, salt: boolean, units: UnitPreference): string {
  const fresh = salt ? undefined : parameterFacts[parameter].freshLabel;
  return fresh ?? textOf({ parameter, begins: true }, units);
}

function measuredRows({ facts, state, previous, units }: LetterInput): LetterReading[] {
  return facts.bands.flatMap((band) => {
    const mine = state.readings.filter((r) => r.parameter === band.parameter);
    // The water as it was found; what was read after the change is told beside it.
    const reading = mine.findLast((r) => !r.after) ?? mine.at(-1);
    const after = mine.findLast((r) => r.after);
    if (!reading) return [];
    const where = standing(band, reading.value);
    const side = reading.value > band.idealHigh ? "high" : "other";
    const earlier = previous[band.parameter];
    const parts: readonly (Message | null)[] = [
      m("letter.note", { where: where === "ideal" ? "fine" : where === "watch" ? "little" : "other", side }),
      earlier && where !== "ideal"
        ? m("letter.note.was", { value: { reading: earlier.value, of: band.parameter }, day: { day: earlier.on } })
        : null,
      after && after !== reading
        ? m("letter.note.after", { value: { reading: after.value, of: band.parameter } })
        : null,
    ];
    return {
      parameter: band.parameter,
      label: labelOf(band.parameter, isSalt(facts), units),
      value: reading.value,
      shown: textOf({ reading: reading.value, of: band.parameter }, units),
      before: earlier?.value ?? null,
      band,
      standing: where,
      note: parts.flatMap((part) => (part ? [say(part, units)] : [])).join("; "),
    };
  });
}
