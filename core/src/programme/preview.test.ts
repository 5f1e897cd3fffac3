import { expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { type MergeTask, previewOf, type TankTask, type TaskCode } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const START = "2026-03-02";
const visits = Array.from({ length: 52 }, (_, i) => ({ on: addDays(START, 7 * i), freeMinutes: 60 }));
const task = (code: TaskCode, more: Partial<TankTask> = {}) => taskOf(code, addDays(START, -7), more);
const board = (tasks: readonly MergeTask[] = []) => ({ visits, tasks });

test("a long job rides with the visits it would be laid on, oftener when it is set to come oftener", () => {
  const monthly = previewOf("t", task("carbon"), board());
  // Due 21 days after the first visit, then every four weeks.
  expect(monthly).toMatchObject({ kind: "visits", late: 0 });
  expect(monthly.kind === "visits" && monthly.on.slice(0, 3)).toEqual([21, 49, 77].map((d) => addDays(START, d)));
  const rare = previewOf(
    "t",
    task("carbon", { everyDays: 56, cadence: { by: "time", every: 8, unit: "week" } }),
    board(),
  );
  expect(rare.kind === "visits" && rare.on.length).toBeLessThan(monthly.kind === "visits" ? monthly.on.length : 0);
});

test("it makes room for what already stands there", () => {
  const full: MergeTask = {
    id: "t sump-clean",
    tankId: "t",
    everyDays: 3000,
    giveDays: 0,
    minutes: 60,
    lastDoneOn: addDays(START, 21 - 3000),
    kind: "deep-clean",
  };
  const preview = previewOf("t", task("carbon"), board([full]));
  expect(preview.kind === "visits" && preview.on[0]).not.toBe(addDays(START, 21));
});

test("a weekly job comes with every visit, an owner's so many times, and what waits has no day", () => {
  const weekly = previewOf("t", task("glass-inside"), board());
  expect(weekly.kind === "visits" && weekly.on).toHaveLength(52);
  expect(previewOf("t", task("owner-feed"), board())).toEqual({ kind: "owner", times: 364 });
  expect(previewOf("t", task("pump-flow", { calledOn: null }), board())).toEqual({ kind: "waits" });
});
