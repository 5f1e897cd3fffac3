import { type Values, valuesOfKind } from "@keel-round/core/desk";
import { type KindFacts, kindFacts, TANK_KINDS, type TankKind } from "@keel-round/core/tank";
import { and, eq } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { tankKind } from "../schema";

/** Gives a business its own copy of each kind of the library that it has none of yet. */
export async function fillKinds(q: Queries, businessId: string): Promise<void> {
  const rows = await q.select({ code: tankKind.code }).from(tankKind).where(eq(tankKind.businessId, businessId));
  const own = new Set(rows.map((r) => r.code));
  const missing = TANK_KINDS.filter((code) => !own.has(code));
  if (missing.length === 0) return;
  await q
    .insert(tankKind)
    .ignore()
    .values(
      missing.map((code) => {
        const { label, ...facts } = kindFacts[code];
        return { id: newId(), businessId, code, name: label, facts };
      }),
    );
}

/** What the firm begins tanks of a kind with; the library's figures for a business that has no copy yet. */
export async function firmKind(q: Queries, businessId: string, code: TankKind): Promise<KindFacts> {
  const [row] = await q
    .select()
    .from(tankKind)
    .where(and(eq(tankKind.businessId, businessId), eq(tankKind.code, code)));
  return row ? { label: row.name, ...row.facts } : kindFacts[code];
}

/** What the firm begins each kind of tank with. */
export async function firmKinds(q: Queries, businessId: string): Promise<Record<TankKind, KindFacts>> {
  const rows = await q
    .select({ code: tankKind.code, name: tankKind.name, facts: tankKind.facts })
    .from(tankKind)
    .where(eq(tankKind.businessId, businessId));
  const own = Object.fromEntries(rows.map((r) => [r.code, { label: r.name, ...r.facts }]));
  return { ...kindFacts, ...own } as Record<TankKind, KindFacts>;
}

/** The same as a form's values, for a tank of the kind to be held against. */
export async function firmValues(scope: Scope, code: string): Promise<Values> {
  return valuesOfKind(await firmKind(db(), scope.businessId, code as TankKind));
}
