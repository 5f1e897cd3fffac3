import { addDays, civilOf } from "@keel-round/core/calendar";
import { programmeOn } from "@keel-round/core/given";
import { ownerList } from "@keel-round/core/programme";
import { systemVolumeL } from "@keel-round/core/tank";
import { fromShown, litresText, parseNumber, unitFor } from "@keel-round/core/units";
import { and, desc, eq, gte } from "drizzle-orm";
import { z } from "zod";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { ownerDay, reading } from "../schema";
import { addReadings, correctReading } from "../tanks/addReadings";
import { loadTank } from "../tanks/tanks";

const figure = z.string().trim().max(20, "Enter at most 20 characters.").default("");

export const DaySchema = z.object({
  tankId: z.uuid("Reload the page and try again."),
  /** Codes of the jobs that are ticked. */
  done: z.array(z.string().max(60)).max(60).default([]),
  /** As typed, in the owner's units. */
  topUp: figure,
  temperature: figure,
});

/** What was done of the owner's list on a day. */
export interface OwnerDay {
  readonly on: string;
  readonly done: readonly string[];
  readonly topUpL: number | null;
  readonly temperatureC: number | null;
}

/** More than this part of the tank is no topping up. */
const MOST_TOP_UP = 0.5;
const OWNERS_THERMOMETER = "thermometer";

/**
 * Keeps what the owner did of their list today, and what they read. Saved again, the last word of the day stands; another
 * temperature corrects the one before, in sight.
 *
 * @throws a refusal beside the figure that cannot be one; nothing is kept then.
 */
export async function saveDay(scope: Scope, input: z.infer<typeof DaySchema>, when: When): Promise<void> {
  const sheet = await loadTank(scope, input.tankId, when.today);
  const codes = ownerList(programmeOn(sheet.input, true)).flatMap((g) => g.jobs.map((j) => j.code));
  const topUpL = litresOf(input.topUp, systemVolumeL(sheet.input.facts), scope);
  const [before] = await daysOf(scope, input.tankId, when.today);
  const readingId = await keepTemperature(scope, input, before?.on === when.today ? before.readingId : null, when);
  const said = {
    ...{ personId: scope.personId, at: when.now, topUpL, readingId },
    done: codes.filter((c) => input.done.includes(c)),
  };
  await inTransaction(async (tx) => {
    await tx
      .insert(ownerDay)
      .values({ id: newId(), businessId: scope.businessId, tankId: input.tankId, onDate: when.today, ...said })
      .onDuplicateKeyUpdate({ set: said });
  });
}

/** Litres that were topped up as somebody typed them; null where nothing was. */
function litresOf(text: string, systemL: number, { units }: Scope): number | null {
  if (text === "") return null;
  const shown = parseNumber(text, units.decimal);
  const litres = shown === null ? null : fromShown(shown, "L", units);
  if (litres !== null && litres >= 0 && litres <= MOST_TOP_UP * systemL) return litres;
  const says = `Enter what you poured in, from 0 to ${litresText(MOST_TOP_UP * systemL, units)}.`;
  throw new Refused(422, "invalid", says, { topUp: [says] });
}

/** Adds the temperature that was read, or corrects today's; answers which reading it is. */
async function keepTemperature(
  scope: Scope,
  { tankId, temperature }: z.infer<typeof DaySchema>,
  before: string | null,
  when: When,
): Promise<string | null> {
  const [was] = before
    ? await db()
        .select({ entered: reading.entered })
        .from(reading)
        .where(and(eq(reading.businessId, scope.businessId), eq(reading.id, before)))
    : [];
  if (temperature === (was?.entered ?? "")) return before;
  const decimal = scope.units.decimal ? { decimal: scope.units.decimal } : {};
  const typed = { text: temperature, unit: unitFor("temperature", scope.units), ...decimal };
  try {
    if (before && was) {
      const really = temperature === "" ? null : typed;
      await correctReading(scope, { readingId: before, really, why: "Changed on the owner's list." }, when);
      return really ? before : null;
    }
    const { date, minute } = civilOf(when.now.getTime(), scope.zone);
    const [added] = await addReadings(
      scope,
      {
        ...{ tankId, on: date, minute },
        readings: [{ parameter: "temperature", method: OWNERS_THERMOMETER, ...typed }],
      },
      when,
    );
    return added ?? null;
  } catch (error) {
    if (!(error instanceof Refused) || error.status !== 422) throw error;
    throw new Refused(422, "invalid", error.message, { temperature: [error.message] });
  }
}

const BACK_DAYS = 60;

/** The owner's days of a tank, the newest first. */
async function daysOf(scope: Pick<Scope, "businessId">, tankId: string, today: string) {
  return (
    await db()
      .select({ day: ownerDay, temperatureC: reading.value, entered: reading.entered })
      .from(ownerDay)
      .leftJoin(reading, and(eq(reading.businessId, ownerDay.businessId), eq(reading.id, ownerDay.readingId)))
      .where(
        and(
          ...[eq(ownerDay.businessId, scope.businessId), eq(ownerDay.tankId, tankId)],
          gte(ownerDay.onDate, addDays(today, -BACK_DAYS)),
        ),
      )
      .orderBy(desc(ownerDay.onDate))
  ).map(({ day, temperatureC, entered }) => ({
    ...{ on: day.onDate, done: day.done, topUpL: day.topUpL, readingId: day.readingId },
    ...{ temperatureC, entered },
  }));
}

/** What the owner of a tank did of their list in the last weeks, the newest first. The caller has checked the scope. */
export const ownerDays = (scope: Pick<Scope, "businessId">, tankId: string, today: string) =>
  daysOf(scope, tankId, today);
