import { addDays, daysBetween, isCivilDate } from "@keel-round/core/calendar";
import { byText } from "@keel-round/core/text";
import { eq } from "drizzle-orm";
import ICAL from "ical.js";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, deskChange } from "../schema";
import type { Holiday } from "../schema/desk";

export const HolidaysSchema = z.object({
  text: z.string().min(1, "Choose a calendar file, .ics.").max(2_000_000, "The file is too large."),
});
export const HolidayDaysSchema = z.object({
  days: z.array(z.string().refine(isCivilDate, "Enter a day that exists.")).min(1, "Choose at least one day.").max(400),
});

/** So far ahead a holiday that recurs is written down. */
const AHEAD_DAYS = 3 * 366;
/** No public holiday lasts longer; what does is something else. */
const MOST_DAYS = 30;
const MOST_HOLIDAYS = 600;

/** Public holidays that a calendar file names from a day on, each day once. */
export function readHolidays(text: string, today: string): Holiday[] {
  const until = addDays(today, AHEAD_DAYS);
  const found = new Map<string, string>();
  for (const event of eventsOf(text)) {
    const name = (event.summary ?? "").trim().slice(0, 80) || "Holiday";
    const days = Math.min(MOST_DAYS, Math.max(1, daysBetween(dayOf(event.startDate), dayOf(event.endDate))));
    const add = (first: string) => {
      for (let i = 0; i < days; i++) {
        const on = addDays(first, i);
        if (on >= today && on <= until && !found.has(on)) found.set(on, name);
      }
    };
    if (!event.isRecurring()) add(dayOf(event.startDate));
    else {
      const each = event.iterator();
      for (let next = each.next(); next && dayOf(next) <= until; next = each.next()) add(dayOf(next));
    }
  }
  return [...found].map(([on, name]) => ({ on, name })).sort((a, b) => byText(a.on, b.on));
}

const dayOf = (time: ICAL.Time): string =>
  `${time.year}-${String(time.month).padStart(2, "0")}-${String(time.day).padStart(2, "0")}`;

/** The events of a calendar file. @throws a refusal where it is none. */
function eventsOf(text: string): ICAL.Event[] {
  try {
    return new ICAL.Component(ICAL.parse(text.trim()))
      .getAllSubcomponents("vevent")
      .map((c) => new ICAL.Event(c))
      .filter((e) => e.startDate && !e.isRecurrenceException());
  } catch {
    throw new Refused(422, "not-a-calendar", "This is no calendar file. Choose a file that ends in .ics.", {});
  }
}

/** The firm's public holidays from a day on. */
export async function listHolidays(scope: Scope, today: string): Promise<readonly Holiday[]> {
  const [row] = await db()
    .select({ holidays: business.holidays })
    .from(business)
    .where(eq(business.id, scope.businessId));
  return (row?.holidays ?? []).filter((h) => h.on >= today);
}

/** What a file would add, before anything is kept. */
export async function previewHolidays(
  scope: Scope,
  { text }: z.infer<typeof HolidaysSchema>,
  { today }: When,
): Promise<{ readonly holidays: readonly Holiday[]; readonly known: number }> {
  requireOffice(scope);
  const holidays = readHolidays(text, today);
  if (holidays.length === 0)
    throw new Refused(422, "no-holidays", "The file names no day from today on. Choose a newer one.", {});
  const known = new Set((await listHolidays(scope, today)).map((h) => h.on));
  return { holidays, known: holidays.filter((h) => known.has(h.on)).length };
}

/** Adds the days of a file to the firm's public holidays; those that are known keep their names. */
export async function importHolidays(
  scope: Scope,
  input: z.infer<typeof HolidaysSchema>,
  when: When,
): Promise<{ added: number }> {
  const { holidays } = await previewHolidays(scope, input, when);
  let added = 0;
  await change(scope, when, (before) => {
    const known = new Set(before.map((h) => h.on));
    const more = holidays.filter((h) => !known.has(h.on));
    added = more.length;
    return [...before, ...more];
  });
  return { added };
}

/** Takes days off the firm's public holidays. */
export async function removeHolidays(
  scope: Scope,
  { days }: z.infer<typeof HolidayDaysSchema>,
  when: When,
): Promise<void> {
  requireOffice(scope);
  await change(scope, when, (before) => before.filter((h) => !days.includes(h.on)));
}

function requireOffice(scope: Scope): void {
  if (scope.role !== "office") throw notFound("page");
}

async function change(
  scope: Scope,
  { now }: When,
  to: (before: readonly Holiday[]) => readonly Holiday[],
): Promise<void> {
  await inTransaction(async (tx) => {
    const [row] = await tx.select().from(business).where(eq(business.id, scope.businessId)).for("update");
    if (!row) throw notFound("firm");
    const holidays = [...to(row.holidays)].sort((a, b) => byText(a.on, b.on)).slice(0, MOST_HOLIDAYS);
    if (JSON.stringify(holidays) === JSON.stringify(row.holidays)) return;
    await tx.update(business).set({ holidays }).where(eq(business.id, scope.businessId));
    await tx.insert(deskChange).values({
      ...{ id: newId(), businessId: scope.businessId, personId: scope.personId, at: now, batchId: newId() },
      ...{ entity: "firm", entityId: scope.businessId, field: "holidays" },
      old: `${row.holidays.length} days`,
      new: `${holidays.length} days`,
    });
  });
}
