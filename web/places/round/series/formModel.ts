import { addDays, isCivilDate, weekday } from "@keel-round/core/calendar";
import { evenPair, type Nth, type Recurrence, type Rhythm, type Spell } from "@keel-round/core/series";
import { parseNumber } from "@keel-round/core/units";

/** How often, as the form asks it. */
export type HowOften = "weeks" | "twice" | "days" | "month-weekday" | "month-day" | "never";

/** A rhythm as it is typed: every part is kept, whichever is shown. */
export interface TypedRhythm {
  readonly howOften: HowOften;
  /** Weeks or days between visits. */
  readonly every: string;
  readonly weekdays: readonly number[];
  readonly nth: Nth;
  /** A number, or "last". */
  readonly day: string;
}

export interface TypedSpell {
  readonly key: number;
  readonly fromOn: string;
  readonly untilOn: string;
  readonly yearly: boolean;
  readonly why: string;
  readonly rhythm: TypedRhythm;
}

/** Recurring visits as they are typed. */
export interface TypedSeries {
  readonly seriesId: string | null;
  readonly fromOn: string;
  readonly personId: string;
  /** Null: all tanks. */
  readonly tankIds: readonly string[] | null;
  readonly rhythm: TypedRhythm;
  readonly untilOn: string;
  readonly spells: readonly TypedSpell[];
}

const LAST_DAY = "last";

/** A rhythm as the form shows it; `on` fills in what the rhythm does not say. */
export function typedRhythm(rhythm: Rhythm | null, on: string): TypedRhythm {
  const day = weekday(on);
  const base: TypedRhythm = {
    howOften: "never",
    every: "1",
    weekdays: [day],
    nth: 1,
    day: String(Number(on.slice(8))),
  };
  switch (rhythm?.kind) {
    case undefined:
      return base;
    case "weeks":
      return isEven(rhythm)
        ? { ...base, howOften: "twice", weekdays: rhythm.weekdays }
        : { ...base, howOften: "weeks", every: String(rhythm.every), weekdays: rhythm.weekdays };
    case "days":
      return { ...base, howOften: "days", every: String(rhythm.every) };
    case "month-weekday":
      return { ...base, howOften: "month-weekday", nth: rhythm.nth, weekdays: [rhythm.weekday] };
    case "month-day":
      return { ...base, howOften: "month-day", day: rhythm.day === -1 ? LAST_DAY : String(rhythm.day) };
  }
}

/** Whether a weekly rhythm is one of two days as far apart as a week allows. */
function isEven({ every, weekdays }: Extract<Rhythm, { kind: "weeks" }>): boolean {
  return every === 1 && weekdays.length === 2 && weekdays.some((d) => sameDays(evenPair(d), weekdays));
}

const sameDays = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((d) => b.includes(d));

/** The rhythm that is typed; null for none. What cannot be is left as typed, for the server to refuse beside its field. */
export function rhythmTyped({ howOften, every, weekdays, nth, day }: TypedRhythm): Rhythm | null {
  switch (howOften) {
    case "never":
      return null;
    case "weeks":
      return { kind: "weeks", every: numberOf(every), weekdays };
    case "twice":
      return { kind: "weeks", every: 1, weekdays };
    case "days":
      return { kind: "days", every: numberOf(every) };
    case "month-weekday":
      return { kind: "month-weekday", nth, weekday: weekdays[0] ?? 1 };
    case "month-day":
      return { kind: "month-day", day: day === LAST_DAY ? -1 : numberOf(day) };
  }
}

const numberOf = (typed: string): number => parseNumber(typed) ?? Number.NaN;

/** How often it is, chosen anew: the days follow. */
export function chooseHowOften(typed: TypedRhythm, howOften: HowOften): TypedRhythm {
  const first = typed.weekdays[0] ?? 1;
  if (howOften === "twice") return { ...typed, howOften, weekdays: evenPair(first) };
  if (howOften === "month-weekday") return { ...typed, howOften, weekdays: [first] };
  if (howOften === "days") return { ...typed, howOften, every: typed.howOften === "days" ? typed.every : "2" };
  if (howOften === "weeks" && typed.howOften !== "weeks") return { ...typed, howOften, every: "1", weekdays: [first] };
  return { ...typed, howOften };
}

/** A weekday pressed: added, taken out, or the one of its kind. */
export function pressWeekday(typed: TypedRhythm, day: number): TypedRhythm {
  if (typed.howOften === "twice") return { ...typed, weekdays: evenPair(day) };
  if (typed.howOften === "month-weekday") return { ...typed, weekdays: [day] };
  const weekdays = typed.weekdays.includes(day) ? typed.weekdays.filter((d) => d !== day) : [...typed.weekdays, day];
  return { ...typed, weekdays: weekdays.sort((a, b) => a - b) };
}

/** An empty form: weekly from a day on, all tanks. */
export function newSeries(on: string, personId: string): TypedSeries {
  return {
    seriesId: null,
    fromOn: on,
    personId,
    tankIds: null,
    rhythm: { ...typedRhythm(null, on), howOften: "weeks" },
    untilOn: "",
    spells: [],
  };
}

/** A series that is there, to be changed from a day on. */
export function typedSeries(
  line: {
    readonly id: string;
    readonly personId: string;
    readonly tankIds: readonly string[] | null;
    readonly recurrence: Recurrence;
  },
  fromOn: string,
): TypedSeries {
  const { rhythm, untilOn, spells } = line.recurrence;
  return {
    seriesId: line.id,
    fromOn,
    personId: line.personId,
    tankIds: line.tankIds,
    rhythm: typedRhythm(rhythm, fromOn),
    untilOn: untilOn ?? "",
    spells: spells.map((s, key) => ({ ...s, key, rhythm: typedRhythm(s.rhythm, s.fromOn) })),
  };
}

/** A time without visits, two weeks from a day on: what the form begins a pause with. */
export function newSpell(spells: readonly TypedSpell[], on: string): TypedSpell {
  return {
    key: 1 + Math.max(-1, ...spells.map((s) => s.key)),
    fromOn: on,
    untilOn: addDays(on, 13),
    yearly: false,
    why: "",
    rhythm: typedRhythm(null, on),
  };
}

/** What goes to the server; null while a date is still being typed. */
export function inputOf(typed: TypedSeries, siteId: string) {
  const { seriesId, fromOn, personId, tankIds, untilOn } = typed;
  const rhythm = rhythmTyped(typed.rhythm);
  const dates = [fromOn, ...(untilOn ? [untilOn] : []), ...typed.spells.flatMap((s) => [s.fromOn, s.untilOn])];
  if (!rhythm || !dates.every(isCivilDate)) return null;
  const spells = typed.spells.map(
    (s): Spell => ({
      fromOn: s.fromOn,
      untilOn: s.untilOn,
      yearly: s.yearly,
      why: s.why.trim(),
      rhythm: rhythmTyped(s.rhythm),
    }),
  );
  return { siteId, seriesId, fromOn, personId, tankIds, rhythm, untilOn: untilOn || null, spells };
}
