import type { WaterPlan } from "../change/index.ts";
import type { Message } from "../say/index.ts";
import type { Step } from "../steps/index.ts";
import type { SwitchGear } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
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

/** What an earlier core told of a step under other names. */
interface OldNames {
  readonly test?: Parameter;
  readonly result?: "dirt" | "count";
  readonly on?: readonly SwitchGear[];
  readonly off?: readonly SwitchGear[];
}

const kept = (text: string): Message => ({ kept: text });

/** A kept step under the names of today. */
function renamed({ test, result, on, off, ...step }: Step & OldNames): Step {
  const confirms = { ...(on ? { on } : {}), ...(off ? { off } : {}) };
  return {
    ...step,
    ...(test ? { enters: [{ reading: test, needed: true }] } : {}),
    ...(result ? { enters: [{ noted: result }] } : {}),
    ...(on || off ? { confirms } : {}),
  };
}

/** A step that was kept in words, as data. */
function asData(step: Step | (Omit<Step, keyof WordedStep> & WordedStep)): Step {
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
    steps: plan.steps.map(asData).map(renamed),
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
