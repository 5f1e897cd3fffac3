import type { PlanInput } from "../given/index.ts";
import type { KitItem } from "../programme/index.ts";
import { LEAST_L, pouredUses, usedUp } from "../stores/index.ts";
import { byName } from "../text/index.ts";
import { missingIn, type VisitPlan } from "../visit/index.ts";

/** One visit of a day, with the place it is for. */
export interface LoadedVisit {
  readonly place: string;
  readonly input: Pick<PlanInput, "source" | "topUpSource" | "facts" | "on">;
  readonly plan: Pick<VisitPlan, "load" | "water" | "kit" | "corrections" | "steps">;
}

/** Where an amount goes: so much of it for each place. */
export interface For {
  readonly place: string;
  readonly amount: number;
}

/** Water that is filled from the barrels, or comes home; canonical litres. */
export interface WaterLoad {
  readonly kind: "mix" | "sea" | "purified" | "waste";
  /** What it is called: of waste nothing. */
  readonly name: string;
  readonly litres: number;
  readonly by: readonly For[];
}

/** What is weighed or measured out at the shelf, in its own unit. */
export interface AmountLoad {
  readonly item: string;
  readonly amount: number;
  readonly unit: string;
  readonly by: readonly For[];
}

/** A thing that is carried: once, however many places ask for it. */
export interface ThingLoad {
  readonly item: string;
  /** The longest or most of what places ask for, where they say how much. */
  readonly amount?: KitItem["amount"];
  readonly places: readonly string[];
  /** How often jobs use some of it up; missing of a tool. */
  readonly times?: number;
}

/** Everything that one van takes for a day. */
export interface LoadList {
  readonly waters: readonly WaterLoad[];
  readonly amounts: readonly AmountLoad[];
  /** Not in the van on any day. */
  readonly things: readonly ThingLoad[];
  /** In the van anyway, to be checked. */
  readonly carried: readonly ThingLoad[];
}

/**
 * What a van takes for the visits of a day, out of their plans: waters, what is weighed out with its bag for each place, and things.
 * Sums are those of the plans, nothing is rounded here.
 *
 * @param van What lies in the van on any day.
 */
export function loadList(visits: readonly LoadedVisit[], van: readonly string[]): LoadList {
  const things = thingsOf(visits);
  const missing = new Set(
    missingIn(
      things.map((t) => t.item),
      van,
    ),
  );
  return {
    waters: watersOf(visits),
    amounts: amountsOf(visits),
    things: things.filter((t) => missing.has(t.item)),
    carried: things.filter((t) => !missing.has(t.item)),
  };
}

/** Adds amounts of the same thing, in the order things come up; of one place together. */
class Sums<Key extends { readonly name: string }> {
  private readonly all = new Map<string, { readonly key: Key; readonly by: Map<string, number> }>();
  add(key: Key, place: string, amount: number): void {
    const id = JSON.stringify(key);
    const known = this.all.get(id) ?? { key, by: new Map<string, number>() };
    known.by.set(place, (known.by.get(place) ?? 0) + amount);
    this.all.set(id, known);
  }
  list(): { readonly key: Key; readonly total: number; readonly by: readonly For[] }[] {
    return [...this.all.values()].map(({ key, by }) => ({
      key,
      total: [...by.values()].reduce((a, b) => a + b, 0),
      by: [...by].map(([place, amount]) => ({ place, amount })),
    }));
  }
}

function watersOf(visits: readonly LoadedVisit[]): WaterLoad[] {
  const sums = new Sums<{ readonly kind: WaterLoad["kind"]; readonly name: string }>();
  for (const { place, plan, input } of visits) {
    const { mixL, seaL, purifiedL, wasteL } = plan.load;
    const add = (kind: WaterLoad["kind"], name: string, litres: number) =>
      litres >= LEAST_L && sums.add({ kind, name }, place, litres);
    add("mix", input.source.name, mixL);
    add("sea", input.source.name, seaL);
    // Of what is purified a part may be the new water and the rest top-up, of another name.
    const { source, topUpSource } = input;
    const isPurified = source.kind === "purified" || source.kind === "remineralised";
    const newL = isPurified ? Math.min(purifiedL, (plan.water.pourL?.value ?? 0) + (plan.water.auto?.fillL ?? 0)) : 0;
    add("purified", source.name, newL);
    add("purified", topUpSource.name, purifiedL - newL);
    add("waste", "", wasteL);
  }
  return sums.list().map(({ key, total, by }) => ({ ...key, litres: total, by }));
}

/** What is weighed or measured out for a visit. A mix that is brought has its salt in it already. */
const weighed = ({ plan, input }: LoadedVisit) => pouredUses(plan, input).filter((u) => u.amount > 0 && !u.mixed);

function amountsOf(visits: readonly LoadedVisit[]): AmountLoad[] {
  const sums = new Sums<{ readonly name: string; readonly unit: string }>();
  for (const visit of visits)
    for (const { name, unit, amount } of weighed(visit)) sums.add({ name, unit }, visit.place, amount);
  return sums
    .list()
    .map(({ key, total, by }) => ({ item: key.name, unit: key.unit, amount: total, by }))
    .sort((a, b) => byName(a.item, b.item));
}

/** How much of a thing two places ask for: of a hose the longer one serves both. */
function larger(a: KitItem["amount"], b: KitItem["amount"]): KitItem["amount"] {
  const metres = (x: KitItem["amount"]) => (typeof x === "object" && "metres" in x ? x.metres : null);
  const [of, other] = [metres(a), metres(b)];
  if (of === null || other === null) return a ?? b;
  return other > of ? b : a;
}

function thingsOf(visits: readonly LoadedVisit[]): ThingLoad[] {
  const weighedOut = new Set(visits.flatMap((v) => weighed(v).map((u) => u.name.toLowerCase())));
  const all = new Map<string, { item: string; amount?: KitItem["amount"]; places: string[]; times?: number }>();
  for (const { place, plan } of visits) {
    const used = plan.steps.flatMap(usedUp);
    for (const { item, amount } of plan.kit) {
      const id = item.toLowerCase();
      if (weighedOut.has(id)) continue;
      const known = all.get(id) ?? { item, places: [] };
      const most = larger(known.amount, amount);
      if (most !== undefined) known.amount = most;
      if (!known.places.includes(place)) known.places.push(place);
      const times = used.reduce((sum, u) => sum + (u.name.toLowerCase() === id ? u.amount : 0), 0);
      if (times > 0) known.times = (known.times ?? 0) + times;
      all.set(id, known);
    }
  }
  return [...all.values()].sort((a, b) => byName(a.item, b.item));
}
