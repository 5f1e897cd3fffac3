import { expect, test } from "vitest";
import { ownerList, type TankTask, type TaskCode } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const task = (code: TaskCode, more: Partial<TankTask> = {}) => taskOf(code, "2026-11-01", more);

test("the owner's list holds what is theirs, the daily things first, with why and what it needs", () => {
  const list = ownerList([
    task("owner-feed-predators"),
    task("glass-inside"),
    task("owner-count"),
    task("floss", { by: "owner" }),
    task("owner-top-up"),
  ]);
  expect(list.map((g) => g.when)).toEqual(["Every day", "Every 3 days", "Every week"]);
  expect(list[0]?.jobs.map((j) => j.code)).toEqual(["owner-count", "owner-top-up"]);
  expect(list[0]?.jobs[1]).toMatchObject({ needs: ["purified water"] });
  expect(list[0]?.jobs[1]?.caution).toMatch(/never salt water/);
});

test("what waits for a reading is on it only once the reading called for it", () => {
  expect(ownerList([task("extra-change", { calledOn: null })])).toEqual([]);
  expect(ownerList([task("owner-count"), task("extra-change", { calledOn: "2026-11-20" })])[0]?.when).toBe("Now");
});
