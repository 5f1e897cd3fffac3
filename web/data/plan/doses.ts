import type { DoseBefore, Given } from "@keel-round/core/given";
import { calciumPerDkh, type DoseProduct } from "@keel-round/core/mixing";
import { systemVolumeL, type TankFacts } from "@keel-round/core/tank";
import type { Remedy } from "@keel-round/core/treatment";
import { and, asc, eq, gte, inArray, isNull, or } from "drizzle-orm";
import { groupBy } from "../database/groupBy";
import type { Queries } from "../database/transaction";
import { deskChange, dose, doser, product, remedy } from "../schema";

/** A dosing pump as the balance knows it. */
export interface Pump {
  readonly id: string;
  readonly tankId: string;
  readonly version: number;
  readonly name: string;
  readonly product: DoseProduct;
  /** What it is set to by its own scale, and what it gives for each millilitre of that. */
  readonly setMlPerDay: number;
  readonly factor: number;
  readonly leftMl: number | null;
  readonly leftOn: string | null;
  readonly archivedAt: Date | null;
}

/** A change of what a tank is dosed with day by day: of its balanced two parts, dKH, or of a pump by its id, mL. */
export interface DoseChange {
  readonly tankId: string;
  readonly of: "two-part" | { readonly pump: string };
  readonly at: Date;
  readonly before: number;
}

/** What is dosed by machine into some tanks. */
export interface Dosing {
  readonly pumps: ReadonlyMap<string, readonly Pump[]>;
  /** Oldest first. */
  readonly changes: ReadonlyMap<string, readonly DoseChange[]>;
}

const productOf = (row: typeof product.$inferSelect): DoseProduct => ({
  ...{ id: row.id, name: row.name, raises: row.raises, reagent: row.reagent },
  ...{ purity: row.purityPercent / 100, strengthLPerMl: row.strengthLPerMl },
  ...{ mostADay: row.mostADay, ownerGives: row.ownerGives },
});

/** What the firm doses with, in the order of its names. */
export async function firmProducts(q: Queries, businessId: string): Promise<DoseProduct[]> {
  const rows = await q
    .select()
    .from(product)
    .where(and(eq(product.businessId, businessId), isNull(product.archivedAt)))
    .orderBy(product.name, product.id);
  return rows.map(productOf);
}

/** What the firm treats with, in the order of its names. */
export async function firmRemedies(q: Queries, businessId: string): Promise<Remedy[]> {
  const rows = await q
    .select()
    .from(remedy)
    .where(and(eq(remedy.businessId, businessId), isNull(remedy.archivedAt)))
    .orderBy(remedy.name, remedy.id);
  return rows.map(({ businessId: _, notes: __, version: ___, archivedAt: ____, ...row }) => row);
}

/** Doses by hand, the earlier first, with the visit they were given on. */
export function dosesByHand(q: Queries, businessId: string, tankIds: readonly string[], since: string) {
  return q
    .select({
      ...{ tankId: dose.tankId, visitId: dose.visitId, parameter: dose.parameter, rise: dose.rise },
      ...{ at: dose.at, onDate: dose.onDate, amount: dose.amount, unit: dose.unit, product: dose.product },
    })
    .from(dose)
    .where(and(eq(dose.businessId, businessId), inArray(dose.tankId, [...tankIds]), gte(dose.onDate, since)))
    .orderBy(asc(dose.at), asc(dose.id));
}

export const givenOf = (
  rows: readonly { readonly parameter: Given["parameter"]; readonly onDate: string; readonly rise: number }[],
): Given[] => rows.flatMap((r) => (r.rise > 0 ? [{ parameter: r.parameter, on: r.onDate, rise: r.rise }] : []));

/** The field of a tank that says what its balanced two parts give, of a pump what it is set to, and that one was made. */
const TWO_PART = "dosedDkhPerDay";
const SET = "setMlPerDay";
const MADE = "*";

/** What pumps give to some tanks, and every change of it since a day. */
export async function dosingOf(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  since: string,
): Promise<Dosing> {
  if (tankIds.length === 0) return { pumps: new Map(), changes: new Map() };
  const rows = await q
    .select({ doser, product })
    .from(doser)
    .innerJoin(product, and(eq(product.businessId, doser.businessId), eq(product.id, doser.productId)))
    .where(and(eq(doser.businessId, businessId), inArray(doser.tankId, [...tankIds])))
    .orderBy(doser.name, doser.id);
  const pumps = rows.map(
    ({ doser: d, product: p }): Pump => ({
      ...{
        id: d.id,
        version: d.version,
        tankId: d.tankId,
        name: d.name,
        product: productOf(p),
        setMlPerDay: d.setMlPerDay,
      },
      factor: d.measuredMl && d.scaleMl ? d.measuredMl / d.scaleMl : 1,
      ...{ leftMl: d.leftMl, leftOn: d.leftOn, archivedAt: d.archivedAt },
    }),
  );
  const told = await q
    .select({ entityId: deskChange.entityId, field: deskChange.field, at: deskChange.at, old: deskChange.old })
    .from(deskChange)
    .where(
      and(
        eq(deskChange.businessId, businessId),
        gte(deskChange.at, new Date(`${since}T00:00:00Z`)),
        or(
          and(
            ...[eq(deskChange.entity, "tank"), eq(deskChange.field, TWO_PART)],
            inArray(deskChange.entityId, [...tankIds]),
          ),
          pumps.length > 0
            ? and(
                ...[eq(deskChange.entity, "doser"), inArray(deskChange.field, [SET, MADE])],
                inArray(
                  deskChange.entityId,
                  pumps.map((p) => p.id),
                ),
              )
            : undefined,
        ),
      ),
    )
    .orderBy(asc(deskChange.at), asc(deskChange.id));
  const pumpOf = new Map(pumps.map((p) => [p.id, p]));
  const changes = told.map(({ entityId, field, at, old }): DoseChange => {
    const pump = field === TWO_PART ? undefined : pumpOf.get(entityId);
    const before = field === MADE ? 0 : Number(old ?? 0) || 0;
    return pump
      ? { tankId: pump.tankId, of: { pump: pump.id }, at, before }
      : { tankId: entityId, of: "two-part", at, before };
  });
  const ended = pumps.flatMap(({ id, tankId, archivedAt, setMlPerDay }): DoseChange[] =>
    archivedAt ? [{ tankId, of: { pump: id }, at: archivedAt, before: setMlPerDay }] : [],
  );
  const all = [...changes, ...ended].sort((a, b) => a.at.getTime() - b.at.getTime());
  return { pumps: groupBy(pumps, (p) => p.tankId), changes: groupBy(all, (c) => c.tankId) };
}

/** What a pump raises a tank by a day, at a setting of its scale; none for a product whose strength nobody said. */
export const pumpRise = ({ product: p, factor }: Pump, setMl: number, systemL: number): number =>
  (setMl * factor * (p.strengthLPerMl ?? 0)) / systemL;

type PerDay = DoseBefore["perDay"];

/** What everything together gives a day, canonical. */
function together(
  facts: TankFacts,
  pumps: readonly Pump[],
  twoPartDkh: number,
  set: ReadonlyMap<string, number>,
): PerDay {
  const systemL = systemVolumeL(facts);
  const perDay: Record<string, number> = {};
  const add = (parameter: string, rise: number) => {
    if (rise > 0) perDay[parameter] = (perDay[parameter] ?? 0) + rise;
  };
  add("alkalinity", twoPartDkh);
  add("calcium", twoPartDkh * calciumPerDkh());
  for (const p of pumps) add(p.product.raises, pumpRise(p, set.get(p.id) ?? 0, systemL));
  return perDay;
}

const running = (pumps: readonly Pump[]): Map<string, number> =>
  new Map(pumps.map((p) => [p.id, p.archivedAt ? 0 : p.setMlPerDay]));

/** The facts of a tank with what its pumps give. */
export function withPumps(facts: TankFacts, pumps: readonly Pump[] = []): TankFacts {
  const pumpsPerDay = together(facts, pumps, 0, running(pumps));
  return Object.keys(pumpsPerDay).length > 0 ? { ...facts, pumpsPerDay } : facts;
}

/** What was given before each change, ascending, on the day axis of a fit whose day 0 is noon of a civil day. */
export function dosesBefore(facts: TankFacts, dosing: Dosing, on: string): DoseBefore[] {
  const noon = Date.parse(`${on}T12:00:00Z`);
  const pumps = dosing.pumps.get(facts.id) ?? [];
  const set = running(pumps);
  let twoPart = facts.dosedDkhPerDay ?? 0;
  // From now backwards: each change says what was before it.
  return [...(dosing.changes.get(facts.id) ?? [])]
    .reverse()
    .map(({ of, at, before }) => {
      if (of === "two-part") twoPart = before;
      else set.set(of.pump, before);
      return { untilDay: (at.getTime() - noon) / 86_400_000, perDay: together(facts, pumps, twoPart, set) };
    })
    .reverse();
}
