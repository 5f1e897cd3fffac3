import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { kindFacts } from "../tank/index.ts";
import { adaptInterval, dueOn, kindProgramme, learnMinutes, libraryTask, type TankTask, tasksFor } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

/** Two canisters over a bare floor: little else is left alone. */
const facts = {
  kind: "community" as const,
  targetPsu: kindFacts.community.targetPsu,
  display: {
    vessel: { shape: "box" as const, lengthM: 1, widthM: 0.5, heightM: 0.5 },
    runningLevelM: 0.4,
    substrate: "bare" as const,
    substrateDepthM: 0,
    rockKg: 0,
    rockTopM: 0,
  },
  filterUnits: ["left canister", "right canister"].map((name) => ({
    name,
    kind: "biological" as const,
    biological: true,
  })),
};
const dueAt = (tasks: readonly TankTask[], on: string, nextOn: string, treatmentUntil?: string) =>
  tasksFor(tasks, { on, nextOn, treatmentUntil }, facts);
const codes = (list: readonly { task: TankTask }[]) => list.map((d) => d.task.code).sort();

describe("due", () => {
  test("counts from the day done; a skip keeps the old date", () => {
    expect(dueOn(taskOf("glass-inside", "2026-11-18"))).toBe("2026-11-25");
    expect(dueOn(taskOf("glass-inside", "2026-11-18", { slips: 2 }))).toBe("2026-11-25");
  });
  test("a job rides with the visit nearest its date, the earlier on a tie", () => {
    // Due on the 29th; visits on the 25th and 2 December: four days and three, so the later one.
    const later = taskOf("test-ph", "2026-11-15");
    expect(codes(dueAt([later], "2026-11-25", "2026-12-02").due)).toEqual([]);
    // Due on the 28th, 3 and 4 days away: this one. Due in the middle of an even gap: the earlier.
    expect(codes(dueAt([taskOf("test-ph", "2026-11-14")], "2026-11-25", "2026-12-02").due)).toEqual(["test-ph"]);
    expect(codes(dueAt([taskOf("test-ph", "2026-11-14")], "2026-11-25", "2026-12-01").due)).toEqual(["test-ph"]);
  });
  test("what is late rides today, however late", () => {
    expect(dueAt([taskOf("pump-soak", "2026-05-01")], "2026-11-25", "2026-12-02").due[0]?.lateDays).toBe(118);
  });
  test("a job outside its window waits", () =>
    expect(dueAt([taskOf("pump-soak", "2026-10-01")], "2026-11-25", "2026-12-30").due).toEqual([]));
});

describe("two biological filters", () => {
  test("are never serviced within four weeks of each other", () => {
    const tasks = [taskOf("filter-a", "2026-11-12"), taskOf("filter-b", "2026-09-20")];
    const { due, held } = dueAt(tasks, "2026-11-25", "2026-12-02");
    expect(due).toEqual([]);
    expect(held).toMatchObject([{ task: { code: "filter-b" }, because: "biological-rest", until: "2026-12-10" }]);
  });
  test("both due: the later one goes first and the other waits", () => {
    const tasks = [taskOf("filter-a", "2026-09-01"), taskOf("filter-b", "2026-09-10")];
    const { due, held } = dueAt(tasks, "2026-11-25", "2026-12-02");
    expect(codes(due)).toEqual(["filter-a"]);
    expect(held).toMatchObject([{ task: { code: "filter-b" }, until: addDays("2026-11-25", 28) }]);
  });
  test("are left alone under medication", () => {
    const { held } = dueAt([taskOf("sponge-half", "2026-09-01")], "2026-11-25", "2026-12-02", "2026-11-30");
    expect(held).toMatchObject([{ because: "treatment", until: "2026-11-30" }]);
  });
});

describe("what the log teaches", () => {
  test("an interval lengthens after two clean ratings, shortens after one filthy one", () => {
    expect(adaptInterval(30, 30, [{ intervalDays: 30, dirt: 1 }])).toBe(30);
    expect(
      adaptInterval(30, 30, [
        { intervalDays: 30, dirt: 2 },
        { intervalDays: 30, dirt: 1 },
      ]),
    ).toBe(38);
    expect(adaptInterval(30, 30, [{ intervalDays: 30, dirt: 5 }])).toBe(21);
    expect(adaptInterval(30, 30, [{ intervalDays: 30, dirt: 3 }])).toBe(30);
  });
  test("a rating from an interval far off the plan is kept, not used", () =>
    expect(adaptInterval(30, 30, [{ intervalDays: 60, dirt: 5 }])).toBe(30));
  test("stays between half and twice the library's", () => {
    expect(
      adaptInterval(58, 30, [
        { intervalDays: 58, dirt: 1 },
        { intervalDays: 58, dirt: 1 },
      ]),
    ).toBe(60);
    expect(adaptInterval(16, 30, [{ intervalDays: 16, dirt: 5 }])).toBe(15);
  });
  test("minutes move slowly from the library's figure, on a log scale", () => {
    expect(learnMinutes(10, [])).toBeCloseTo(10, 9);
    // (3·ln 10 + ln 20) / 4, by hand: 11.892.
    expect(learnMinutes(10, [20])).toBeCloseTo(11.892, 3);
    expect(learnMinutes(10, Array(40).fill(20))).toBeCloseTo(Math.exp((3 * Math.log(10) + 12 * Math.log(20)) / 15), 9);
  });
});

test("every kind has a programme of jobs that exist", () => {
  for (const [kind, jobs] of Object.entries(kindProgramme)) {
    expect(jobs.length, kind).toBeGreaterThan(6);
    expect(new Set(jobs).size, kind).toBe(jobs.length);
    for (const code of jobs) expect(libraryTask(code).reason.length, code).toBeGreaterThan(10);
  }
});
