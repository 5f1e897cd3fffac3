import { CORE_VERSION, inputHash, type PlanInput } from "@keel-round/core/given";
import { testOf } from "@keel-round/core/steps";
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
    for (const gear of step.confirms?.off ?? []) say({ type: "switch", gear, state: "off" });
    for (const gear of step.confirms?.on ?? []) say({ type: "switch", gear, state: "on" });
    const test = testOf(step);
    if (test) {
      const facts = parameterFacts[test];
      say({
        type: "reading",
        id: v7(),
        parameter: test,
        text: readingOf(test).toFixed(facts.units[0]?.decimals ?? 1),
        unit: facts.unit,
        method: facts.methods[0]?.method ?? "",
      });
    }
    if (step.enters?.some((e) => "noted" in e && e.noted === "dirt")) say({ type: "dirt", step: step.id, dirt: 3 });
    if (step.figure === "refill" || step.id === "exchange")
      say({
        type: "litres",
        outL: plan.water.litres.value,
        inL: Math.round(plan.water.pourL?.value ?? 0),
        ...(plan.water.freshL ? { topUpL: Math.round(plan.water.freshL.value * 10) / 10 } : {}),
      });
    const dose = plan.corrections?.find((c) => c.ok && step.id === `dose-${c.parameter}`);
    if (dose?.ok) {
      const { parameter, product, amount, unit, rise } = dose;
      const given = { product: product.id, name: product.name, amount: amount.value, unit };
      say({ type: "dose", parameter, ...given, perUnit: rise / amount.value });
    }
    if (step.enters?.some((e) => "noted" in e && e.noted === "count"))
      for (const { id, name, count } of input.facts.animals)
        if (id) say({ type: "count", animal: id, name, of: count, seen: count, dead: 0 });
    if (step.id === "level") say({ type: "level", belowCm: 0 });
    if (!step.id.startsWith("held:")) say({ type: "tick", step: step.id }, step.minutes);
  }
  for (const f of input.findings) say({ type: "resolve", id: f.id, how: "fixed" });
  say({ type: "close" }, 1);
  return { plan, ops };
}
