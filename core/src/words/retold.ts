import type { Step } from "../steps/index.ts";
import { quantityText, type UnitPreference } from "../units/index.ts";
import type { VisitPlan } from "../visit/index.ts";

/** A number with a unit that everything is kept in, as sentences write it. */
const KEPT = /(\d[\d\u202f]*(?:\.\d+)?)[\s\u00a0](L\/min|L|cm|m|kg|°C|ppt|dKH)(?![\p{L}/])/gu;

/** A sentence that was kept in the units of keeping, in a person's own. */
export const retold = (text: string, units: UnitPreference): string =>
  text.replace(KEPT, (_, figure: string, unit: string) =>
    quantityText(Number(figure.replaceAll("\u202f", "")), unit, units),
  );

/** The same of all that a kept plan says in words; its figures are canonical and stay. */
export function retoldPlan(plan: VisitPlan, units: UnitPreference): VisitPlan {
  const say = (text: string) => retold(text, units);
  const step = (s: Step): Step => ({
    ...s,
    title: say(s.title),
    reason: say(s.reason),
    kit: s.kit.map(say),
    ...(s.caution === undefined ? {} : { caution: say(s.caution) }),
    ...(s.craft === undefined ? {} : { craft: say(s.craft) }),
  });
  return { ...plan, steps: plan.steps.map(step), kit: plan.kit.map(say) };
}
