import { describe, expect, test } from "vitest";
import { factsOf } from "../given/sample.fixture.ts";
import { say } from "../say/index.ts";
import { METRIC } from "../units/index.ts";
import { courseCalendar, courseOf, mayBegin, type Remedy, remedyAmount } from "./index.ts";

const algae: Remedy = {
  ...{ id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb01", name: "Algae treatment B", group: "algae", per100L: 10, unit: "mL" },
  ...{ labelPercent: null, bottlePercent: null, doses: 3, everyDays: 2, contactDays: 3, contactMinutes: null },
  ...{ harms: ["shrimp", "snails"], off: ["skimmer", "uv"], carbonOut: true, changeShare: 0.4, followUpDays: 7 },
  prescription: false,
};
const facts = factsOf("community");
const before = { facts, on: "2026-11-25", litresNow: 180 };
const words = (answer: ReturnType<typeof mayBegin>) => (answer.ok ? [] : answer.reasons.map((r) => say(r, METRIC)));

describe("a course", () => {
  test("has its doses for the litres at that moment, what is off until when, and its follow-up", () => {
    const course = courseOf(algae, "2026-11-25", 180);
    expect(course.doses).toEqual([
      { on: "2026-11-25", amount: 18, unit: "mL" },
      { on: "2026-11-27", amount: 18, unit: "mL" },
      { on: "2026-11-29", amount: 18, unit: "mL" },
    ]);
    // Three days after the last dose, and a week after that.
    expect(course).toMatchObject({ contactDays: 7, backOn: "2026-12-02", followUpOn: "2026-12-09", carbonOut: true });
    expect(courseCalendar(course).map((d) => [d.on, d.what])).toEqual([
      ...[
        ["2026-11-25", "dose"],
        ["2026-11-27", "dose"],
        ["2026-11-29", "dose"],
      ],
      ...[
        ["2026-12-02", "back"],
        ["2026-12-09", "follow-up"],
      ],
    ]);
    expect(courseCalendar(course).map((d) => say(d.says, METRIC))).toEqual([
      "Dose 1 of 3: 18 mL of Algae treatment B",
      "Dose 2 of 3: 18 mL of Algae treatment B",
      "Dose 3 of 3: 18 mL of Algae treatment B",
      "Back on and in: skimmer, UV lamp and carbon and resins",
      "Follow-up of Algae treatment B: look, test ammonia, change 40 %",
    ]);
  });
  test("of a stronger bottle takes less: 12 % where the label counts 3 %", () => {
    const peroxide: Remedy = { ...algae, group: "oxidiser", per100L: 25, labelPercent: 3, bottlePercent: 12 };
    expect(remedyAmount(peroxide, 200)).toBeCloseTo(12.5, 9);
    expect(remedyAmount({ ...peroxide, bottlePercent: 3 }, 60)).toBeCloseTo(15, 9);
  });
  test("of a method has no dose and is followed up all the same", () => {
    const dark = courseOf({ ...algae, group: "method", per100L: null, off: [], carbonOut: false }, "2026-11-25", 0);
    expect(dark.doses).toEqual([]);
    expect(courseCalendar(dark).map((d) => d.what)).toEqual(["follow-up"]);
  });
});

describe("whether it may begin", () => {
  test("it may where nothing stands against it, with what to mind", () => {
    const answer = mayBegin(algae, before);
    expect(answer.ok && answer.cares.map((c) => say(c, METRIC))).toContain(
      "The product's label, local law and a vet stand above this.",
    );
  });
  test("not where one lives that it harms: by name", () => {
    const animals = [
      { name: "tetras", count: 12 },
      { name: "bee shrimp", count: 40 },
      { name: "nerite snails", count: 3 },
    ];
    expect(words(mayBegin(algae, { ...before, facts: { ...facts, animals } }))).toEqual([
      "Algae treatment B harms animals of this tank: bee shrimp and nerite snails.",
    ]);
  });
  test("an empty roster is said, not taken for an empty tank", () => {
    const answer = mayBegin(algae, { ...before, facts: { ...facts, animals: [] } });
    expect(answer.ok && answer.cares.map((c) => say(c, METRIC)).join(" ")).toMatch(
      /Nobody has entered the animals of this tank/,
    );
  });
  test("copper never into a sea tank with animals without a backbone, whatever its list says", () => {
    const copper: Remedy = { ...algae, name: "Copper remedy", group: "copper", harms: [] };
    const reef = factsOf("marine-fish", { animals: [{ name: "cleaner shrimp", count: 2 }] });
    expect(words(mayBegin(copper, { ...before, facts: reef }))[0]).toMatch(/copper, which kills/);
    expect(mayBegin(copper, { ...before, facts: factsOf("marine-fish") }).ok).toBe(true);
  });
  test("nothing that needs a prescription", () => {
    expect(words(mayBegin({ ...algae, name: "Antibiotic", prescription: true }, before))).toEqual([
      "Antibiotic needs a prescription: an aquatic vet decides on it. Nothing is planned here.",
    ]);
  });
  test.each([
    ["oxidiser", "acid"],
    ["oxidiser", "dye"],
    ["medication", "medication"],
    ["copper", "algae"],
  ] as const)("no %s while %s runs, nor the other way round", (a, b) => {
    for (const [first, second] of [
      [a, b],
      [b, a],
    ] as const) {
      const treatment = courseOf({ ...algae, name: "The first", group: first }, "2026-11-24", 180);
      expect(words(mayBegin({ ...algae, group: second }, { ...before, facts: { ...facts, treatment } }))[0]).toMatch(
        /^The first runs until/,
      );
    }
  });
  test("nothing beside a course, also no method: a tank keeps one, and the first one's doses would be lost; anything once it is over", () => {
    const treatment = courseOf(algae, "2026-11-24", 180);
    expect(
      mayBegin({ ...algae, group: "method", per100L: null }, { ...before, facts: { ...facts, treatment } }).ok,
    ).toBe(false);
    expect(mayBegin(algae, { ...before, on: "2026-12-30", facts: { ...facts, treatment } }).ok).toBe(true);
  });
  test("no dose into a tank whose litres are not known; a method needs none", () => {
    expect(words(mayBegin(algae, { ...before, litresNow: 0 }))[0]).toMatch(/size of this tank first/);
    expect(mayBegin({ ...algae, group: "method", per100L: null }, { ...before, litresNow: 0 }).ok).toBe(true);
  });
});
