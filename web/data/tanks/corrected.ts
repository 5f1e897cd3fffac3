import { civilOf } from "@keel-round/core/calendar";
import { enteredText, type Parameter, readingLabel, type UnitPreference } from "@keel-round/core/units";
import type { VisitState } from "@keel-round/core/visit";
import { and, asc, desc, eq, gt, gte, inArray, isNotNull, lte, max } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import type { Queries } from "../database/transaction";
import { letter, person, readingCorrection, stop, visit } from "../schema";

type Row = typeof readingCorrection.$inferSelect;

/** A reading that was corrected, old and new, with what leaned on the old one. */
export interface CorrectedReading {
  readonly id: string;
  readonly readingId: string;
  readonly parameter: Parameter;
  /** Whose it is, of a flow or of an hour meter. */
  readonly item: string | null;
  readonly takenAt: Date;
  readonly was: string;
  /** Null where nobody measured it. */
  readonly now: string | null;
  readonly by: string;
  readonly at: Date;
  readonly why: string;
  /** Days of visits that were planned with the old figure, and of letters that were sent meanwhile. */
  readonly visitsOn: readonly string[];
  readonly lettersOn: readonly string[];
}

const told = (row: Row, by: string, units: UnitPreference) => {
  const parameter = row.parameter as Parameter;
  const written = (text: string, unit: string) => enteredText({ parameter, text, unit }, units);
  return {
    ...{ id: row.id, readingId: row.readingId, parameter, item: row.item, takenAt: row.takenAt },
    was: written(row.entered, row.unit),
    now: row.nowEntered === null ? null : written(row.nowEntered, row.nowUnit ?? ""),
    ...{ by, at: row.at, why: row.why },
  };
};

/** When a visit was begun; at noon of its day where no log says so. */
const begun = ({ on, startedAt }: { on: string; startedAt: Date | null }): Date =>
  startedAt ?? new Date(`${on}T12:00:00Z`);

/** The corrections of a tank's readings, the newest first, each with what was made from the old figure. */
export async function correctedReadings(
  { businessId, zone, units }: Pick<Scope, "businessId" | "zone" | "units">,
  tankId: string,
): Promise<CorrectedReading[]> {
  const q = db();
  const rows = await q
    .select({ row: readingCorrection, by: person.name })
    .from(readingCorrection)
    .innerJoin(
      person,
      and(eq(person.businessId, readingCorrection.businessId), eq(person.id, readingCorrection.personId)),
    )
    .where(and(eq(readingCorrection.businessId, businessId), eq(readingCorrection.tankId, tankId)))
    .orderBy(desc(readingCorrection.at), desc(readingCorrection.id))
    .limit(50);
  if (rows.length === 0) return [];
  const first = rows.reduce((least, { row }) => (row.takenAt < least ? row.takenAt : least), rows[0]?.row.at as Date);
  const visits = await q
    .select({ id: visit.id, on: visit.onDate, startedAt: visit.startedAt, sentAt: max(letter.sentAt) })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .leftJoin(
      letter,
      and(eq(letter.businessId, visit.businessId), eq(letter.stopId, visit.stopId), isNotNull(letter.sentAt)),
    )
    .where(
      and(
        ...[eq(visit.businessId, businessId), eq(visit.tankId, tankId), eq(visit.state, "closed")],
        gte(visit.onDate, civilOf(first.getTime(), zone).date),
      ),
    )
    .groupBy(visit.id, visit.onDate, visit.startedAt)
    .orderBy(asc(visit.onDate));
  return rows.map(({ row, by }) => {
    // The visit that took it corrects itself; the later ones leaned on it.
    const later = visits.filter((v) => v.id !== row.visitId && begun(v) > row.takenAt && begun(v) < row.at);
    const sent = visits.filter((v) => v.sentAt && new Date(v.sentAt) > row.takenAt && new Date(v.sentAt) < row.at);
    return { ...told(row, by, units), visitsOn: later.map((v) => v.on), lettersOn: sent.map((v) => v.on) };
  });
}

/** Days that a figure is leant on at most. */
const LEANT_ON_DAYS = 120;

/** What of some tanks' readings was corrected after a moment, though it was leant on then. */
export async function correctedSince(
  { businessId, units }: Pick<Scope, "businessId" | "units">,
  tankIds: readonly string[],
  moment: Date,
  /** Whose own readings are told of elsewhere. */
  visitIds: readonly string[],
): Promise<Omit<CorrectedReading, "visitsOn" | "lettersOn">[]> {
  if (tankIds.length === 0) return [];
  const rows = await db()
    .select({ row: readingCorrection, by: person.name })
    .from(readingCorrection)
    .innerJoin(
      person,
      and(eq(person.businessId, readingCorrection.businessId), eq(person.id, readingCorrection.personId)),
    )
    .where(
      and(
        ...[eq(readingCorrection.businessId, businessId), inArray(readingCorrection.tankId, [...tankIds])],
        ...[gt(readingCorrection.at, moment), lte(readingCorrection.takenAt, moment)],
        gte(readingCorrection.takenAt, new Date(moment.getTime() - LEANT_ON_DAYS * 86_400_000)),
      ),
    )
    .orderBy(desc(readingCorrection.at), desc(readingCorrection.id));
  return rows.flatMap(({ row, by }) => (row.visitId && visitIds.includes(row.visitId) ? [] : [told(row, by, units)]));
}

/** What a letter leaned on and was corrected after it was made, each as a sentence. */
export async function letterLeantOn(
  scope: Pick<Scope, "businessId" | "units">,
  { stopId, createdAt }: Pick<typeof letter.$inferSelect, "stopId" | "createdAt">,
): Promise<string[]> {
  if (!stopId) return [];
  const tanks = await db()
    .select({ id: visit.tankId })
    .from(visit)
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.stopId, stopId)));
  const ids = tanks.map((t) => t.id);
  return (await correctedSince(scope, ids, createdAt, [])).map(correctionText);
}

/** "Alkalinity was entered as 6.5 dKH; it really was 7.5 dKH" of a correction. */
export const correctionText = ({
  parameter,
  item,
  was,
  now,
}: Pick<CorrectedReading, "parameter" | "item" | "was" | "now">): string =>
  `${readingLabel(parameter, item)} was entered as ${was}; ${now === null ? "nobody measured it" : `it really was ${now}`}`;

/** What the log of a visit says was corrected: the same log always leaves the same rows. */
export async function projectReadingCorrections(
  tx: Queries,
  base: { readonly businessId: string; readonly tankId: string; readonly visitId: string },
  state: VisitState,
  personId: string,
): Promise<void> {
  const wanted = state.corrections.flatMap(({ opId, at, why, change, was }) => {
    if (change.type !== "reading" && change.type !== "reading-back") return [];
    const before = was.readings.find((r) => r.id === change.id);
    if (!before) return [];
    const now = state.readings.find((r) => r.id === change.id);
    const told = change.type === "reading" ? change : null;
    return [
      {
        ...base,
        ...{ id: opId, readingId: change.id, personId, at: new Date(at), why: why.slice(0, 400) },
        ...{ parameter: before.parameter, item: before.item ?? null, takenAt: new Date(before.at) },
        ...{ entered: before.text, unit: before.unit, value: before.value },
        ...{
          nowEntered: told?.text ?? null,
          nowUnit: told?.unit ?? null,
          nowValue: told ? (now?.value ?? null) : null,
        },
      },
    ];
  });
  const known = await tx
    .select({ id: readingCorrection.id })
    .from(readingCorrection)
    .where(and(eq(readingCorrection.businessId, base.businessId), eq(readingCorrection.visitId, base.visitId)));
  const gone = known.filter((k) => !wanted.some((w) => w.id === k.id)).map((k) => k.id);
  if (gone.length > 0)
    await tx
      .delete(readingCorrection)
      .where(and(eq(readingCorrection.businessId, base.businessId), inArray(readingCorrection.id, gone)));
  // Who corrected it stays who they were: a later batch is somebody else's.
  const fresh = wanted.filter((w) => !known.some((k) => k.id === w.id));
  if (fresh.length > 0) await tx.insert(readingCorrection).values(fresh);
}
