import fc from "fast-check";
import { expect, test } from "vitest";
import { inputOf } from "../given/sample.fixture.ts";
import { told } from "../say/index.ts";
import { anyVisit } from "./carriedOut/anyTank.fixture.ts";
import { PLAN_SIZE, planSize, planToKeep } from "./planToKeep.ts";
import { planVisit, type VisitPlan } from "./planVisit.ts";
import { PlanShapeSchema } from "./schema.ts";

/** What is read of a plan when its visit is closed. */
const read = ({ steps, water, minutes, load }: VisitPlan) => ({
  steps: steps.map(({ id, phase, task, sector, minutes: of }) => ({ id, phase, task, sector, of })),
  water,
  minutes,
  load,
});

test("of whatever tank a plan is kept in its size with every job, figure and litre of it", () => {
  const sizes: number[] = [];
  fc.assert(
    fc.property(anyVisit, (input) => {
      const plan = planVisit(input);
      const kept = planToKeep(plan);
      sizes.push(planSize(kept));
      expect(read(kept)).toEqual(read(plan));
      expect(planSize(kept)).toBeLessThanOrEqual(PLAN_SIZE.most);
      expect(PlanShapeSchema.safeParse(kept).success).toBe(true);
      if (planSize(plan) <= PLAN_SIZE.usual) expect(kept).toBe(plan);
    }),
    { numRuns: 400, seed: 20_000 },
  );
  const small = sizes.filter((n) => n <= PLAN_SIZE.usual).length;
  expect(small / sizes.length).toBeGreaterThanOrEqual(0.95);
});

test("a plan of any number of jobs is kept with all of them", () => {
  const plan = planVisit(inputOf());
  const [first] = plan.steps;
  if (!first) throw new Error("no step");
  const steps = Array.from({ length: 200 }, (_, i) => ({
    ...first,
    id: `job-${i}`,
    task: `job-${i}`,
    title: told("Clean it ".repeat(10)),
    reason: [told("Since it is due ".repeat(20))],
    caution: [told("Gloves ".repeat(40))],
    craft: [told("Slowly ".repeat(60))],
  }));
  const large = { ...plan, steps } as VisitPlan;
  expect(planSize(large)).toBeGreaterThan(PLAN_SIZE.most);
  const kept = planToKeep(large);
  expect(planSize(kept)).toBeLessThanOrEqual(PLAN_SIZE.most);
  expect(kept.steps.map((s) => s.task)).toEqual(steps.map((s) => s.task));
});
