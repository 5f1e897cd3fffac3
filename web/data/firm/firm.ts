import { civilOf } from "@keel-round/core/calendar";
import { FIRM_FIELDS, type Firm, type FirmField, readPlace } from "@keel-round/core/desk";
import { type DailyLimits, DEFAULT_LIMITS } from "@keel-round/core/given";
import { inSentence } from "@keel-round/core/text";
import { toShown, unitShown } from "@keel-round/core/units";
import { and, desc, eq } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, deskChange, person } from "../schema";

const ENTITY = "firm";
const LINES = 20;
/** What the firm says of itself beside the fields of its form. */
const BESIDE: Readonly<Record<string, { readonly label: string; readonly unit: string }>> = {
  holidays: { label: "Public holidays", unit: "" },
  map: { label: "Map", unit: "" },
  mark: { label: "Mark above letters", unit: "" },
  weights: { label: "What a settled round is weighed by", unit: "" },
  letters: { label: "How letters speak and leave", unit: "" },
};

function firmOf(row: typeof business.$inferSelect): Firm {
  const { name, phone, mailFrom, roadFactor, speedKmH, letterDays } = row;
  const limits: DailyLimits = { ...DEFAULT_LIMITS, ...row.limits };
  return { name, phone, mailFrom, start: `${row.lat}, ${row.lon}`, roadFactor, speedKmH, letterDays, ...limits };
}

/** One change of the firm's own facts, in words. */
export interface FirmChange {
  readonly id: string;
  readonly on: string;
  readonly by: string;
  readonly what: string;
  readonly old: string;
  readonly new: string;
}

/** The firm as its office sees it, with who changed what. */
export async function loadFirm(scope: Scope): Promise<{ firm: Firm; history: FirmChange[] }> {
  if (scope.role !== "office") throw notFound("page");
  const [[row], changes] = await Promise.all([
    db().select().from(business).where(eq(business.id, scope.businessId)),
    db()
      .select({ change: deskChange, by: person.name })
      .from(deskChange)
      .innerJoin(person, and(eq(person.businessId, deskChange.businessId), eq(person.id, deskChange.personId)))
      .where(and(eq(deskChange.businessId, scope.businessId), eq(deskChange.entity, ENTITY)))
      .orderBy(desc(deskChange.at))
      .limit(LINES),
  ]);
  if (!row) throw notFound("page");
  return {
    firm: firmOf(row),
    history: changes.map(({ change, by }) => {
      const { label, unit } = BESIDE[change.field] ?? FIRM_FIELDS[change.field as FirmField];
      const says = (value: unknown) =>
        typeof value === "number"
          ? `${Number(toShown(value, unit, scope.units).toPrecision(6))} ${unitShown(unit, scope.units)}`.trim()
          : String(value);
      return {
        id: change.id,
        on: civilOf(change.at.getTime(), scope.zone).date,
        by,
        what: inSentence(label),
        old: says(change.old),
        new: says(change.new),
      };
    }),
  };
}

/** Saves the firm's own facts, with a row of who and what for each that changed. */
export async function saveFirm(scope: Scope, next: Firm, now: Date): Promise<{ changed: number }> {
  if (scope.role !== "office") throw notFound("page");
  const place = readPlace(next.start);
  if (!place) throw new Error("The schema lets only places through.");
  return inTransaction(async (tx) => {
    const [row] = await tx.select().from(business).where(eq(business.id, scope.businessId)).for("update");
    if (!row) throw notFound("page");
    const before = firmOf(row);
    const fields = (Object.keys(FIRM_FIELDS) as FirmField[]).filter((key) => before[key] !== next[key]);
    if (fields.length === 0) return { changed: 0 };
    const { name, phone, mailFrom, start: _, roadFactor, speedKmH, letterDays, ...limits } = next;
    await tx
      .update(business)
      .set({ name, phone, mailFrom, ...place, roadFactor, speedKmH, letterDays, limits })
      .where(eq(business.id, scope.businessId));
    const batchId = newId();
    await tx.insert(deskChange).values(
      fields.map((field) => ({
        id: newId(),
        businessId: scope.businessId,
        personId: scope.personId,
        batchId,
        entity: ENTITY,
        entityId: scope.businessId,
        at: now,
        field,
        old: before[field],
        new: next[field],
      })),
    );
    return { changed: fields.length };
  });
}

/** Where the firm is rung up at any hour. */
export async function firmPhone(scope: Scope): Promise<string> {
  const [row] = await db().select({ phone: business.phone }).from(business).where(eq(business.id, scope.businessId));
  return row?.phone ?? "";
}
