import type { SaidStep } from "@keel-round/core/steps";
import { visitState } from "@keel-round/core/visit";
import { describe, expect, test } from "vitest";
import { isOpenAtOnce, isSettled, openIn, waitsFor } from "./phaseModel";

let seq = 0;
const log = (...bodies: Parameters<typeof visitState>[0][number]["body"][]) =>
  visitState(
    bodies.map((body) => {
      seq += 1;
      return { opId: String(seq), device: "phone", seq, at: "2026-11-29T09:00:00.000Z", body };
    }),
  );
const step = (id: string, more: Partial<SaidStep> = {}) => ({ id, title: id, ...more }) as SaidStep;
const start = { type: "start" } as const;
const nitrate = {
  type: "reading",
  id: "r",
  parameter: "nitrate",
  text: "20",
  unit: "mg/L",
  method: "liquid kit",
} as const;

describe("a step of a phase", () => {
  const test1 = step("test-nitrate", { enters: [{ reading: "nitrate", needed: true }] });
  const drain = step("drain", { figure: "mark", enters: [{ litres: "outL", needed: true }] });
  const on = step("power-up", { confirms: { on: ["filter", "heater"] } });
  test("that reads the level waits for it: at the line is a reading too", () => {
    const level = step("level", { enters: [{ noted: "level" }] });
    expect(waitsFor(level, log(start))).toBe(
      "Enter how far the water stands below its line, or say that it was not measured.",
    );
    expect(waitsFor(level, log(start, { type: "level", belowCm: 0 }))).toBeNull();
  });
  test("that counts waits for a count: who looked has not counted", () => {
    const counting = step("count", { enters: [{ noted: "count" }] });
    expect(waitsFor(counting, log(start))).toBe("Enter a count, or say why nobody counted.");
    const counted = { type: "count", animal: "a", name: "barb", of: 6, seen: 0, dead: 0 } as const;
    expect(waitsFor(counting, log(start, counted))).toBeNull();
  });
  test("waits for its reading, its litres, its switches, and says so", () => {
    const state = log(start);
    expect(waitsFor(step("glass-inside"), state)).toBeNull();
    expect(waitsFor(test1, state)).toBe("Enter a reading first, or say that it was not measured.");
    expect(waitsFor(drain, state)).toBe("Enter what you counted, or tap the planned amount.");
    expect(waitsFor(on, state)).toBe("Switch on filter, heater, or say why it stays off.");
    const done = log(
      start,
      nitrate,
      { type: "litres", outL: 30 },
      { type: "switch", gear: "filter", state: "on" },
      { type: "switch", gear: "heater", state: "left-off", reason: "defective" },
    );
    for (const s of [test1, drain, on]) expect(waitsFor(s, done)).toBeNull();
  });
  test("a pour that was counted says nothing of the drain", () =>
    expect(waitsFor(drain, log(start, { type: "litres", inL: 30 }))).not.toBeNull());
  test("is settled by its tick or its reason; one that a rule holds is only said", () => {
    const state = log(start, { type: "tick", step: "a" }, { type: "skip", step: "b", reason: "no time left" });
    expect(["a", "b", "c"].map((id) => isSettled(state, step(id)))).toEqual([true, true, false]);
    expect(isSettled(state, step("held:x", { held: { code: "x", strict: true } }))).toBe(true);
  });
  test("is ticked with the rest only where it waits for nothing", () => {
    const steps = [step("a"), test1, drain, step("b")];
    const { plain, waiting, empty } = openIn(steps, log(start, { type: "tick", step: "a" }));
    expect(plain.map((s) => s.id)).toEqual(["b"]);
    // Litres hold the part back; a reading that nobody took stays empty.
    expect(waiting.map((s) => s.id)).toEqual(["drain"]);
    expect(empty.map((s) => s.id)).toEqual(["test-nitrate"]);
  });
  test("shows at once what it is worked by", () =>
    expect(
      [step("arrive"), test1, drain, on, step("level", { enters: [{ noted: "level" }] })].map(isOpenAtOnce),
    ).toEqual([false, true, true, true, true]));
});
