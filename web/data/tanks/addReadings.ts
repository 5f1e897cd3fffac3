import { instantOf, isCivilDate } from "@keel-round/core/calendar";
import { inSentence } from "@keel-round/core/text";
import { PARAMETERS, type Parameter, parameterFacts, parseReading, type ReadingProblem } from "@keel-round/core/units";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { kitsOn } from "../plan/kits";
import { reading, readingCorrection } from "../schema";
import { refreshStatus } from "./status";

const EARLIEST = "2000-01-01";

/** Readings that were taken outside of a visit: by the owner, at the desk, on a past day. */
export const AddReadingsSchema = z.object({
  tankId: z.uuid(),
  on: z.string().refine(isCivilDate, "Enter a date that exists."),
  /** Minute of the day, in the business's zone. */
  minute: z.number().int().min(0).max(1439),
  readings: z
    .array(
      z.object({
        parameter: z.enum(PARAMETERS, "Choose what was measured."),
        text: z.string().trim().min(1, "Enter the figure.").max(20),
        unit: z.string().max(20),
        method: z.string().max(40),
        decimal: z.enum([".", ","]).optional(),
        /** Of a flow: the filter whose it is; of hours: the piece of equipment. */
        item: z.string().trim().min(1).max(120).nullish(),
        /** A kit or an instrument of the register. */
        kitId: z.uuid().nullish(),
      }),
    )
    .min(1, "Enter a reading.")
    .max(30, "Enter at most 30 readings at a time."),
});

/** An owner's own instrument is of nobody's register, and read between two customers: so many times as uncertain. */
const OWNERS_SPREAD = 3;
const spreadOf = ({ role }: Pick<Scope, "role">): number => (role === "tankOwner" ? OWNERS_SPREAD : 1);

/** What tells one reading of a minute from another. */
const SAME = ["parameter", "entered", "unit", "method", "item", "kitId"] as const;

/**
 * Adds readings to a tank; its rates, condition and next plan follow. All are taken, or none; one that is there already, the
 * same figure of the same minute by the same person, is not taken twice: its first answer was lost.
 *
 * @returns the ids they are kept under, in their order.
 * @throws a refusal for a day to come, and for a figure that cannot be one, beside its field.
 */
export async function addReadings(
  scope: Scope,
  { tankId, on, minute, readings }: z.infer<typeof AddReadingsSchema>,
  { now, today }: When,
): Promise<string[]> {
  const takenAt = new Date(instantOf(on, minute, scope.zone));
  if (on > today || takenAt > now) refuse("on", "Enter a day and an hour that are over.");
  if (on < EARLIEST) refuse("on", "Enter a day in this century.");
  const kits = readings.some((r) => r.kitId) ? await kitsOn(scope.businessId, on) : [];
  const parsed = readings.map((entered, i) => {
    const kit = kits.find((k) => k.kit.id === entered.kitId && k.parameter === entered.parameter)?.kit;
    if (entered.kitId && !kit) refuse(`readings.${i}`, "Choose a kit that measures this, or a method.");
    const found = parseReading({ ...entered, kit });
    if (entered.parameter === "hours" && !entered.item) refuse(`readings.${i}`, "Choose whose hour meter was read.");
    if (found.ok) return { ...entered, ...found, kit };
    return refuse(`readings.${i}`, readingProblem(entered.parameter, entered.text, found.problem));
  });
  return inTransaction(async (tx) => {
    await lockTank(tx, scope, tankId);
    const there = await tx
      .select()
      .from(reading)
      .where(
        and(
          ...[eq(reading.businessId, scope.businessId), eq(reading.tankId, tankId), isNull(reading.visitId)],
          ...[eq(reading.takenAt, takenAt), eq(reading.personId, scope.personId)],
        ),
      );
    const rows = parsed.map((r) => ({
      id: newId(),
      businessId: scope.businessId,
      tankId,
      personId: scope.personId,
      parameter: r.parameter,
      entered: r.text,
      unit: r.unit,
      method: r.method,
      value: r.value,
      sigma: r.sigma * spreadOf(scope),
      item: r.parameter === "flow" || r.parameter === "hours" ? (r.item ?? null) : null,
      kitId: r.kit?.id ?? null,
      kitOffset: r.kit?.offset ?? null,
      kitOffsetSigma: r.kit?.offsetSigma ?? null,
      takenAt,
      onDate: on,
    }));
    const known = rows.map((r) => there.find((t) => SAME.every((key) => t[key] === r[key])));
    const added = rows.filter((_, i) => !known[i]);
    if (added.length > 0) {
      await tx.insert(reading).values(added);
      await refreshStatus(tx, scope.businessId, [tankId], today);
    }
    return rows.map((r, i) => known[i]?.id ?? r.id);
  });
}

/** What to enter instead of a figure that cannot be one. */
function readingProblem(parameter: Parameter, text: string, problem: ReadingProblem): string {
  const { label, plausible } = parameterFacts[parameter];
  if (problem.code === "other-unit") return `Choose the unit: ${text} looks like ${problem.unit}.`;
  if (problem.code === "unknown-unit") return `Choose a unit that ${inSentence(label)} is measured in.`;
  if (problem.code === "not-a-number") return `Enter ${label} as a number, such as ${plausible[0]}.`;
  const { low, high, unit } = problem;
  return `Enter a figure from ${Number(low.toFixed(3))} to ${Number(high.toFixed(3))} ${unit} for ${label}.`;
}

function refuse(field: string, message: string): never {
  throw new Refused(422, "invalid", message, { [field]: [message] });
}

export const CorrectReadingSchema = z.object({
  readingId: z.uuid(),
  /** What it really was; null where nobody measured it. */
  really: z
    .object({
      text: z.string().trim().min(1, "Enter the figure.").max(20),
      unit: z.string().max(20),
      decimal: z.enum([".", ","]).optional(),
    })
    .nullable(),
  why: z.string().trim().min(1, "Enter why it is corrected.").max(400),
});

/**
 * Corrects a reading that was entered outside of a visit, or takes it back; what stood there is kept. One of a visit is
 * corrected in its record.
 *
 * @throws "not found" for a reading of a visit; a refusal for a figure that cannot be one.
 */
export async function correctReading(
  scope: Scope,
  { readingId, really, why }: z.infer<typeof CorrectReadingSchema>,
  { now, today }: When,
): Promise<void> {
  await inTransaction(async (tx) => {
    const of = and(eq(reading.businessId, scope.businessId), eq(reading.id, readingId), isNull(reading.visitId));
    const [row] = await tx.select().from(reading).where(of);
    if (!row) throw notFound("reading");
    await lockTank(tx, scope, row.tankId);
    const parameter = row.parameter as Parameter;
    const found = really && parsedAs(parameter, row, really);
    const { tankId, entered, unit, value, takenAt, item } = row;
    await tx.insert(readingCorrection).values({
      ...{ id: newId(), businessId: scope.businessId, tankId, readingId, personId: scope.personId, at: now, why },
      ...{ parameter, item, takenAt, entered, unit, value },
      ...{ nowEntered: really?.text ?? null, nowUnit: really?.unit ?? null, nowValue: found?.value ?? null },
    });
    if (found && really)
      await tx
        .update(reading)
        .set({ entered: really.text, unit: really.unit, value: found.value, sigma: found.sigma * spreadOf(scope) })
        .where(of);
    else await tx.delete(reading).where(of);
    await refreshStatus(tx, scope.businessId, [tankId], today);
  });
}

/** The figure as it was read, with what was taken off the first one for its kit. */
function parsedAs(
  parameter: Parameter,
  { method, kitId, kitOffset }: typeof reading.$inferSelect,
  really: NonNullable<z.infer<typeof CorrectReadingSchema>["really"]>,
) {
  const kit = kitId ? { id: kitId, name: "", ...(kitOffset === null ? {} : { offset: kitOffset }) } : undefined;
  const found = parseReading({ parameter, method, ...really, kit });
  return found.ok ? found : refuse("text", readingProblem(parameter, really.text, found.problem));
}
