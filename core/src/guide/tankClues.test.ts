import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/civil.ts";
import { factsOf, inputOf, mix, programmeOf, reading, TODAY } from "../given/sample.fixture.ts";
import { say } from "../say/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { answersWith, type ClueCode, rank, settingOf, tankClues } from "./index.ts";

const reef = (change = {}) => factsOf("soft-coral", { gear: ["heater", "return", "wave-maker", "skimmer"], ...change });
const clue = (input: Parameters<typeof tankClues>[0], code: ClueCode) => tankClues(input).find((c) => c.clue === code);
const AMERICAN: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };
const plain = (text: string) => text.replaceAll(/[\u00a0\u202f]/g, " ");
const days = (n: number) => addDays(TODAY, -n);

describe("what the tank's own data say", () => {
  test("a flow that fell by three tenths, since its best day", () => {
    const input = inputOf(reef(), {
      source: mix,
      readings: [
        reading("flow", 2000, 50, days(47)),
        reading("flow", 1950, 50, days(30)),
        reading("flow", 1420, 50, days(1)),
      ],
    });
    const fell = clue(input, "flow-fell");
    expect(fell?.yes).toBe(true);
    expect(say(fell?.says ?? { told: "" }, METRIC)).toBe("Return flow down 29 % since 9 October");
  });
  test("a flow that held speaks against it; one that nobody measured says nothing", () => {
    const held = [reading("flow", 2000, 50, days(47)), reading("flow", 1950, 50, days(1))];
    expect(clue(inputOf(reef(), { source: mix, readings: held }), "flow-fell")?.yes).toBe(false);
    expect(clue(inputOf(reef(), { source: mix, readings: [] }), "flow-fell")).toBeUndefined();
  });
  test("phosphate that rose over six weeks, with both figures", () => {
    const readings = [0.09, 0.09, 0.12, 0.16, 0.16].map((v, i) => reading("phosphate", v, 0.01, days(42 - 10 * i)));
    const rose = clue(inputOf(reef(), { source: mix, readings }), "nutrients-rising");
    expect(rose?.yes).toBe(true);
    expect(plain(say(rose?.says ?? { told: "" }, METRIC))).toBe("Phosphate 0.09 to 0.16 mg/L since 14 October");
    const steady = [0.1, 0.11, 0.1, 0.11].map((v, i) => reading("phosphate", v, 0.01, days(42 - 10 * i)));
    expect(clue(inputOf(reef(), { source: mix, readings: steady }), "nutrients-rising")?.yes).toBe(false);
  });
  test("nutrients at the kit's limit; one of them alone is not none", () => {
    const none = [reading("nitrate", 0.4, 0.5), reading("phosphate", 0.01, 0.01)];
    expect(clue(inputOf(reef(), { source: mix, readings: none }), "nutrients-none")?.yes).toBe(true);
    const some = [reading("nitrate", 22), reading("phosphate", 0.01, 0.01)];
    expect(clue(inputOf(reef(), { source: mix, readings: some }), "nutrients-none")?.yes).toBe(false);
    expect(clue(inputOf(reef(), { source: mix, readings: [] }), "nutrients-none")).toBeUndefined();
  });
  test("age, by the day; a tank that was started on dry rock; in any units", () => {
    const young = inputOf(reef({ startedOn: days(140), startedWith: "dry-rock" }), { source: mix, readings: [] });
    expect([clue(young, "first-weeks")?.yes, clue(young, "young-months")?.yes, clue(young, "dry-rock")?.yes]).toEqual([
      ...[false, true, true],
    ]);
    for (const { says } of tankClues(young)) expect(say(says, AMERICAN)).not.toMatch(/\d (?:L|cm|°C)\b/);
    const first = inputOf(factsOf("community", { startedOn: days(20) }), { readings: [] });
    expect([clue(first, "first-weeks")?.yes, clue(first, "young-filter")?.yes]).toEqual([true, true]);
  });
  test("a warm tank, by today's reading only", () => {
    const facts = factsOf("community", { targetC: 25 });
    expect(clue(inputOf(facts, { readings: [reading("temperature", 29)] }), "water-warm")?.yes).toBe(true);
    expect(
      clue(inputOf(facts, { readings: [reading("temperature", 29, 0.3, days(3))] }), "water-warm"),
    ).toBeUndefined();
    expect(clue(inputOf(facts, { readings: [reading("temperature", 21)] }), "water-cold")?.yes).toBe(true);
  });
  test("filter jobs that were left out, animals that came, light and lid", () => {
    const tasks = programmeOf("marine-fish").map((t) => (t.code === "pump-soak" ? { ...t, slips: 2 } : t));
    const input = {
      ...inputOf(factsOf("marine-fish", { lightsHours: 11, lidded: true }), { source: mix, readings: [], tasks }),
      evidence: { events: [{ kind: "stocking" as const, on: days(9) }], running: [], dirt: [] },
    };
    expect(clue(input, "jobs-slipped")?.yes).toBe(true);
    expect(say(clue(input, "jobs-slipped")?.says ?? { told: "" }, METRIC)).toMatch(/^Left out lately: /);
    expect(clue(input, "new-animals")?.yes).toBe(true);
    expect(clue(input, "long-light")?.yes).toBe(true);
    expect(clue(input, "open-top")?.yes).toBe(false);
  });
  test("what somebody says goes before what is known, and both are ranked together", () => {
    const input = inputOf(reef({ startedOn: "2020-01-01" }), {
      source: mix,
      readings: [
        reading("flow", 2000, 50, days(47)),
        reading("flow", 1420, 50, days(1)),
        reading("nitrate", 22),
        reading("phosphate", 0.16, 0.01),
      ],
    });
    const answers = answersWith(tankClues(input), { "slime-sheets": true, "weak-jet": true, "silt-on-bed": true });
    const [first, ...others] = rank(answers, settingOf(input));
    expect(first).toMatchObject({ trouble: "slime", chance: "likely" });
    expect(first?.pros).toContain("flow-fell");
    const dinos = others.find((r) => r.trouble === "dinoflagellates");
    expect(dinos?.cons).toContain("nutrients-none");
    expect(dinos?.chance).toBe("unlikely");
  });
});
