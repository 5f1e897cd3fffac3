import { isCivilDate } from "@keel-round/core/calendar";
import { METRIC, quantityText } from "@keel-round/core/units";
import { planVisit, sayPlan } from "@keel-round/core/visit";
import { limitSentence, waterSentence } from "@keel-round/core/words";
import { catalogue, type Worked } from "@keel-round/core/worked";
import { and, eq, like, or } from "drizzle-orm";
import { db } from "@/data/database/connection";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { site, tank } from "@/data/schema";

const [name = "", date = new Date().toISOString().slice(0, 10)] = process.argv.slice(2);

/** A figure with what it was worked out from. */
function workings(label: string, figure: Worked | null | undefined): string[] {
  if (!figure) return [];
  const { low, high } = figure.range ?? {};
  const range = low === undefined || high === undefined ? "" : `  (${low.toFixed(2)} to ${high.toFixed(2)})`;
  const inputs = Object.entries(figure.inputs).map(
    ([key, of]) => `      ${key}: ${typeof of === "string" ? of : quantityText(of.value, of.unit)}`,
  );
  return [
    `  ${label}: ${quantityText(figure.value, figure.unit)}${range}`,
    `    ${catalogue[figure.formula].words}`,
    ...inputs,
  ];
}

if (!name || !isCivilDate(date)) {
  console.error('Say which tank, and on which day: npm run plan -- "reef" 2026-12-01');
  process.exit(1);
}
const rows = await db()
  .select({ id: tank.id, name: tank.name, businessId: tank.businessId })
  .from(tank)
  .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
  .where(or(like(tank.name, `%${name}%`), like(site.name, `%${name}%`), like(tank.id, `${name}%`)));
const [row] = rows;
if (!row) {
  console.error(`No tank is called ${name}.`);
  process.exit(1);
}
if (rows.length > 1) console.log(`${rows.length} tanks are called so; this is the first.`);
const input = (await loadPlanInputs(db(), row.businessId, [{ visitId: row.id, tankId: row.id, on: date }])).get(row.id);
if (!input) throw new Error(`${row.name} cannot be planned.`);
const plan = sayPlan(planVisit(input), METRIC);
const { water } = plan;
console.log(
  [
    `${row.name}, ${date}: ${water.decision}, ${Math.round(plan.minutes)} min, usually done within ${Math.round(plan.cautiousMinutes)}`,
    "",
    ...water.reasons.map((r) => `  ${waterSentence(r)}`),
    ...water.limits.map((l) => `  ${limitSentence(l)}`),
    "",
    ...workings("Litres in the tank", water.systemL),
    ...workings("Change", water.litres),
    ...workings("Pour", water.pourL),
    ...workings("Top up", water.freshL),
    ...workings("Salt", water.saltG),
    ...workings("Conditioner", water.conditionerMl),
    ...workings("Drain line", water.mark),
    ...workings("New water", water.refillC),
    "",
    ...plan.steps.map((s) => `  ${String(Math.round(s.minutes)).padStart(3)} min  ${s.title}\n           ${s.reason}`),
    "",
    `Bring: ${plan.kit.join(", ")}`,
  ].join("\n"),
);
process.exit(0);
