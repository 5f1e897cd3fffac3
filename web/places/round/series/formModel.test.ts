import { LAST, type Rhythm, sayRhythm } from "@keel-round/core/series";
import { RhythmSchema } from "@keel-round/core/series/schema";
import { describe, expect, test } from "vitest";
import {
  chooseHowOften,
  inputOf,
  newSeries,
  newSpell,
  pressWeekday,
  rhythmTyped,
  typedRhythm,
  typedSeries,
} from "./formModel";

const SUNDAY = "2026-11-29";
const site = "01a224d0-274d-7243-9858-93ff03fdd3d3";
const ines = "01a224d0-274d-7243-9858-95ade9cbb211";

describe("a rhythm in the form", () => {
  const rhythms: readonly Rhythm[] = [
    { kind: "weeks", every: 2, weekdays: [1, 5] },
    { kind: "weeks", every: 1, weekdays: [1, 4] },
    { kind: "days", every: 3 },
    { kind: "month-weekday", nth: LAST, weekday: 5 },
    { kind: "month-day", day: LAST },
    { kind: "month-day", day: 15 },
  ];
  for (const rhythm of rhythms)
    test(`${sayRhythm(rhythm)} comes out as it went in`, () =>
      expect(rhythmTyped(typedRhythm(rhythm, SUNDAY))).toEqual(rhythm));
  test("none is none", () => expect(rhythmTyped(typedRhythm(null, SUNDAY))).toBeNull());

  test("two days three or four apart are told as twice a week, two neighbours are not", () => {
    expect(typedRhythm({ kind: "weeks", every: 1, weekdays: [3, 7] }, SUNDAY).howOften).toBe("twice");
    expect(typedRhythm({ kind: "weeks", every: 1, weekdays: [3, 4] }, SUNDAY).howOften).toBe("weeks");
    expect(typedRhythm({ kind: "weeks", every: 2, weekdays: [3, 7] }, SUNDAY).howOften).toBe("weeks");
  });

  test("chosen anew, the days follow", () => {
    const weekly = { ...typedRhythm(null, SUNDAY), howOften: "weeks" } as const;
    expect(weekly.weekdays).toEqual([7]);
    const twice = chooseHowOften(weekly, "twice");
    expect(twice.weekdays).toEqual([7, 3]);
    expect(pressWeekday(twice, 1).weekdays).toEqual([1, 4]);
    expect(chooseHowOften(twice, "weeks").weekdays).toEqual([7]);
    expect(chooseHowOften(weekly, "days").every).toBe("2");
    expect(pressWeekday(chooseHowOften(weekly, "month-weekday"), 2).weekdays).toEqual([2]);
    expect(pressWeekday(weekly, 2).weekdays).toEqual([2, 7]);
    expect(pressWeekday(weekly, 7).weekdays).toEqual([]);
  });

  test("what cannot be is left for the server, which says what to enter", () => {
    const typed = { ...typedRhythm(null, SUNDAY), howOften: "weeks" } as const;
    const says = (every: string) => RhythmSchema.safeParse(rhythmTyped({ ...typed, every })).error?.issues[0]?.message;
    expect(says("")).toBe("Enter 1 to 12 weeks.");
    expect(says("0")).toBe("Enter 1 to 12 weeks.");
    expect(says("13")).toBe("Enter 1 to 12 weeks.");
    expect(says("1.5")).toBe("Enter whole weeks.");
    expect(says("two")).toBe("Enter 1 to 12 weeks.");
    expect(says("2")).toBeUndefined();
    const none = RhythmSchema.safeParse(rhythmTyped({ ...typed, weekdays: [] }));
    expect(none.error?.issues[0]?.message).toBe("Choose at least one day of the week.");
  });
});

describe("a series in the form", () => {
  test("begins weekly on its first day, for all tanks", () =>
    expect(inputOf(newSeries(SUNDAY, ines), site)).toEqual({
      siteId: site,
      seriesId: null,
      fromOn: SUNDAY,
      personId: ines,
      tankIds: null,
      rhythm: { kind: "weeks", every: 1, weekdays: [7] },
      untilOn: null,
      spells: [],
    }));

  test("is nothing yet while a date is being typed", () => {
    const typed = newSeries(SUNDAY, ines);
    expect(inputOf({ ...typed, fromOn: "" }, site)).toBeNull();
    expect(inputOf({ ...typed, untilOn: "2026-02-30" }, site)).toBeNull();
    const spell = newSpell([], SUNDAY);
    expect(inputOf({ ...typed, spells: [{ ...spell, untilOn: "" }] }, site)).toBeNull();
  });

  test("that is there is shown with its pauses, and goes back the same", () => {
    const recurrence = {
      rhythm: { kind: "weeks", every: 2, weekdays: [2] } as const,
      startOn: "2026-01-06",
      fromOn: null,
      untilOn: "2027-06-30",
      spells: [{ fromOn: "2026-12-21", untilOn: "2027-01-03", rhythm: null, yearly: true, why: "closed" }],
    };
    const typed = typedSeries({ id: ines, personId: ines, tankIds: [site], recurrence }, "2026-12-08");
    expect(inputOf(typed, site)).toMatchObject({
      seriesId: ines,
      fromOn: "2026-12-08",
      tankIds: [site],
      rhythm: recurrence.rhythm,
      untilOn: "2027-06-30",
      spells: recurrence.spells,
    });
  });

  test("a new pause is two weeks from its day, with a key of its own", () => {
    const first = newSpell([], SUNDAY);
    expect(first).toMatchObject({ fromOn: SUNDAY, untilOn: "2026-12-12", yearly: false });
    expect(newSpell([first], SUNDAY).key).not.toBe(first.key);
  });
});
