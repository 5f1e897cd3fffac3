import { CORE_VERSION, inputHash, type PlanInput } from "@keel-round/core/given";
import { parameterFacts } from "@keel-round/core/units";
import { planVisit, type VisitOp, type VisitPlan } from "@keel-round/core/visit";
import { v7 } from "uuid";

/** The operations of a whole visit as a technician would leave them: every step ticked, every test read, closed. */
export function walkThrough(
  input: PlanInput,
  startMs: number,
  readingOf: (parameter: string) => number,
): { plan: VisitPlan; ops: VisitOp[] } {
  const plan = planVisit(input);
  const device = "demo-phone";
  const ops: VisitOp[] = [];
  let at = startMs;
  const say = (body: VisitOp["body"], minutes = 0) => {
    at += minutes * 60_000;
    ops.push({ opId: v7(), device, seq: ops.length + 1, at: new Date(at).toISOString(), body });
  };
  say({ type: "start" });
  say({ type: "plan", inputHash: inputHash(input), coreVersion: CORE_VERSION, summary: "plan of the day", plan });
  for (const step of plan.steps) {
    for (const gear of step.off ?? []) say({ type: "switch", gear, state: "off" });
    for (const gear of step.on ?? []) say({ type: "switch", gear, state: "on" });
    if (step.test) {
      const facts = parameterFacts[step.test];
      say({
        type: "reading",
        id: v7(),
        parameter: step.test,
        text: readingOf(step.test).toFixed(facts.units[0]?.decimals ?? 1),
        unit: facts.unit,
        method: facts.methods[0]?.method ?? "",
      });
    }
    if (step.result === "dirt") say({ type: "dirt", step: step.id, dirt: 3 });
    if (step.figure === "refill" || step.id === "exchange")
      say({
        type: "litres",
        outL: plan.water.litres.value,
        inL: Math.round(plan.water.pourL?.value ?? 0),
        ...(plan.water.freshL ? { topUpL: Math.round(plan.water.freshL.value * 10) / 10 } : {}),
      });
    if (step.id === "level") say({ type: "level", belowCm: 0 });
    if (!step.id.startsWith("held:")) say({ type: "tick", step: step.id }, step.minutes);
  }
  for (const f of input.findings) say({ type: "resolve", id: f.id, how: "fixed" });
  say({ type: "close" }, 1);
  return { plan, ops };
}
