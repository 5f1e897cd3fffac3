import type { WaterPlan } from "../change/index.ts";
import type { Message } from "../say/index.ts";
import type { Step } from "../steps/index.ts";
import type { VisitPlan } from "./planVisit.ts";

/** What the first plans did not say of their water. */
const FIRST: Pick<
  WaterPlan,
  | "tapeCm"
  | "topUpC"
  | "conditionerParts"
  | "topUpConditionerMl"
  | "checks"
  | "leftLowL"
  | "leftLowCm"
  | "exposed"
  | "wettingMinutes"
  | "bedL"
  | "pumpsOnL"
  | "runBack"
  | "auto"
> = {
  tapeCm: null,
  topUpC: 0,
  conditionerParts: [],
  topUpConditionerMl: null,
  checks: [],
  leftLowL: 0,
  leftLowCm: 0,
  exposed: [],
  wettingMinutes: 0,
  bedL: 0,
  pumpsOnL: 0,
  runBack: null,
  auto: null,
};

/** A step as the first plans kept it: in words. */
interface WordedStep {
  readonly title: string;
  readonly reason: string;
  readonly craft?: string;
  readonly caution?: string;
  readonly kit: readonly string[];
}

const kept = (text: string): Message => ({ kept: text });

/** A step that was kept in words, as data. */
function asStep(step: Step | (Omit<Step, keyof WordedStep> & WordedStep)): Step {
  if (typeof step.title !== "string") return step as Step;
  const { title, reason, craft, caution, kit, ...rest } = step as Omit<Step, keyof WordedStep> & WordedStep;
  return {
    ...rest,
    title: kept(title),
    reason: reason ? [kept(reason)] : [],
    ...(craft ? { craft: [kept(craft)] } : {}),
    ...(caution ? { caution: [kept(caution)] } : {}),
    kit: kit.map((item) => ({ item })),
  };
}

/** A kept plan as today's plans are: one made by an earlier core is given what it did not say, and its words as they were. */
export function asPlan(plan: VisitPlan): VisitPlan {
  const { water } = plan;
  const told = {
    ...plan,
    steps: plan.steps.map(asStep),
    kit: plan.kit.map((k) => (typeof k === "string" ? { item: k } : k)),
  };
  if (water.exposed !== undefined) return told;
  return {
    ...told,
    water: {
      ...FIRST,
      ...water,
      pourL: water.saltWaterL ?? (water.litres.value > 0 ? water.litres : null),
      missing: { litres: water.missingL, sigmaL: 0, basis: "none" },
      restMinutes: water.drainMinutes,
    },
  };
}
