import type { SaidStep } from "@keel-round/core/steps";
import { describe, expect, test } from "vitest";
import { handsClock } from "./handsClock";

const step = (id: string, minutes: number, more: Partial<SaidStep> = {}): SaidStep => ({
  id,
  phase: "prepare",
  number: 1,
  title: `Do ${id}`,
  reason: "",
  minutes,
  spread: 0,
  libraryMinutes: minutes,
  timesLogged: 0,
  kit: [],
  ...more,
});
const texts = (steps: readonly SaidStep[]) => handsClock(steps).says.map((s) => s.text.replaceAll("\u00a0", " "));

describe("a visit on the clock", () => {
  test("of no steps has no minutes and one empty row", () => {
    expect(handsClock([])).toMatchObject({ minutes: 0, alone: [], rows: 1, ticks: [0], says: [] });
  });
  test("says what hands wait for, and what an early start saves", () => {
    // 2 min of hands, 30 alone; 10 of glass meanwhile; the pour waits for the other 20.
    const steps = [step("warm", 2, { aloneMinutes: 30, until: ["pour"] }), step("glass", 10), step("pour", 5)];
    expect(handsClock(steps).minutes).toBe(37);
    expect(texts(steps)).toEqual(["Starting early with “do warm” saves 10 min.", "Hands wait 20 min for “do warm”."]);
    expect(handsClock(steps).says.map((s) => s.waits)).toEqual([false, true]);
  });
  test("says what would be saved by having it ready", () => {
    const steps = [step("warm", 2, { aloneMinutes: 30, until: ["pour"], readyBefore: true }), step("pour", 5)];
    expect(texts(steps)).toContain("Done before you come, “do warm” would save 30 min more.");
  });
  test("puts what goes on at the same time on rows of its own, and uses a row again", () => {
    const steps = [
      step("a", 1, { aloneMinutes: 10 }),
      step("b", 1, { aloneMinutes: 10 }),
      step("c", 20),
      step("d", 1, { aloneMinutes: 5 }),
    ];
    const clock = handsClock(steps);
    expect(clock.alone.map((b) => [b.step.id, b.row])).toEqual([
      ["a", 0],
      ["b", 1],
      ["d", 0],
    ]);
    expect(clock.rows).toBe(2);
  });
  test.each([
    [30, 5],
    [60, 10],
    [120, 20],
  ])("of %d minutes is marked every %d", (minutes, every) => {
    const { ticks } = handsClock([step("a", minutes)]);
    expect(ticks[1]).toBe(every);
    expect(ticks.at(-1)).toBeLessThanOrEqual(minutes);
  });
});
