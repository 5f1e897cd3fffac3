import { expect, test } from "vitest";
import { factsOf } from "../given/sample.fixture.ts";
import { libraryTask, type TankTask, type TaskCode } from "./index.ts";
import { codeOfMergeId, mergeId, seldomTasks } from "./yearAhead.ts";

const task = (code: TaskCode, everyDays = libraryTask(code).everyDays): TankTask => ({
  code,
  everyDays,
  giveDays: libraryTask(code).giveDays,
  lastDoneOn: "2026-03-02",
  slips: 0,
  lastSector: 0,
});

test("what comes seldom is merged, what comes with every visit is not", () => {
  const tasks = seldomTasks("t", [task("glass-inside"), task("pump-soak"), task("carbon")], factsOf(), () => 20);
  expect(tasks.map((t) => t.id)).toEqual(["t pump-soak", "t carbon"]);
  expect(codeOfMergeId(mergeId("t", "pump-soak"))).toBe("pump-soak");
});

test("services of bacteria are units that rest, media is told from deep cleans", () => {
  const [a, b, carbon, sump] = seldomTasks(
    "t",
    [task("filter-a"), task("filter-b"), task("carbon"), task("sump-clean")],
    factsOf(),
    (_, job) => job.minutes,
  );
  expect([a?.unit, b?.unit]).toEqual(["unit 0", "unit 1"]);
  expect(carbon).toMatchObject({ kind: "media", minutes: libraryTask("carbon").minutes });
  expect(sump?.kind).toBe("deep-clean");
  expect(carbon?.unit).toBeUndefined();
});

test("a tank's own cadence counts, and its window is never wider than it", () => {
  const [slow] = seldomTasks("t", [{ ...task("glass-inside", 30), giveDays: 40 }], factsOf(), () => 6);
  expect(slow).toMatchObject({ everyDays: 30, giveDays: 30 });
});
