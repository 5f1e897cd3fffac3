import { describe, expect, test } from "vitest";
import { longDate, sayDay } from "../calendar/index.ts";
import { factsOf, inputOf, programmeOf, TODAY } from "../given/sample.fixture.ts";
import { jobOf, performerOf } from "../programme/index.ts";
import type { Condition } from "../readings/index.ts";
import { say } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { METRIC, type Parameter } from "../units/index.ts";
import { type OpBody, planVisit, type VisitOp, visitState } from "../visit/index.ts";
import { closing, greeting, type LetterInput, letterFor, tankCalled, wordingAfter } from "./index.ts";

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
const HIGH_NITRATE: Condition = {
  state: "off",
  reason: { code: "beyond-act", parameter: "nitrate", value: 60, limit: 50, side: "high", retest: false },
  others: [],
};

function letter(bodies: OpBody[], change: Partial<LetterInput> & { readonly before?: string } = {}) {
  const { before = "", ...more } = change;
  const input = inputOf(change.facts ?? factsOf());
  return letterFor({
    facts: input.facts,
    plan: planVisit(input),
    state: visitState(ops({ type: "start" }, ...bodies)),
    condition: STEADY,
    previous: {},
    tasks: programmeOf("community", TODAY),
    on: TODAY,
    phone: "555 0142",
    units: METRIC,
    wording: wordingAfter(before, METRIC),
    ...more,
  });
}
const body = (...given: Parameters<typeof letter>) => letter(...given).body.join(" ");

test("dates are said as people say them", () => {
  expect(longDate("2026-11-25")).toBe("Wednesday 25 November");
  expect(sayDay("2026-02-01")).toBe("1 February");
});

test("a reading that is out of place by less than its kit can tell is not told as right", () => {
  const band = factsOf().bands.find((b) => b.parameter === "nitrate");
  if (!band) throw new Error("No band");
  const told = letter([read("nitrate", String(band.idealHigh + 1), "mg/L")]);
  expect(told.measured[0]?.standing).toBe("watch");
  expect(told.body[0]).toBe(
    "Everything that was measured is where it should be, or so near that one test cannot tell.",
  );
  expect(letter([read("nitrate", String(band.idealHigh - 1), "mg/L")]).body[0]).toBe(
    "Everything that was measured is where it should be.",
  );
});

test("what comes next is told as what will be done, a firm's own job by its name", () => {
  const tasks = programmeOf("community", TODAY).map((t) => ({ ...t, slips: 0, lastDoneOn: TODAY }));
  const [first, second] = tasks.filter((t) => performerOf(t) === "technician");
  if (!first || !second) throw new Error("No jobs");
  const own = { ...second, slips: 1, job: { ...jobOf(second), name: "Filter service, large" } };
  const until = letter([], { tasks: [{ ...first, slips: 1 }, own] }).until.join(" ");
  expect(until).toContain(`One job was put off: next time I will ${inSentence(jobOf(first).name)}.`);
  expect(until).toContain("Still to come, put off before: filter service, large.");
});

describe("a tank and its person", () => {
  test.each([
    ["Waiting room", "the waiting room tank"],
    ["Axolotls", "the axolotl tank"],
    ["Stony reef", "the stony reef"],
    ["Jellies", "the jelly tank"],
    ["Discus", "the discus tank"],
    ["Tall glass", "the tall glass tank"],
    ["Koi pond", "the koi pond"],
  ])("%s is called %s", (name, called) => expect(say(tankCalled(name), METRIC)).toBe(called));
  test.each([
    ["Dr. Ilves", "Dear Dr. Ilves,"],
    ["Josie", "Dear Josie,"],
    ["ياسمين", "Dear ياسمين,"],
    ["Theodora", "Dear Theodora,"],
    ["The house", "Hello,"],
    ["Reception", "Hello,"],
    ["  ", "Hello,"],
  ])("%s is greeted with %s", (contact, greeted) => expect(say(greeting(contact), METRIC)).toBe(greeted));
  test.each([
    [
      { on: "2026-12-05", about: "8:30" },
      "See you on Saturday 5 December, about 8:30. You can call us at 555 0142 at any time.",
    ],
    [{ on: "2026-12-05", about: null }, "See you on Saturday 5 December. You can call us at 555 0142 at any time."],
    [null, "The next visit has no day yet; we will tell you. You can call us at 555 0142 at any time."],
  ])("the close %#", (next, close) => expect(say(closing(next, "555 0142"), METRIC)).toBe(close));
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
  test("what was not measured is no matter, but that nothing was is said", () => {
    expect(body([read("temperature", "25", "°C")])).not.toMatch(/not measured|nothing was measured/i);
    expect(body([])).toContain("Nothing was measured this time.");
  });
  test("a second reading, of the new water, stands beside the first", () => {
    const again = (id: string, text: string) =>
      ({ type: "reading", id, parameter: "nitrate", text, unit: "mg/L", method: "liquid kit" }) as const;
    const { measured } = letter([again("r1", "40"), { type: "tick", step: "refill" }, again("r2", "22")]);
    const nitrate = measured.find((m) => m.parameter === "nitrate");
    expect(nitrate?.shown.replaceAll("\u00a0", " ")).toBe("40.0 mg/L");
    expect(nitrate?.note.replaceAll("\u00a0", " ")).toContain("22.0 mg/L after the change");
  });
});

describe("the answer comes first", () => {
  test.each([
    [STEADY, "The test tank is doing well."],
    [
      { state: "drifting", reason: { code: "slipped-twice", task: "Soak the pump" }, others: [] },
      "The test tank is doing all right, and needs watching.",
    ],
    [
      { state: "unknown", reason: { code: "no-reading", parameter: "nitrate", ageDays: null }, others: [] },
      "We do not know enough yet about the test tank.",
    ],
    [HIGH_NITRATE, "The test tank needs attention."],
  ] as [Condition, string][])("%#", (condition, heading) => expect(letter([], { condition }).heading).toBe(heading));

  test("off course says whether something was done about it, and why it is so", () => {
    const done = letter([{ type: "litres", outL: 50, inL: 50 }], { condition: HIGH_NITRATE });
    expect(done.heading).toBe("The test tank needs attention, and is getting it.");
    expect(done.body[0]).toMatch(
      /^Its nitrate is too high: 60\.0\u00a0mg\/L, where [\d.]+ to [\d.]+ is right\. Nitrate is/,
    );
  });
  test("every reason is a sentence", () => {
    const others: Condition["others"] = [
      { code: "free-ammonia", value: 0.06, limit: 0.02 },
      { code: "will-cross", parameter: "phosphate", limit: 1, inDays: 9.2, perDay: 0.1 },
    ];
    const [why] = letter([], { condition: { ...HIGH_NITRATE, others } }).body;
    expect(why).toContain("There may be up to 0.060 mg/L of free ammonia in it, which harms from 0.020 mg/L on.");
    expect(why).toContain("At the pace of late its phosphate reaches 1.00\u00a0mg/L in about 9 days.");
    const old: Condition = {
      state: "unknown",
      reason: { code: "no-reading", parameter: "ph", ageDays: 40 },
      others: [{ code: "open-finding", text: "cracked pane" }],
    };
    expect(body([], { condition: old })).toContain("Its pH was last measured 40 days ago. Cracked pane.");
  });
});

describe("what was done and seen", () => {
  test("litres with their share, jobs that were ticked, and those left with their reason", () => {
    const told = body([
      { type: "litres", outL: 50, inL: 52 },
      { type: "tick", step: "glass-inside" },
      { type: "skip", step: "prefilter", reason: "no time left" },
    ]);
    expect(told).toContain("I changed 50\u00a0L, 25 % of its water.");
    expect(told).toContain("I cleaned the viewing panes inside.");
    expect(told).toContain("One job waits for the next visit (no time left): rinse the pre-filter.");
  });
  test("a change as planned says what it was for; another one does not", () => {
    const plan = planVisit(inputOf(factsOf()));
    const expected = plan.water.after.find((e) => e.parameter === "nitrate");
    const outL = plan.water.litres.value;
    if (outL > 0 && expected)
      expect(body([{ type: "litres", outL, inL: outL }], { condition: HIGH_NITRATE })).toMatch(
        /so nitrate should be near [\d.]+\u00a0mg\/L by tomorrow/,
      );
    expect(body([{ type: "litres", outL: outL / 3, inL: outL / 3 }], { condition: HIGH_NITRATE })).not.toContain(
      "by tomorrow",
    );
  });
  test("without a change it says why not", () => {
    const treated = factsOf("community", {
      treatment: { name: "Treatment B", startedOn: "2026-11-20", contactDays: 14, followUpOn: "2026-12-04" },
    });
    const made = letter([], { facts: treated });
    expect(made.body.join(" ")).toContain("No water was changed: Treatment B is at work in it until 4 December.");
    expect(made.until.join(" ")).toContain("please add nothing and take nothing out, until 4 December");
    expect(made.until.join(" ")).toContain("The follow-up to Treatment B is on 4 December.");
  });
  test("findings by what became of them, and gear that stayed off", () => {
    const told = body([
      { type: "finding", id: "a", kind: "equipment", text: "Loose clip" },
      { type: "resolve", id: "a", how: "fixed" },
      { type: "finding", id: "b", kind: "equipment", text: "Pump is loud" },
      { type: "resolve", id: "b", how: "carried", on: "2026-12-02" },
      { type: "finding", id: "c", kind: "other", text: "Lamp timer is wrong" },
      { type: "resolve", id: "c", how: "owner" },
      { type: "switch", gear: "heater", state: "left-off", reason: "defective" },
    ]);
    expect(told).toContain("Loose clip: put right on the spot.");
    expect(told).toContain("Pump is loud: I will see to it on 2 December.");
    expect(told).toContain("Lamp timer is wrong: this one is for you to see to.");
    expect(told).toContain("The heater was left off: defective.");
  });
  test("looking is said only where it was ticked, and never as a count", () => {
    expect(body([])).not.toMatch(/look/i);
    expect(body([{ type: "tick", step: "look" }])).toContain("I looked over the animals.");
  });
});

describe("until the next visit", () => {
  const until = (...given: Parameters<typeof letter>) => letter(...given).until.join(" ");
  test("an owner who tops up is told with what and how much; a saltier tank is told why", () => {
    const brackish = factsOf("brackish", { topUp: "owner", evaporationLPerDay: 1.7 });
    const condition: Condition = {
      state: "drifting",
      reason: { code: "outside-ideal", parameter: "salinity", value: 9.6, limit: 9, side: "high" },
      others: [],
    };
    const told = until([], { facts: brackish, condition });
    expect(told).toContain("by about 1.7\u00a0L a day, with fresh water and never salt water");
    expect(told).toContain("Its salinity is climbing: when water is missing, please add only fresh water.");
    expect(told).toContain("Next time I measure its salinity.");
  });
  test("an alarm is raised only with cause", () => {
    expect(until([])).not.toContain("gasps");
    const poisoned: Condition = { state: "off", reason: { code: "free-ammonia", value: 0.1, limit: 0.02 }, others: [] };
    expect(until([], { condition: poisoned })).toContain("gasps at the surface, please call 555 0142 at once");
  });
  test("the owner's own list stands in it, a line a rhythm, and is not told again while it is the same", () => {
    const first = letter([]);
    expect(first.list[0]).toMatch(/^Every day: count the animals/);
    expect(first.body.join(" ")).not.toContain("feed a little");
    expect(letter([], { tasks: [] }).list).toEqual([]);
    expect(letter([], { before: first.list.join("\n") }).list).toEqual([]);
  });
});
