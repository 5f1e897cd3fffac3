import { expect, test } from "vitest";
import { inputOf } from "../given/sample.fixture.ts";
import { testOf } from "../steps/index.ts";
import { planVisit } from "./planVisit.ts";
import { asPlan } from "./snapshot.ts";

test("a plan that was kept under earlier names asks for the same readings, counts and switches", () => {
  const plan = planVisit(inputOf());
  const earlier = {
    ...plan,
    steps: plan.steps.map(({ enters, confirms, ...step }) => {
      const reading = testOf({ enters: enters ?? [] });
      const noted = enters?.find((e) => "noted" in e && e.noted !== "level");
      return {
        ...step,
        ...(reading ? { test: reading } : {}),
        ...(noted && "noted" in noted ? { result: noted.noted } : {}),
        ...confirms,
      };
    }),
  };
  const read = asPlan(earlier as unknown as typeof plan);
  const asked = ({ steps }: typeof plan) => steps.map((s) => [s.id, testOf(s), s.confirms]);
  expect(asked(read)).toEqual(asked(plan));
  expect(asked(read).filter(([, reading]) => reading).length).toBeGreaterThan(0);
  expect(asked(read).filter(([, , confirms]) => confirms).length).toBeGreaterThan(0);
  const dirty = ({ steps }: typeof plan) =>
    steps.filter((s) => s.enters?.some((e) => "noted" in e && e.noted === "dirt"));
  expect(dirty(read)).toHaveLength(dirty(plan).length);
});
