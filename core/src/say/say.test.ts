import { describe, expect, test } from "vitest";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { SENTENCES } from "./en.compiled.ts";
import { m, say, sayAll, told } from "./index.ts";

const US: UnitPreference = { ...METRIC, volume: "US gal", length: "in", temperature: "°F" };

describe("a message", () => {
  test("tells its quantities in the units of whoever reads it", () => {
    const drop = m("drain.falls", { drop: { metres: 4 } });
    expect(say(drop, METRIC)).toBe("It falls 4\u00a0m to the drain: it runs fast.");
    expect(say(drop, US)).toBe("It falls 13.1\u00a0ft to the drain: it runs fast.");
  });
  test("counts as English does", () => {
    const skipped = (times: number) => say(m("job.skipped", { times }), METRIC);
    expect([1, 2, 5].map(skipped)).toEqual(["Skipped once.", "Skipped 2 times.", "Skipped 5 times."]);
  });
  test("chooses, lists and nests", () => {
    expect(say(m("tape.title", { on: "sump", line: { cm: 13.7 } }), METRIC)).toBe(
      "Put tape on the return chamber, 13.7\u00a0cm below the rim",
    );
    expect(say(m("power-down.title", { gear: { list: ["top-up", "skimmer"] } }), METRIC)).toBe("Off: top-up, skimmer");
    expect(say(m("animals-out.title", { animals: m("animals.unnamed") }), METRIC)).toBe(
      "Move the animals out under water",
    );
    expect(say(m("source-test.expired", { day: { day: "2026-11-03" } }), METRIC)).toContain("3 November");
  });
  test("of a job stands with the job, and of a firm as the firm wrote it", () => {
    expect(say({ job: "blow-rock", its: "name" }, METRIC)).toMatch(/rock/i);
    expect(say(told("Polish {the} brass"), METRIC)).toBe("Polish {the} brass");
  });
  test("that an earlier core kept in words is told in the reader's units", () => {
    expect(say({ kept: "Pour 97\u00a0L slowly" }, US)).toBe("Pour 25.6\u00a0US gal slowly");
  });
  test("that nobody knows any more says nothing", () => {
    expect(sayAll([{ say: "gone.with.the.tide" }, m("heater-off.title")], METRIC)).toBe("Heater off");
  });
});

test("every sentence of the catalogue is whole: it begins with a capital or a figure and leaves nothing unsaid", () => {
  for (const [code, sentence] of Object.entries(SENTENCES)) {
    const text = sentence(
      () => "7",
      () => 2,
      () => "other",
    );
    expect(text, code).not.toMatch(/undefined|\{|\}| {2}|null/);
    if (/\.(title|reason|craft|caution)$/.test(code)) expect(text, code).toMatch(/^[A-Z0-9]/);
    if (/\.(reason|craft|caution)$/.test(code)) expect(text, code).toMatch(/\.$/);
  }
});
