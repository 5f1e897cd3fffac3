import type { VisitPlan } from "./planVisit.ts";

type Step = VisitPlan["steps"][number];

/** Characters of JSON that a kept plan usually has at most, and that it has at most ever: what a log takes. */
export const PLAN_SIZE = { usual: 20_000, most: 64_000 } as const;

/** What a step can do without, one after another: how it is done, what it needs, why; last what it warns of. */
const WITHOUT: readonly ((step: Step) => Step)[] = [
  ({ craft: _, ...step }) => step,
  (step) => ({ ...step, kit: [] }),
  (step) => ({ ...step, reason: [] }),
  ({ caution: _, ...step }) => step,
];
/** Only a plan that could not be kept at all loses its cautions and more. */
const AT_ALL = 3;

/**
 * A plan as it is kept in a visit's log: whole where it is small, else without the words that a plan made anew says
 * again. Jobs, minutes, figures and the water are always kept: what was done is read from them.
 */
export function planToKeep(plan: VisitPlan): VisitPlan {
  let kept = plan;
  for (const [i, without] of WITHOUT.entries()) {
    if (planSize(kept) <= (i < AT_ALL ? PLAN_SIZE.usual : PLAN_SIZE.most)) return kept;
    kept = { ...kept, steps: kept.steps.map(without) };
  }
  return planSize(kept) <= PLAN_SIZE.most ? kept : { ...kept, kit: [], steps: kept.steps.map(bare) };
}

/** What is read of a step when its visit is closed, and nothing else. */
function bare({ id, phase, number, title, reason, minutes, kit, task, sector, figure, enters }: Step): Step {
  return {
    id,
    phase,
    number,
    title,
    reason,
    minutes,
    kit,
    ...(task === undefined ? {} : { task }),
    ...(sector === undefined ? {} : { sector }),
    ...(figure === undefined ? {} : { figure }),
    ...(enters === undefined ? {} : { enters }),
  } as Step;
}

export const planSize = (plan: VisitPlan): number => JSON.stringify(plan).length;
