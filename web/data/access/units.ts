import { and, asc, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { person } from "../schema";
import { notFound } from "./define";
import { type Scope, seesAll } from "./scope";

/** The units a person may choose to read in. */
export const UnitsSchema = z.object({
  volume: z.enum(["L", "US gal", "imp gal"]),
  length: z.enum(["cm", "in"]),
  temperature: z.enum(["°C", "°F"]),
  salinity: z.enum(["ppt", "SG 25/25", "mS/cm raw"]),
  alkalinity: z.enum(["dKH", "meq/L", "ppm CaCO3"]),
  decimal: z.enum([".", ","]).optional(),
});

/** Sets the units of the person who asks. Nothing is stored in them. */
export async function saveUnits(scope: Scope, units: z.infer<typeof UnitsSchema>): Promise<void> {
  await db()
    .update(person)
    .set({ units })
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, scope.personId)));
}

/** Who drives rounds: technicians and leads, or in a firm that has none yet its office. */
export async function technicians(scope: Scope, q: Queries = db()): Promise<{ id: string; name: string }[]> {
  const people = await q
    .select({ id: person.id, name: person.name, role: person.role })
    .from(person)
    .where(
      and(
        eq(person.businessId, scope.businessId),
        inArray(person.role, ["technician", "lead", "office"]),
        isNull(person.leftAt),
      ),
    )
    .orderBy(asc(person.name));
  const drives = people.some((p) => p.role !== "office") ? ["technician", "lead"] : ["office"];
  return people.filter((p) => drives.includes(p.role)).map(({ id, name }) => ({ id, name }));
}

/** A thing that lies in a person's van on any day, or does not. */
export const VanKitSchema = z.object({
  personId: z.uuid("Reload the page and try again."),
  item: z.string().trim().min(1, "Say what it is.").max(80),
  carries: z.boolean(),
});

/** Keeps what a van carries, by its name without how much or how long. */
export async function setVanKit(
  scope: Scope,
  { personId, item, carries }: z.infer<typeof VanKitSchema>,
): Promise<void> {
  // A technician packs their own van.
  if (!seesAll(scope.role) && personId !== scope.personId) throw notFound("person");
  const name = (item.split(",")[0] ?? item).trim();
  await inTransaction(async (tx) => {
    const mine = and(eq(person.businessId, scope.businessId), eq(person.id, personId));
    const [row] = await tx.select({ vanKit: person.vanKit }).from(person).where(mine).for("update");
    if (!row) throw notFound("person");
    const rest = row.vanKit.filter((k) => k.toLowerCase() !== name.toLowerCase());
    await tx
      .update(person)
      .set({ vanKit: carries ? [...rest, name].sort() : rest })
      .where(mine);
  });
}
