import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { boardOf, ines, MONDAY, nothing, stopOf, tobiah } from "./board.fixture.ts";
import {
  type Board,
  type BoardStop,
  judgeDay,
  judgeMove,
  mondayOf,
  moved,
  oneMoreAt,
  watersOf,
  weekOf,
} from "./index.ts";

const stop = (id: string, change: Partial<BoardStop> = {}) => stopOf(id, { seriesId: null, gapDays: null, ...change });
const board = boardOf;

const [, TUESDAY, WEDNESDAY, THURSDAY, , SATURDAY] = weekOf(MONDAY) as [string, string, string, string, string, string];
const told = (of: Board, ids: string[], personId: string, on: string) => {
  const { refused, breaks } = judgeMove(of, ids, { personId, on });
  return { refused: refused.map((r) => say(r, METRIC)), breaks: breaks.map((b) => say(b, METRIC)) };
};
const free = { refused: [], breaks: [] };

describe("a stop on a day", () => {
  test("that breaks nothing says nothing", () =>
    expect(told(board([stop("a")]), ["a"], "ines", TUESDAY)).toEqual(free));
  test("is refused to somebody who does not do its water", () => {
    const of = board([stop("reef", { needs: ["salt", "drum"] })]);
    expect(told(of, ["reef"], "tobiah", MONDAY)).toEqual({
      refused: ["Tobiah does not do salt water and jellyfish drums."],
      breaks: [],
    });
    expect(told(of, ["reef"], "ines", TUESDAY)).toEqual(free);
  });
  test("is refused where its salt water cannot be carried away", () => {
    const small = { ...tobiah, vanKg: 50 };
    const reef = stop("reef", { carriesSalt: true, load: { ...nothing, wasteL: 200 } });
    const of = board([reef], { people: [ines, small] });
    // 200 L of sea water weigh 205 kg.
    expect(told(of, ["reef"], "tobiah", MONDAY).refused).toEqual([
      "205\u00a0kg of salt water has to be carried away, and the van carries 50\u00a0kg.",
    ]);
  });
  test("may be put on a closed day, a free day or a day away, and says so", () => {
    const open = { from: 480, to: 1020 };
    const of = board([stop("clinic", { windows: { 1: open, 2: open } })], {
      people: [{ ...ines, away: [{ id: "away", fromOn: TUESDAY, untilOn: TUESDAY, why: "ill" }] }],
    });
    expect(told(of, ["clinic"], "ines", TUESDAY).breaks).toEqual(["Ines is away: ill."]);
    expect(told(of, ["clinic"], "ines", SATURDAY).breaks).toEqual([
      "Ines does not work on Saturdays.",
      "Closed on Saturdays.",
    ]);
  });
  test("that ends after its doors close says when they close, or that others take its time", () => {
    const early = (id: string) => stop(id, { windows: { 1: { from: 480, to: 570 }, 2: { from: 480, to: 530 } } });
    const of = board([early("a"), { ...early("b"), on: TUESDAY }]);
    expect(told(of, ["a"], "ines", TUESDAY).breaks).toContain("The work would end after they close at 08:50.");
    expect(told(of, ["b"], "ines", MONDAY).breaks).toContain("No room left in its hours on this day.");
  });
  test("at a site that somebody visits that day", () => {
    const of = board([stop("a"), stop("b", { siteId: "site-a", on: TUESDAY, personId: "tobiah" })]);
    expect(told(of, ["a"], "ines", TUESDAY).breaks).toEqual(["Tobiah goes there on the same day."]);
  });
  test("of a weekly series, too near the visit before or the next one", () => {
    const weekly = stop("a", { seriesId: "s", gapDays: 7 });
    const of = board([weekly], {
      beside: [
        { seriesId: "s", on: "2026-11-23" },
        { seriesId: "s", on: "2026-12-07" },
      ],
    });
    // A third of a week is two days and a bit: nine days after, five before is in order, ten and four is not.
    expect(told(of, ["a"], "ines", WEDNESDAY)).toEqual(free);
    expect(told(of, ["a"], "ines", THURSDAY).breaks).toEqual(["10 days after the visit before, instead of 7."]);
  });
  test("that drifts is not to come later than its day", () => {
    const of = board([stop("a", { condition: "drifting" })]);
    expect(told(of, ["a"], "ines", WEDNESDAY).breaks).toEqual(["2 days late, and a reading drifts."]);
    expect(told(board([stop("a")]), ["a"], "ines", WEDNESDAY)).toEqual(free);
  });
});

describe("a day of the board", () => {
  test("that gets too long or too heavy says by how much, once", () => {
    const long = (id: string) => stop(id, { minutes: 300, load: { ...nothing, purifiedL: 200 } });
    const of = board([long("a"), { ...long("b"), on: TUESDAY }]);
    const { breaks } = told(of, ["b"], "ines", MONDAY);
    // Ten hours of work and the break: 08:00 to 18:30, an hour and a half past five. 400 kg, 300 carried.
    expect(breaks).toEqual([
      "1\u00a0h\u00a030\u00a0min past the end of the day.",
      "100\u00a0kg more than the van carries.",
    ]);
    const after = moved(of, new Map([["b", { personId: "ines", on: MONDAY }]]));
    expect(judgeDay(after, { personId: "ines", on: MONDAY })?.over.map((o) => say(o, METRIC))).toEqual(breaks);
  });
  test("that pushes another stop out of its hours says so", () => {
    const morning = { windows: { 1: { from: 480, to: 545 } } };
    const of = board([stop("steady", morning), stop("drifts", { ...morning, condition: "drifting", on: TUESDAY })]);
    expect(told(of, ["drifts"], "ines", MONDAY).breaks).toEqual(["No room left in its hours on this day."]);
  });
  test("costs what it takes longer than before, on both days", () => {
    const far = stop("far", { lat: 50.1 });
    const of = board([far, stop("near", { on: TUESDAY, lat: 50.1 })]);
    // 11.12 km there and back at a kilometre a minute are saved where both are driven on one day.
    expect(judgeMove(of, ["far"], { personId: "ines", on: TUESDAY }).extraMinutes).toBe(-22);
  });
  test("of somebody who is not there is no day", () =>
    expect(judgeDay(board([]), { personId: "x", on: MONDAY })).toBeNull());
});

describe("several stops at once", () => {
  test("are judged together", () => {
    const of = board([stop("a", { minutes: 300 }), stop("b", { minutes: 300 })]);
    expect(told(of, ["a", "b"], "ines", TUESDAY).breaks).toEqual([
      "1\u00a0h\u00a030\u00a0min past the end of the day.",
    ]);
    expect(judgeMove(of, ["a", "b"], { personId: "ines", on: TUESDAY }).extraMinutes).toBe(0);
  });
});

test("moving never makes or loses a stop, and there and back is as before", () =>
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(5), fc.nat(6), fc.boolean()), { maxLength: 12 }), (moves) => {
      const start = board(Array.from({ length: 6 }, (_, i) => stop(`s${i}`)));
      let now = start;
      for (const [i, day, aside] of moves)
        now = moved(
          now,
          new Map([[`s${i}`, aside ? ("aside" as const) : { personId: "tobiah", on: weekOf(MONDAY)[day] ?? MONDAY }]]),
        );
      expect(now.stops.map((s) => s.id)).toEqual(start.stops.map((s) => s.id));
      const back = moved(now, new Map(start.stops.map((s) => [s.id, { personId: s.personId, on: s.on }])));
      expect(back).toEqual(start);
    }),
  ));

test("the waters of a tank", () => {
  expect(watersOf({ kind: "jellyfish", targetPsu: 34 })).toEqual(["salt", "drum"]);
  expect(watersOf({ kind: "community", targetPsu: 0 })).toEqual(["fresh"]);
});

test("the Monday of a week", () => {
  expect(mondayOf("2026-11-29")).toBe("2026-11-23");
  expect(mondayOf(MONDAY)).toBe(MONDAY);
});

describe("one more visit on a day", () => {
  test("is made by whom it costs least, with what it would break; by nobody who does not do it", () => {
    const of = board([
      stop("clinic", { on: TUESDAY, lat: 50.1, needs: ["fresh"] }),
      stop("his", { personId: "tobiah", lat: 50.1 }),
      stop("hers", { minutes: 480 }),
    ]);
    const clinic = of.stops[0] as BoardStop;
    const [best, second] = oneMoreAt(of, clinic, MONDAY);
    // He is there already: an hour's work, and nothing on the road. She would drive 22 minutes and get home late.
    expect(best).toMatchObject({ to: { personId: "tobiah", on: MONDAY }, breaks: [], extraMinutes: 60 });
    expect(second).toMatchObject({ to: { personId: "ines", on: MONDAY } });
    expect(second?.breaks.length).toBe(1);
    expect(oneMoreAt(of, { ...clinic, needs: ["salt"] }, MONDAY).map((o) => o.to.personId)).toEqual(["ines"]);
  });
  test("says that somebody goes there on the same day anyway", () => {
    const of = board([stop("clinic")]);
    const [best] = oneMoreAt(of, of.stops[0] as BoardStop, MONDAY);
    expect(best?.breaks.map((b) => say(b, METRIC))).toContain("Ines goes there on the same day.");
  });
});
