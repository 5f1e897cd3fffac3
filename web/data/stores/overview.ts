import { addDays } from "@keel-round/core/calendar";
import type { BarrelLine } from "@keel-round/core/load";
import {
  amountOf,
  comingUses,
  type DatedUse,
  type DaysLeft,
  daysLeft,
  itemFinder,
  lossPerDay,
  type Need,
  type OrderLine,
  orderOf,
  type Ratio,
  type Stock,
  type StoreItem,
  stockOf,
  usedToPlanned,
} from "@keel-round/core/stores";
import { and, asc, eq, gte, isNull, lte, ne } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import type { Queries } from "../database/transaction";
import { barrel, person, source, storeOrder, tank, tankStatus, visit } from "../schema";
import { firmItems } from "./items";
import { stocks } from "./ledger";

/** How far ahead needs are added up, days. */
const AHEAD_DAYS = 56;

/** An item with what there is, how long that lasts, and what is on its way. */
export interface Kept {
  readonly item: StoreItem & { readonly supplierEmail: string };
  readonly stock: Stock;
  readonly needs: readonly Need[];
  readonly ratio: Ratio;
  readonly left: DaysLeft;
  /** What goes missing a day without being logged; null before two counts. */
  readonly lossPerDay: number | null;
  readonly onOrder: number;
  readonly order: OrderLine | null;
}

/** Something that plans take and no item is known by. */
export interface Unkept {
  readonly name: string;
  readonly unit: DatedUse["unit"];
  readonly amount: number;
}

export interface Stores {
  readonly kept: readonly Kept[];
  readonly unkept: readonly Unkept[];
  readonly barrels: readonly BarrelLine[];
  /** Whose van is meant by an id. */
  readonly vans: readonly { readonly id: string; readonly name: string }[];
}

const NOTHING: Stock = stockOf([]);

/** Everything that is kept, what runs out soonest first. */
export async function loadStores(scope: Scope, today: string): Promise<Stores> {
  if (scope.role === "tankOwner") throw notFound("page");
  const q = db();
  const [items, all, uses, orders, barrels, vans] = await Promise.all([
    firmItems(q, scope.businessId),
    stocks(q, scope.businessId),
    coming(q, scope.businessId, today),
    openOrders(q, scope.businessId),
    loadBarrels(q, scope.businessId),
    loadVans(q, scope.businessId),
  ]);
  const { needs, unkept } = sumUp(items, uses);
  const onOrder = (id: string) =>
    orders.flatMap((o) => o.lines).reduce((sum, l) => sum + (l.itemId === id ? l.amount : 0), 0);
  const kept = items.map((item): Kept => {
    const stock = all.get(item.id) ?? NOTHING;
    const its = { needs: needs.get(item.id) ?? [], ratio: usedToPlanned(stock.counts), onOrder: onOrder(item.id) };
    return {
      ...{ item, stock, ...its, lossPerDay: lossPerDay(stock.counts) },
      left: daysLeft(stock.total, stock.lots, its.needs, its.ratio, today),
      order: orderOf({ item, stock: stock.total + its.onOrder, needs: its.needs, ratio: its.ratio }, today),
    };
  });
  const soonest = (k: Kept) => k.left.low ?? Number.POSITIVE_INFINITY;
  // Of an item that nobody will use, "0 days" means nothing.
  const urgent = (k: Kept) => (k.needs.length === 0 && k.item.minimum === null ? Number.POSITIVE_INFINITY : soonest(k));
  return { kept: kept.sort((a, b) => urgent(a) - urgent(b) || 0), unkept, barrels, vans };
}

/** What the planned visits of the coming weeks take, by day. */
async function coming(q: Queries, businessId: string, today: string): Promise<DatedUse[]> {
  const [visits, takes] = await Promise.all([
    q
      .select({ tankId: visit.tankId, on: visit.onDate })
      .from(visit)
      .where(
        and(
          ...[eq(visit.businessId, businessId), eq(visit.state, "planned")],
          ...[gte(visit.onDate, today), lte(visit.onDate, addDays(today, AHEAD_DAYS))],
        ),
      )
      .orderBy(asc(visit.onDate)),
    q
      .select({ tankId: tankStatus.tankId, next: tankStatus.nextVisit })
      .from(tankStatus)
      .innerJoin(tank, and(eq(tank.businessId, tankStatus.businessId), eq(tank.id, tankStatus.tankId)))
      .where(and(eq(tankStatus.businessId, businessId), isNull(tank.archivedAt))),
  ]);
  const days = groupBy(visits, (v) => v.tankId);
  return takes.flatMap(({ tankId, next }) =>
    next?.takes ? comingUses(next.takes, [...new Set((days.get(tankId) ?? []).map((v) => v.on))]) : [],
  );
}

/** Uses by item and day, and those that no item is known by, the most of them first. */
function sumUp(items: readonly StoreItem[], uses: readonly DatedUse[]) {
  const find = itemFinder(items);
  const byDay = new Map<string, Map<string, number>>();
  const unkept = new Map<string, Unkept>();
  for (const use of uses) {
    const item = find(use.name);
    const amount = item && amountOf(use, item);
    if (item && amount !== null) {
      const days = byDay.get(item.id) ?? new Map<string, number>();
      days.set(use.on, (days.get(use.on) ?? 0) + amount);
      byDay.set(item.id, days);
    } else if (!item) {
      const key = `${use.name.toLowerCase()} ${use.unit}`;
      unkept.set(key, { name: use.name, unit: use.unit, amount: (unkept.get(key)?.amount ?? 0) + use.amount });
    }
  }
  const needs = new Map(
    [...byDay].map(([id, days]) => [
      id,
      [...days].map(([on, amount]) => ({ on, amount })).sort((a, b) => (a.on < b.on ? -1 : 1)),
    ]),
  );
  return { needs, unkept: [...unkept.values()].sort((a, b) => (a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1)) };
}

/** Orders that have not come. */
export function openOrders(q: Queries, businessId: string) {
  return q
    .select()
    .from(storeOrder)
    .where(and(eq(storeOrder.businessId, businessId), isNull(storeOrder.cameAt), isNull(storeOrder.cancelledAt)))
    .orderBy(asc(storeOrder.orderedAt));
}

export async function loadBarrels(q: Queries, businessId: string): Promise<BarrelLine[]> {
  const [barrels, waters] = await Promise.all([
    q
      .select()
      .from(barrel)
      .where(and(eq(barrel.businessId, businessId), isNull(barrel.archivedAt)))
      .orderBy(asc(barrel.name)),
    q.select({ id: source.id, name: source.name }).from(source).where(eq(source.businessId, businessId)),
  ]);
  return barrels.map(({ name, capacityL, contents }) => ({
    ...{ name, capacityL, litres: contents?.litres ?? 0 },
    water: waters.find((w) => w.id === contents?.sourceId)?.name ?? null,
  }));
}

/** Who drives a van. */
const loadVans = (q: Queries, businessId: string) =>
  q
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(and(eq(person.businessId, businessId), ne(person.role, "tankOwner"), ne(person.role, "office")))
    .orderBy(asc(person.name));
