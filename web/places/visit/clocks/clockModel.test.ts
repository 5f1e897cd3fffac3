import { describe, expect, test } from "vitest";
import { endsAt, fallenL, rangBetween, readClocks, sayClock } from "./clockModel";

const drain = { id: "v drain", visitId: "v", tank: "Reef", label: "Drain", startedAt: 1_000_000, minutes: 7 };
const after = (seconds: number) => drain.startedAt + seconds * 1000;

describe("a clock", () => {
  test.each([
    [0, "7:00"],
    [1, "6:59"],
    [48, "6:12"],
    [419, "0:01"],
    [419.5, "0:01"],
    [420, "ended"],
    [479, "ended"],
    [480, "ended 1 minute ago"],
    [620, "ended 3 minutes ago"],
  ])("after %d s says %s", (seconds, says) => expect(sayClock(drain, after(seconds))).toBe(says));

  test("rings once: between the last look before its end and the first one at or after it", () => {
    expect(rangBetween(drain, after(418), after(419))).toBe(false);
    expect(rangBetween(drain, after(419), after(420))).toBe(true);
    expect(rangBetween(drain, after(420), after(421))).toBe(false);
    // The phone slept through it: it rings when somebody looks.
    expect(rangBetween(drain, after(10), after(3600))).toBe(true);
    expect(endsAt(drain)).toBe(after(420));
  });

  test.each([
    [-30, 0],
    [0, 0],
    [105, 15],
    [420, 60],
    [9000, 60],
  ])("of a drain of 60 L that takes 7 min has let out, after %d s, %d L", (seconds, litres) =>
    expect(fallenL(drain, after(seconds), 60)).toBeCloseTo(litres, 9),
  );

  test("is read from the device, whatever lies there", () => {
    expect(readClocks(JSON.stringify([drain]))).toEqual([drain]);
    expect(readClocks(null)).toEqual([]);
    expect(readClocks("{half")).toEqual([]);
    expect(readClocks(JSON.stringify({ drain }))).toEqual([]);
    expect(
      readClocks(JSON.stringify([drain, null, { id: 1 }, { ...drain, minutes: 0 }, { ...drain, startedAt: "x" }])),
    ).toEqual([drain]);
  });
});
