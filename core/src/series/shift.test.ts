import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { type Recurrence, type Rhythm, seriesDates, shiftRhythm } from "./index.ts";

const recurring = (rhythm: Rhythm, startOn: string, change: Partial<Recurrence> = {}): Recurrence => ({
  ...{ rhythm, startOn, fromOn: null, untilOn: null, spells: [] },
  ...change,
});

describe("a rhythm that is shifted", () => {
  test("says its new weekdays, and from when", () => {
    expect(shiftRhythm({ kind: "weeks", every: 1, weekdays: [1, 4] }, 1, "2026-11-30")).toEqual({
      rhythm: { kind: "weeks", every: 1, weekdays: [2, 5] },
      fromOn: "2026-11-30",
    });
    expect(shiftRhythm({ kind: "weeks", every: 2, weekdays: [3] }, -2, "2026-12-02")).toEqual({
      rhythm: { kind: "weeks", every: 2, weekdays: [1] },
      fromOn: "2026-11-30",
    });
  });
  test("of days, months, or over the end of a fortnight's week is not said by a rhythm", () => {
    expect(shiftRhythm({ kind: "month-day", day: 14 }, 1, "2026-12-14")).toBeNull();
    expect(shiftRhythm({ kind: "month-weekday", nth: 2, weekday: 2 }, 1, "2026-12-08")).toBeNull();
    expect(shiftRhythm({ kind: "days", every: 10 }, 1, "2026-12-08")).toBeNull();
    expect(shiftRhythm({ kind: "weeks", every: 2, weekdays: [7] }, 1, "2026-12-06")).toBeNull();
    // The same day and another person is always said.
    expect(shiftRhythm({ kind: "month-day", day: 14 }, 0, "2026-12-14")?.fromOn).toBe("2026-12-14");
  });
  test("gives every later visit exactly so many days on, and none of the old ones", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(1, 2, 3),
        fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 3 }),
        fc.integer({ min: -3, max: 3 }),
        fc.integer({ min: 0, max: 60 }),
        (every, weekdays, days, begins) => {
          const startOn = addDays("2026-09-01", begins);
          const rhythm: Rhythm = { kind: "weeks", every, weekdays: [...weekdays].sort() };
          const old = seriesDates(recurring(rhythm, startOn), startOn, addDays(startOn, 120));
          const [first] = old;
          if (!first) return;
          const shifted = shiftRhythm(rhythm, days, first);
          if (!shifted) return;
          const now = seriesDates(
            recurring(shifted.rhythm, shifted.fromOn),
            shifted.fromOn,
            addDays(startOn, 100),
          ).filter((on) => on >= addDays(first, days));
          const expected = old.map((on) => addDays(on, days)).filter((on) => on <= addDays(startOn, 100));
          expect(now).toEqual(expected);
        },
      ),
      { numRuns: 300 },
    );
  });
});
