import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { type Message, say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { boardOf, ines, MONDAY, stopOf } from "./board.fixture.ts";
import {
  type Board,
  type BoardStop,
  judgeDay,
  moved,
  placesFor,
  type RefillStop,
  refilled,
  type Settled,
  type Slot,
  seriesMoves,
  settle,
  settleSeeds,
  unmended,
  type Weights,
  weekOf,
  whyMoved,
  whyRefill,
  whyStays,
} from "./index.ts";

const [stop, board] = [stopOf, boardOf];

const days = weekOf(MONDAY);
const [, TUESDAY, WEDNESDAY] = days as [string, string, string];

function settled(of: Board, change: { locked?: string[]; seed?: number; tries?: number } = {}): Settled {
  let last: Settled | null = null;
  for (const told of settle(of, {
    days,
    locked: change.locked ?? [],
    seed: change.seed ?? 1,
    tries: change.tries ?? 1500,
  }))
    last = told;
  return last as Settled;
}

describe("a day that is too heavy for its van", () => {
  /** Six kilometres from base: six minutes on the road. */
  const away = { lat: 50 + 6 / 111.2, lon: 0 };
  const water = (mixL: number, wasteL = 0) => ({ mixL, seaL: 0, purifiedL: 0, wasteL });
  /** Both carry 300 kg; both stops are fixed to Monday: one window a week. */
  const fixed = { windows: { 1: { from: 480, to: 1020 } }, ...away };

  test("goes back to base where that is cheaper than going too heavy", () => {
    const two = board([stop("a", { ...fixed, load: water(200) }), stop("b", { ...fixed, load: water(200) })], {
      people: [ines],
    });
    const told = settled(two, { tries: 200 });
    expect(told.moves.size).toBe(0);
    // 400 L of salt water are 410 kg, 110 too many: at two minutes a kilogram dearer than 12 minutes and a refill.
    expect(told.before.overKg).toBeCloseTo(110, 6);
    expect(told.refills).toHaveLength(1);
    expect(told.refills[0]).toMatchObject({ personId: "ines", on: MONDAY });
    expect(told.after.overKg).toBe(0);
    // Out and home again once more.
    expect(told.after.driveMinutes - told.before.driveMinutes).toBeCloseTo(12, 1);
    const with_ = refilled(moved(two, told.moves), told.refills);
    expect(say(whyRefill(with_, told.refills[0] as RefillStop), METRIC)).toMatch(
      /^Its van carries 205\skg less at once, for 37\smin more\.$/,
    );
  });
  test("goes too heavy where the firm minds that less than the way", () => {
    const two = board([stop("a", { ...fixed, load: water(200) }), stop("b", { ...fixed, load: water(200) })], {
      people: [ines],
      weights: { overKg: 0.1 },
    });
    expect(settled(two, { tries: 200 }).refills).toEqual([]);
  });
  test("is not helped by going back where a single stop is too much, nor where nothing is", () => {
    const one = board([stop("a", { ...fixed, load: water(400) })], { people: [ines] });
    expect(settled(one, { tries: 100 }).refills).toEqual([]);
    const light = board([stop("a", { ...fixed, load: water(100) }), stop("b", { ...fixed, load: water(100) })]);
    expect(settled(light, { tries: 100 }).refills).toEqual([]);
  });
  test("goes back twice where it takes that, and gives its waste away each time", () => {
    const three = board(
      ["a", "b", "c"].map((id) => stop(id, { ...fixed, load: water(0, 250) })),
      { people: [ines] },
    );
    const told = settled(three, { tries: 200 });
    expect(told.before.overKg).toBeCloseTo(750 * 1.025 - 300, 6);
    expect(told.refills).toHaveLength(2);
    expect(told.after.overKg).toBe(0);
  });
  test("that goes back already after a stop, as was agreed, is not sent there again", () => {
    const agreed = board(
      [stop("a", { ...fixed, load: water(200), refillAfter: true }), stop("b", { ...fixed, load: water(200) })],
      { people: [ines] },
    );
    const told = settled(agreed, { tries: 100 });
    expect(told.before.overKg).toBe(0);
    expect(told.refills).toEqual([]);
  });
});

describe("where a stop may be put", () => {
  test("within a third of its rhythm, on days when its site is open and somebody who does it works", () => {
    const open = { from: 480, to: 1020 };
    const s = stop("reef", { on: WEDNESDAY, needs: ["salt"], windows: { 1: open, 3: open, 5: open } });
    // Two days either way of a Wednesday; Tobiah does no salt water.
    expect(placesFor(board([s]), s, days)).toEqual([
      { personId: "ines", on: MONDAY },
      { personId: "ines", on: WEDNESDAY },
      { personId: "ines", on: days[4] },
    ]);
  });
  test("not later than its day where a reading drifts, and nowhere once it has begun", () => {
    const s = stop("a", { on: WEDNESDAY, condition: "drifting" });
    expect(placesFor(board([s]), s, days).every((p) => p.on <= WEDNESDAY)).toBe(true);
    expect(placesFor(board([s]), { ...s, begun: true }, days)).toEqual([]);
  });
  test("not on a day without a tide where it takes sea water", () => {
    const s = stop("shore", { on: WEDNESDAY, load: { mixL: 0, seaL: 90, purifiedL: 0, wasteL: 0 } });
    const place = {
      ...{ name: "quay", lat: 50, lon: 0, pumpLPerMin: 20, setUpMinutes: 10, earliestMinute: 300, readyMinutes: 40 },
      windowsOn: { [TUESDAY]: [{ from: 500, to: 700, highAt: 600, highM: 4 }] },
    };
    expect(new Set(placesFor(board([s], { quay: place }), s, days).map((p) => p.on))).toEqual(new Set([TUESDAY]));
  });
  test("not with somebody who is away", () => {
    const s = stop("a");
    const away = [{ id: "away", fromOn: TUESDAY, untilOn: TUESDAY, why: "ill" }];
    const of = board([s], { people: [{ ...ines, away }] });
    expect(placesFor(of, s, days).map((p) => p.on)).not.toContain(TUESDAY);
  });
});

describe("a settled round", () => {
  /** Ten hours on Monday, nothing else all week. */
  const heavy = board(Array.from({ length: 10 }, (_, i) => stop(`s${i}`)));

  test("spreads a day that is too long, and counts what it was and is", () => {
    const { moves, before, after } = settled(heavy);
    // Ten hours and a break, 08:00 to 18:30: an hour and a half past five.
    expect(before.overtimeMinutes).toBeCloseTo(90, 6);
    expect(after.overtimeMinutes).toBe(0);
    expect(moves.size).toBeGreaterThan(0);
    expect(moves.size).toBeLessThan(6);
    const now = moved(heavy, moves);
    for (const person of heavy.people)
      for (const on of days) expect(judgeDay(now, { personId: person.id, on })?.over ?? []).toEqual([]);
  });
  test("is the same for the same seed", () => {
    expect([...settled(heavy, { seed: 7 }).moves]).toEqual([...settled(heavy, { seed: 7 }).moves]);
  });
  test("moves nothing that is locked, and never breaks what nobody may break", () => {
    const locked = heavy.stops.map((s) => s.id);
    expect(settled(heavy, { locked }).moves.size).toBe(0);
    const salt = board(heavy.stops.map((s) => ({ ...s, needs: ["salt" as const] })));
    for (const slot of settled(salt).moves.values()) expect(slot.personId).toBe("ines");
  });
  test("leaves a good round alone", () => {
    const good = board([stop("a"), stop("b", { on: TUESDAY }), stop("c", { on: WEDNESDAY })]);
    expect(settled(good).moves.size).toBe(0);
  });
  test("gives a stop that does not fit into its hours another day", () => {
    const morning = { 1: { from: 480, to: 545 }, 2: { from: 480, to: 545 } };
    const two = board([stop("a", { windows: morning }), stop("b", { windows: morning })]);
    const { before, after, moves } = settled(two);
    expect([before.leftOut, after.leftOut]).toEqual([1, 0]);
    const [[id, slot]] = [...moves] as [[string, Slot]];
    // Another day, or the other person at the same hour: either way it is said what was gained.
    expect(say(whyMoved(moved(two, moves), id, { personId: "ines", on: MONDAY }), METRIC)).toBe(
      "It had no room in its hours on Monday.",
    );
    expect(slot).not.toEqual({ personId: "ines", on: MONDAY });
  });
  test("keeps its distance to the visits around it", () => {
    const near = board([...heavy.stops], {
      beside: heavy.stops.map((s) => ({ seriesId: s.seriesId ?? "", on: "2026-12-07" })),
    });
    for (const slot of settled(near).moves.values()) expect(slot.on <= WEDNESDAY).toBe(true);
  });
  test("may be ended at any time: what it has told is a round", () => {
    const run = settle(heavy, { days, locked: [], seed: 3, tries: 1000 });
    const first = run.next().value as Settled;
    expect(first.tried).toBeGreaterThan(0);
    const now = moved(heavy, first.moves);
    expect(now.stops.length).toBe(heavy.stops.length);
  });
  test("of nothing is nothing", () => expect(settled(board([])).moves.size).toBe(0));
});

describe("the reasons", () => {
  test("a day that ends earlier", () => {
    const long = board([stop("a", { minutes: 300 }), stop("b", { minutes: 300 })]);
    const now = moved(long, new Map([["b", { personId: "ines", on: TUESDAY }]]));
    expect(say(whyMoved(now, "b", { personId: "ines", on: MONDAY }), METRIC)).toBe(
      "Monday ends 1\u00a0h\u00a030\u00a0min earlier.",
    );
  });
  test("less on the road", () => {
    const of = board([stop("far", { lat: 50.1 }), stop("near", { lat: 50.1, on: TUESDAY })]);
    const now = moved(of, new Map([["far", { personId: "ines", on: TUESDAY }]]));
    // There and back are 22 minutes at a kilometre a minute.
    expect(say(whyMoved(now, "far", { personId: "ines", on: MONDAY }), METRIC)).toBe("22\u00a0min less on the road.");
  });
  test("why one stays: it drifts, has begun, or is bound to its day", () => {
    const told = (s: BoardStop) => say(whyStays(board([s]), s.id, days), METRIC);
    expect(told(stop("a", { condition: "drifting", needs: ["salt"] }))).toBe("It drifts and must not slip.");
    expect(told(stop("a", { begun: true }))).toBe("Begun already.");
    expect(told(stop("a", { gapDays: 2, needs: ["salt"] }))).toBe(
      "Any other day is too near another of its visits, or too far.",
    );
    expect(told(stop("a", { windows: { 1: { from: 480, to: 530 } } }))).toBe(
      "The work takes longer than they are open.",
    );
    expect(told(stop("a"))).toBe("Every other day or person costs more.");
  });
  test("one visit with more water than the van carries is named as such, and so is the heaviest of a day", () => {
    const water = (mixL: number) => ({ mixL, seaL: 0, purifiedL: 0, wasteL: 0 });
    const alone = board([stop("reef", { load: water(400) })]);
    const [only] = unmended(alone, days);
    expect(only?.name).toBe("reef");
    // 400 L of sea water of 1.023 kg/L and more than Ines's van of 300 kg.
    expect(say(only?.says as Message, METRIC)).toMatch(
      /^Its water alone is 4\d\d\skg, and the van carries 300\skg: mix it on site, or split the change\.$/,
    );
    const two = board([
      stop("small", { load: water(60), windows: { 1: { from: 480, to: 1020 } } }),
      stop("large", { load: water(270), windows: { 1: { from: 480, to: 1020 } } }),
    ]);
    expect(unmended(two, days).map((u) => u.name)).toEqual(["large"]);
    expect(unmended(board([stop("light", { load: water(60) })]), days)).toEqual([]);
  });
});

describe("a series as a whole", () => {
  const cycle = [0, 7, 14, 21].flatMap((offset) => weekOf(addDays(MONDAY, offset)));
  /** Four Mondays of one site, with a long stop of others beside them. */
  const crowded = () =>
    board(
      [0, 7, 14, 21].flatMap((offset) => {
        const on = addDays(MONDAY, offset);
        return [
          stop(`house ${offset}`, { on, originalOn: on, seriesId: "house", siteId: "house", minutes: 240, lat: 50.02 }),
          stop(`hotel ${offset}`, {
            on,
            originalOn: on,
            seriesId: "hotel",
            siteId: "hotel",
            minutes: 400,
            needs: ["salt"],
          }),
        ];
      }),
    );
  const best = (of: Board, weights?: Partial<Weights>): Settled => {
    let last: Settled | null = null;
    const settling = { days: cycle, locked: [], tries: 600, seeds: [1, 2] };
    for (const told of settleSeeds({ ...of, weights: weights ?? null }, settling)) last = told;
    return last as Settled;
  };

  test("goes to one other day or person, every visit alike, and is told as one", () => {
    const { moves, after, before } = best(crowded());
    expect(before.overtimeMinutes).toBeGreaterThan(0);
    expect(after.overtimeMinutes).toBe(0);
    const series = seriesMoves(crowded(), moves, cycle);
    expect(series.length).toBeGreaterThan(0);
    for (const s of series) expect(s.stopIds).toHaveLength(4);
  });
  test("of which one visit goes another way is none", () => {
    const of = crowded();
    const all = new Map([0, 7, 14, 21].map((o) => [`house ${o}`, { personId: "tobiah", on: addDays(MONDAY, o) }]));
    expect(seriesMoves(of, all, cycle)).toMatchObject([
      { seriesId: "house", shiftDays: 0, personId: "tobiah", firstOn: MONDAY },
    ]);
    all.set("house 14", { personId: "tobiah", on: addDays(MONDAY, 15) });
    expect(seriesMoves(of, all, cycle)).toEqual([]);
    all.delete("house 14");
    expect(seriesMoves(of, all, cycle)).toEqual([]);
  });
  test("stays where moving weighs more than all it would gain: the weights are the firm's", () => {
    expect(best(crowded(), { moved: 1000, overtime: 0, uneven: 0 }).moves.size).toBe(0);
  });
  test("a stop that is locked stays, whoever settles", () => {
    const of = crowded();
    const locked = { ...of, stops: of.stops.map((s) => ({ ...s, locked: s.seriesId === "house" })) };
    expect([...best(locked).moves.keys()].filter((id) => id.startsWith("house"))).toEqual([]);
  });
  test("driving never falls below the bound, of several seeds the best is kept, and told in order", () => {
    const of = crowded();
    const told = [...settleSeeds(of, { days: cycle, locked: [], tries: 40, seeds: [1, 2, 3, 4] })];
    expect(told.map((t) => t.tried)).toEqual([...told.map((t) => t.tried)].sort((a, b) => a - b));
    told.slice(1).forEach((t, i) => {
      expect(t.cost).toBeLessThanOrEqual((told[i]?.cost ?? 0) + 1e-6);
    });
    const last = told.at(-1) as Settled;
    expect(last.after.driveMinutes).toBeGreaterThanOrEqual(last.driveAtLeast - 1e-6);
    expect(last.before.driveMinutes).toBeGreaterThanOrEqual(last.driveAtLeast - 1e-6);
    expect(last.driveAtLeast).toBeGreaterThan(0);
    for (const seed of [1, 2, 3, 4]) {
      const alone = [...settle(of, { days: cycle, locked: [], tries: 40, seed })].at(-1) as Settled;
      expect(last.cost).toBeLessThanOrEqual(alone.cost + 1e-6);
    }
  });
});
