import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { factsOf } from "../given/sample.fixture.ts";
import type { TankFacts } from "../tank/index.ts";
import { byText } from "../text/index.ts";
import {
  asksFor,
  biologyLeft,
  codeOfMergeId,
  jobOf,
  libraryTask,
  mergeTasks,
  restLimit,
  seldomTasks,
  type TankTask,
  type TaskCode,
  taskName,
  tasksFor,
} from "./index.ts";
import { taskOf } from "./task.fixture.ts";

const ON = "2026-11-25";
const NEXT = "2026-12-02";
const units = (...names: string[]): Pick<TankFacts, "filterUnits"> => ({
  filterUnits: names.map((name) => ({ name, kind: "biological", biological: true })),
});
const bare = factsOf("community", units("left", "right"));
const rich = factsOf("rift-lake", {
  ...units("left", "right"),
  display: { ...bare.display, substrate: "sand", substrateDepthM: 0.05, rockKg: 40, rockTopM: 0.3 },
});
const at = (facts: TankFacts, tasks: readonly TankTask[], more: object = {}) =>
  tasksFor(tasks, { on: ON, nextOn: NEXT, ...more }, facts);
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
    expect(biologyLeft(factsOf("community", units("only")), 0)).toMatchObject({ left: [], strict: true, single: true });
  });
  test("housings do not count: floss is no unit", () => {
    const floss = factsOf("community", {
      filterUnits: [
        { name: "floss box", kind: "mechanical", biological: true },
        { name: "sponge", kind: "biological", biological: true },
      ],
    });
    expect(biologyLeft(floss, 0)).toMatchObject({ unit: "sponge", single: true });
  });
  test("a tank without a filter of bacteria has no service, and nothing to rest", () => {
    const none = factsOf("community", { filterUnits: [] });
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
  test("advice holds it as well, however late it gets, until a person decides otherwise", () => {
    expect(at(rich, tasks).held).toMatchObject([{ other: "filter-a", until: addDays(ON, 14), strict: false }]);
    const { due } = at(rich, tasks, { overridden: { "filter-b": "it suits today" } });
    expect(due).toMatchObject([{ against: { other: "filter-a", until: addDays(ON, 14), reason: "it suits today" } }]);
  });
  test("a reason puts it aside, and is kept with it", () => {
    const { due } = at(bare, tasks, { overridden: { "filter-b": "it is blocked" } });
    expect(due).toMatchObject([{ against: { reason: "it is blocked" } }]);
  });
});

describe("a single filter", () => {
  const only = factsOf("community", {
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
    expect(codes(at(bare, [soon], { drifting: () => true }).due)).toEqual(["carbon"]);
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

describe("for any programme, whenever it was last done", () => {
  const codes = [
    "filter-a",
    "filter-b",
    "filter-c",
    "bio-media",
    "carbon",
    "deep-sector",
    "sump-clean",
    "photo",
    "test-nitrate",
    "reactor-media",
  ] as const satisfies readonly TaskCode[];
  const anyTasks = fc
    .tuple(
      ...codes.map((code) =>
        fc.record({ ago: fc.integer({ min: 0, max: 500 }), in: fc.boolean(), code: fc.constant(code) }),
      ),
    )
    .map((rows) => rows.filter((r) => r.in).map((r) => taskOf(r.code, addDays(ON, -r.ago))));
  const anyBook = fc
    .record({ units: fc.integer({ min: 0, max: 3 }), rockKg: fc.constantFrom(0, 20, 60), bed: fc.boolean() })
    .map(({ units: n, rockKg, bed }) =>
      factsOf("community", {
        ...units(...["left", "middle", "right"].slice(0, n)),
        display: {
          ...bare.display,
          rockKg,
          rockTopM: 0.3,
          ...(bed ? { substrate: "sand" as const, substrateDepthM: 0.04 } : {}),
        },
      }),
    );
  const unitOf = (code: string) => libraryTask(code as TaskCode).unit;
  const kindOf = (code: string) => libraryTask(code as TaskCode).kind;

  test("no rule is broken by the plan, strict or advice", () => {
    fc.assert(
      fc.property(anyTasks, anyBook, fc.boolean(), (tasks, facts, treated) => {
        const { due, held } = at(facts, tasks, treated ? { treatmentUntil: addDays(ON, 3) } : {});
        for (const d of due) {
          const unit = unitOf(d.task.code);
          if (treated) expect(unit === undefined && kindOf(d.task.code) === undefined, d.task.code).toBe(true);
          if (unit === undefined) continue;
          const close = tasks.filter((t) => {
            const other = unitOf(t.code);
            const on = due.some((x) => x.task === t) ? ON : t.lastDoneOn;
            return (
              other !== undefined &&
              other !== unit &&
              addDays(on, 28) > ON &&
              due.indexOf(d) >= due.findIndex((x) => x.task === t)
            );
          });
          if (close.length === 0) continue;
          expect.unreachable(`${d.task.code} rides within four weeks of ${close[0]?.code}`);
        }
        const deep = due.some((d) => kindOf(d.task.code) === "deep-clean");
        const tender = due.some(
          (d) => kindOf(d.task.code) === "media" || (unitOf(d.task.code) !== undefined && biologyLeft(facts, 0).single),
        );
        expect(deep && tender).toBe(false);
        // What is due is done or told: nothing is lost between the two.
        const told = new Set([...due, ...held].map((x) => x.task.code));
        for (const t of tasks)
          if (addDays(t.lastDoneOn, t.everyDays) < ON && t.everyDays < 400) expect(told.has(t.code), t.code).toBe(true);
      }),
      { numRuns: 300 },
    );
  });
  test("the year promises nothing that its visit then refuses", () => {
    fc.assert(
      fc.property(anyTasks, anyBook, (all, facts) => {
        let tasks: TankTask[] = [...all];
        // Visit after visit, the year laid out anew after each, with all done that was due.
        for (let week = 0; week < 20; week++) {
          const on = addDays(ON, 7 * week);
          const visits = Array.from({ length: 30 }, (_, i) => ({ on: addDays(on, 7 * i), freeMinutes: 75 }));
          const { placements } = mergeTasks(
            visits,
            seldomTasks("tank", tasks, facts, (_, job) => job.minutes),
          );
          const promised = (code: string) =>
            placements.filter((p) => codeOfMergeId(p.taskId) === code).sort((a, b) => byText(a.on, b.on))[0]?.on;
          const laid = tasks.map(({ plannedOn: _, ...t }) => {
            const next = promised(t.code);
            return next ? { ...t, plannedOn: next } : t;
          });
          const { due, held } = tasksFor(laid, { on, nextOn: addDays(on, 7) }, facts);
          for (const h of held) expect(promised(h.task.code), `${h.task.code} on ${on}: ${h.because}`).not.toBe(on);
          const done = new Set(due.map((d) => d.task.code));
          const covered = new Set(due.flatMap((d) => jobOf(d.task).covers ?? []));
          tasks = tasks.map((t) => (done.has(t.code) || covered.has(t.code) ? { ...t, lastDoneOn: on } : t));
        }
      }),
      { numRuns: 60 },
    );
  }, 60_000);
  test("the same programme in another order gives the same visit", () => {
    fc.assert(
      fc.property(anyTasks, anyBook, (tasks, facts) => {
        const [a, b] = [at(facts, tasks), at(facts, [...tasks].reverse())];
        expect(a.due.map((d) => d.task.code)).toEqual(b.due.map((d) => d.task.code));
        expect(a.held.map((d) => d.task.code)).toEqual(b.held.map((d) => d.task.code));
      }),
    );
  });
});
