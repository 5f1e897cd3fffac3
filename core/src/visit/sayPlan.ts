import { type SaidStep, sayKit, sayStep } from "../steps/index.ts";
import { byText } from "../text/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { VisitPlan } from "./planVisit.ts";

/** A visit's plan in words, for a screen. */
export interface SaidPlan extends Omit<VisitPlan, "steps" | "kit"> {
  readonly steps: readonly SaidStep[];
  /** What to load in the morning and to check back in before leaving. */
  readonly kit: readonly string[];
}

/** A plan's words in somebody's units; its figures are canonical and stay. */
export function sayPlan(plan: VisitPlan, units: UnitPreference): SaidPlan {
  return {
    ...plan,
    steps: plan.steps.map((s) => sayStep(s, units)),
    kit: [...new Set(plan.kit.map((k) => sayKit(k, units)))].sort(byText),
  };
}
