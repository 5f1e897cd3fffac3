import { describe, expect, test } from "vitest";
import { longDate, sayDay } from "../calendar/index.ts";
import { bookOf, inputOf, programmeOf, TODAY } from "../given/sample.fixture.ts";
import type { Condition } from "../readings/index.ts";
import { METRIC, type Parameter } from "../units/index.ts";
import { type OpBody, planVisit, type VisitOp, visitState } from "../visit/index.ts";
import { type LetterInput, letterFor } from "./index.ts";

const ops = (...bodies: OpBody[]): VisitOp[] =>
  bodies.map((body, i) => ({
    opId: `o${i}`,
    device: "d",
    seq: i + 1,
    at: `${TODAY}T10:${String(i).padStart(2, "0")}:00Z`,
    body,
  }));
const read = (parameter: Parameter, text: string, unit: string): OpBody => ({
  type: "reading",
  id: `r-${parameter}`,
  parameter,
  text,
  unit,
  method: "liquid kit",
});
const STEADY: Condition = { state: "steady", others: [] };

function letter(bodies: OpBody[], change: Partial<LetterInput> = {}) {
  const input = inputOf(change.book ?? bookOf());
  return letterFor({
    book: input.book,
    plan: planVisit(input),
    state: visitState(ops({ type: "start" }, ...bodies)),
    condition: STEADY,
    previous: {},
    tasks: programmeOf("community"),
    on: TODAY,
    next: { on: "2026-12-02", about: "10:05" },
    phone: "555 0142",
    units: METRIC,
    ...change,
  });
}

test("dates are said as people say them", () => {
  expect(longDate("2026-11-25")).toBe("Wednesday 25 November");
  expect(sayDay("2026-02-01")).toBe("1 February");
});

describe("what was measured", () => {
  test("stands against what is right for this tank, with what it was before when it is not well", () => {
    const { measured } = letter([read("nitrate", "38", "mg/L"), read("temperature", "25", "°C")], {
      previous: { nitrate: { value: 24, on: "2026-11-11" } },
    });
    expect(measured.map((m) => [m.label, m.standing])).toEqual([
      ["Temperature", "ideal"],
      ["Nitrate", "watch"],
    ]);
    expect(measured[1]).toMatchObject({
      value: 38,
      before: 24,
      note: "a little high; was 24.0\u00a0mg/L on 11 November",
    });
    expect(measured[0]?.note).toBe("fine for this tank");
  });
  test("the last reading of a parameter counts", () => {
    const { measured } = letter([
      read("nitrate", "80", "mg/L"),
      { type: "reading-back", id: "r-nitrate" },
      read("nitrate", "20", "mg/L"),
    ]);
    expect(measured).toMatchObject([{ value: 20 }]);
  });
  test("what was not measured is said", () => {
    expect(letter([read("temperature", "25", "°C")]).notMeasured).toBe(
      "Not measured in the test tank today: pH, nitrate, nitrite, total ammonia and alkalinity.",
    );
    const all: OpBody[] = [
      read("temperature", "25", "°C"),
      read("ph", "7", ""),
      read("nitrate", "9", "mg/L"),
      read("nitrite", "0", "mg/L"),
      read("ammonia", "0", "mg/L N"),
      read("alkalinity", "5", "dKH"),
    ];
    expect(letter(all).notMeasured).toBeNull();
  });
});

describe("condition as a sentence", () => {
  test.each([
    [STEADY, "Your test tank is steady"],
    [
      { state: "drifting", reason: { code: "slipped-twice", task: "Soak the pump" }, others: [] },
      "Your test tank is drifting a little",
    ],
    [
      { state: "unknown", reason: { code: "no-reading", parameter: "nitrate", ageDays: null }, others: [] },
      "Your test tank is not fully known today",
    ],
  ] as [Condition, string][])("%#", (condition, heading) => expect(letter([], { condition }).heading).toBe(heading));

  test("off course says whether something was done about it", () => {
    const condition: Condition = {
      state: "off",
      reason: { code: "beyond-act", parameter: "nitrate", value: 60, limit: 50, side: "high", retest: false },
      others: [],
    };
    expect(letter([], { condition }).heading).toBe("Your test tank is off course");
    expect(letter([{ type: "litres", outL: 50, inL: 50 }], { condition }).heading).toBe(
      "Your test tank is off course, and being brought back",
    );
    expect(letter([], { condition }).opening[0]).toContain("Nitrate 60.0\u00a0mg/L, above its limit of 50.0");
  });
});

describe("a second reading, of the new water", () => {
  test("stands beside the one before it", () => {
    const read = (id: string, text: string) =>
      ({ type: "reading", id, parameter: "nitrate", text, unit: "mg/L", method: "liquid kit" }) as const;
    const { measured } = letter([
      read("0199b5c6-0000-7000-8000-000000000001", "40"),
      { type: "tick", step: "refill" },
      read("0199b5c6-0000-7000-8000-000000000002", "22"),
    ]);
    const nitrate = measured.find((m) => m.parameter === "nitrate");
    expect(nitrate?.shown.replaceAll("\u00a0", " ")).toBe("40.0 mg/L");
    expect(nitrate?.note.replaceAll("\u00a0", " ")).toContain("22.0 mg/L after the change");
  });
});

describe("what was done, seen and is asked", () => {
  test("litres with their share, jobs that were ticked, and those left with their reason", () => {
    const { done } = letter([
      { type: "litres", outL: 50, inL: 52 },
      { type: "tick", step: "glass-inside" },
      { type: "skip", step: "prefilter", reason: "no time left" },
    ]);
    expect(done[0]).toBe("I changed 50\u00a0L of the test tank, 25 % of its water.");
    expect(done.join(" ")).toContain("I also cleaned the viewing panes inside");
    expect(done.join(" ")).toContain("Left for another time in the test tank: rinse the pre-filter (no time left).");
  });
  test("without a change it says why not", () => {
    const treated = bookOf("community", {
      treatment: { name: "Treatment B", startedOn: "2026-11-20", contactDays: 14, followUpOn: "2026-12-04" },
    });
    const { done, owner, next } = letter([], { book: treated });
    expect(done[0]).toContain(
      "No water was changed in the test tank. Treatment B works in this water until 2026-12-04.",
    );
    expect(owner.join(" ")).toContain("under treatment with Treatment B");
    expect(next.join(" ")).toContain("Friday 4 December");
  });
  test("findings by what became of them, and gear that stayed off", () => {
    const seen: OpBody[] = [
      { type: "finding", id: "a", kind: "equipment", text: "Loose clip" },
      { type: "resolve", id: "a", how: "fixed" },
      { type: "finding", id: "b", kind: "equipment", text: "Pump is loud" },
      { type: "resolve", id: "b", how: "carried", on: "2026-12-02" },
      { type: "finding", id: "c", kind: "other", text: "Lamp timer is wrong" },
      { type: "resolve", id: "c", how: "owner" },
      { type: "switch", gear: "heater", state: "left-off", reason: "defective" },
    ];
    const made = letter(seen);
    expect(made.seen).toEqual([
      "Loose clip in the test tank: put right on the spot.",
      "Pump is loud in the test tank: I will see to it on 2 December.",
      "Lamp timer is wrong in the test tank: this one is for you to see to.",
    ]);
    expect(made.done.join(" ")).toContain("The heater of the test tank was left off because defective.");
  });
  test("the owner's own list stands in it, a line a rhythm, and nothing of it is anybody's at a visit", () => {
    const { between, done } = letter([]);
    expect(between[0]).toMatch(/^Every day, at the test tank: count the animals/);
    expect(between[0]).toContain("feed a little");
    expect(done.join(" ")).not.toContain("feed a little");
    expect(letter([], { tasks: [] }).between).toEqual([]);
  });
  test("an owner who tops up is told with what and how much; a saltier tank is told why", () => {
    const brackish = bookOf("brackish", { topUp: "owner", evaporationLPerDay: 1.7 });
    const condition: Condition = {
      state: "drifting",
      reason: { code: "outside-ideal", parameter: "salinity", value: 9.6, limit: 9, side: "high" },
      others: [],
    };
    const { owner } = letter([], { book: brackish, condition });
    expect(owner.join(" ")).toContain("plain fresh water only, never salt water: about 1.7\u00a0L a day");
    expect(owner.join(" ")).toContain("grows saltier from week to week");
  });
  test("the next visit says what is measured again; none is said too", () => {
    const condition: Condition = {
      state: "drifting",
      reason: { code: "outside-ideal", parameter: "nitrate", value: 36, limit: 30, side: "high" },
      others: [],
    };
    expect(letter([], { condition }).next[0]).toBe(
      "Wednesday 2 December, about 10:05, for the test tank: nitrate again.",
    );
    expect(letter([], { next: null }).next).toEqual(["The next visit to the test tank is not fixed yet."]);
  });
});
