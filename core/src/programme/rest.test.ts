import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import type { TankBook } from "../tank/index.ts";
import { bookOf } from "../visit/sample.fixture.ts";
import { asksFor, biologyLeft, libraryTask, restLimit, type TankTask, taskName, tasksFor } from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const ON = "2026-11-25";
const NEXT = "2026-12-02";
const units = (...names: string[]): Pick<TankBook, "filterUnits"> => ({
  filterUnits: names.map((name) => ({ name, kind: "biological", biological: true })),
});
const bare = bookOf("community", units("left", "right"));
const rich = bookOf("rift-lake", {
  ...units("left", "right"),
  display: { ...bare.display, substrate: "sand", substrateDepthM: 0.05, rockKg: 40, rockTopM: 0.3 },
});
const at = (book: TankBook, tasks: readonly TankTask[], more: object = {}) =>
  tasksFor(tasks, { on: ON, nextOn: NEXT, ...more }, book);
const codes = (list: readonly { task: TankTask }[]) => list.map((d) => d.task.code);

describe("how strict the four weeks are", () => {
  test("follows from what is left alone: little is strict, plenty is advice", () => {
    expect(biologyLeft(bare, 0)).toEqual({ unit: "left", left: ["right"], strict: true, single: false });
    expect(biologyLeft(rich, 1)).toEqual({
      unit: "right",
      left: ["left", "rock", "the bed"],
      strict: false,
      single: false,
    });
    expect(biologyLeft(bookOf("community", units("only")), 0)).toMatchObject({ left: [], strict: true, single: true });
  });
  test("housings do not count: floss is no unit", () => {
    const floss = bookOf("community", {
      filterUnits: [
        { name: "floss box", kind: "mechanical", biological: true },
        { name: "sponge", kind: "biological", biological: true },
      ],
    });
    expect(biologyLeft(floss, 0)).toMatchObject({ unit: "sponge", single: true });
  });
  test("a tank without a filter of bacteria has no service, and nothing to rest", () => {
    const none = bookOf("community", { filterUnits: [] });
    expect(asksFor(libraryTask("filter-a"), none)).toBe(false);
    expect(restLimit([taskOf("filter-a", ON)], none)).toBeNull();
    expect(biologyLeft(none, 0)).toEqual({ unit: "filter", left: [], strict: true, single: true });
  });
  // Serviced two weeks ago; the other fell due a week ago and has three more days.
  const tasks = [taskOf("filter-a", addDays(ON, -14)), taskOf("filter-b", addDays(ON, -71))];
  test("strict holds a service back however late it gets", () => {
    const { due, held } = at(bare, tasks);
    expect(due).toEqual([]);
    expect(held).toMatchObject([
      { because: "biological-rest", until: addDays(ON, 14), other: "filter-a", strict: true },
    ]);
  });
  test("advice holds it only as long as its window lasts, and says what it goes against", () => {
    expect(at(rich, tasks).due).toMatchObject([{ against: { other: "filter-a", until: addDays(ON, 14) } }]);
    // A week earlier the next visit still lies in its window: it waits.
    const early = [taskOf("filter-a", addDays(ON, -14)), taskOf("filter-b", addDays(ON, -64))];
    expect(at(rich, early).held).toMatchObject([{ strict: false }]);
  });
  test("a reason puts it aside, and is kept with it", () => {
    const { due } = at(bare, tasks, { overridden: { "filter-b": "it is blocked" } });
    expect(due).toMatchObject([{ against: { reason: "it is blocked" } }]);
  });
});

describe("a single filter", () => {
  const only = bookOf("community", {
    ...units("sponge"),
    display: { ...bare.display, substrate: "gravel", substrateDepthM: 0.04 },
  });
  test("is half-cleaned, and says so", () =>
    expect(taskName(taskOf("filter-a", ON), only)).toBe("Clean half of the sponge"));
  test("does not come with a deep clean of the bed", () => {
    const tasks = [taskOf("deep-sector", addDays(ON, -60)), taskOf("sponge-half", addDays(ON, -40))];
    const { due, held } = at(only, tasks);
    expect(codes(due)).toEqual(["deep-sector"]);
    expect(held).toMatchObject([{ because: "not-together", other: "deep-sector" }]);
  });
  test("rests under a medication, as media does", () => {
    const tasks = [
      taskOf("sponge-half", addDays(ON, -40)),
      taskOf("carbon", addDays(ON, -40)),
      taskOf("photo", addDays(ON, -40)),
    ];
    const { due, held } = at(only, tasks, { treatmentUntil: "2026-12-01" });
    expect(codes(due)).toEqual(["photo"]);
    expect(codes(held).sort()).toEqual(["carbon", "sponge-half"]);
  });
});

describe("how far the rule can be kept", () => {
  test("two units come no oftener than every eight weeks each", () => {
    const weekly = { everyDays: 21, giveDays: 7 };
    const tasks = [taskOf("filter-a", ON, weekly), taskOf("filter-b", ON, weekly)];
    expect(restLimit(tasks, bare)).toEqual({ units: ["left", "right"], leastEveryDays: 56, setEveryDays: 21 });
    expect(restLimit([taskOf("filter-a", ON), taskOf("filter-b", ON)], bare)).toBeNull();
    expect(restLimit([taskOf("filter-a", ON, weekly)], bare)).toBeNull();
  });
});

describe("who waits for the next visit", () => {
  // Due four days after this visit and three before the next.
  const soon = taskOf("carbon", addDays(ON, 4 - 28));
  test("a steady tank's job goes to the nearer visit, a drifting one's is done now", () => {
    expect(at(bare, [soon]).due).toEqual([]);
    expect(codes(at(bare, [soon], { drifting: true }).due)).toEqual(["carbon"]);
  });
  test("the owner's jobs are no part of a visit", () =>
    expect(at(bare, [taskOf("owner-feed", "2026-01-01")]).due).toEqual([]));
  test("a job laid on a visit, or put there by somebody, comes there and not before", () => {
    // Due three days after this visit.
    const late = taskOf("pump-soak", addDays(ON, 3 - 90));
    expect(at(bare, [{ ...late, plannedOn: NEXT }]).due).toEqual([]);
    expect(codes(at(bare, [{ ...late, plannedOn: ON }]).due)).toEqual(["pump-soak"]);
    expect(at(bare, [{ ...late, plannedOn: ON, pin: { on: NEXT, by: "Ines" } }]).due).toEqual([]);
  });
});
