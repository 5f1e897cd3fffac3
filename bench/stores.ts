import { type LoadedVisit, loadList } from "@keel-round/core/load";
import { planVisit } from "@keel-round/core/visit";
import { and, eq, gte } from "drizzle-orm";
import { scopeOfUser } from "@/data/access/scope";
import { db } from "@/data/database/connection";
import { newId } from "@/data/database/ids";
import { loadPlanInputs } from "@/data/plan/planInputs";
import { person, storeItem, tankStatus, visit } from "@/data/schema";
import { loadStores } from "@/data/stores/overview";
import { loadScale } from "../tools/seed/scale.ts";
import { freshDatabase, median, spread, timed } from "./lib.ts";

// The load lists of eight weeks, a day at a time, beside reading the plans that they are made from; and the page of the stores, which adds
// up what those weeks take.
const ROUNDS = 20;
const WEEKS = 8;
const TANKS = 900;

await freshDatabase();
const { businessId, today } = await loadScale(TANKS, WEEKS, "stores");
const rows = await db()
  .select({ visitId: visit.id, tankId: visit.tankId, on: visit.onDate })
  .from(visit)
  .where(and(eq(visit.businessId, businessId), eq(visit.state, "planned"), gte(visit.onDate, today)));
const first = new Map(rows.map((r) => [r.tankId, r]));
const inputs = await loadPlanInputs(db(), businessId, [...first.values()]);
const loaded = new Map(
  [...first.values()].flatMap(({ tankId, visitId }): [string, LoadedVisit][] => {
    const input = inputs.get(visitId);
    return input ? [[tankId, { place: tankId, input, plan: planVisit(input) }]] : [];
  }),
);
const texts = new Map([...loaded].map(([tankId, { plan }]) => [tankId, JSON.stringify(plan)]));
const days = new Map<string, LoadedVisit[]>();
for (const { tankId, on } of rows) {
  const one = loaded.get(tankId);
  if (one) days.set(on, [...(days.get(on) ?? []), one]);
}

const [people] = await db().select().from(person).where(eq(person.businessId, businessId));
const scope = await scopeOfUser(people?.userId ?? "");
if (!scope) throw new Error("Nobody to ask for");
const [status] = await db().select().from(tankStatus).where(eq(tankStatus.businessId, businessId));
for (const name of new Set(status?.nextVisit?.takes?.each.map((u) => u.name)))
  await db().insert(storeItem).values({ id: newId(), businessId, name, kind: "other", unit: "g", knownAs: [] });

const times = { lists: [] as number[], plans: [] as number[], page: [] as number[] };
let read = 0;
const sides = [
  async () => {
    times.lists.push(await timed(async () => [...days.values()].map((of) => loadList(of, ["towels"]))));
  },
  async () => {
    times.plans.push(
      await timed(async () => {
        for (const { tankId } of rows) read += JSON.parse(texts.get(tankId) ?? "{}").steps?.length ?? 0;
      }),
    );
  },
  async () => {
    times.page.push(await timed(() => loadStores(scope, today)));
  },
];
for (let i = 0; i <= ROUNDS; i++) {
  for (const side of i % 2 === 0 ? sides : [...sides].reverse()) await side();
  // The first round warms up.
  if (i === 0) for (const all of Object.values(times)) all.length = 0;
}
console.log(
  `${rows.length} visits on ${days.size} days (${read} steps read): load lists ${spread(times.lists, 0)} ms, ` +
    `their plans read ${spread(times.plans, 0)} ms, ratio ${(median(times.lists) / median(times.plans)).toFixed(2)}; ` +
    `the page of the stores ${spread(times.page, 0)} ms, ratio ${(median(times.page) / median(times.plans)).toFixed(2)}`,
);
process.exit(0);
