import { CADENCE_GEAR, type CadenceGear, type Evidence } from "@keel-round/core/programme";
import { type Meter, type MeterReading, metersOf, wearOf, withMeter } from "@keel-round/core/upkeep";
import { and, eq, gte, inArray, isNull } from "drizzle-orm";
import { groupBy } from "../database/groupBy";
import type { Queries } from "../database/transaction";
import { animal, animalEvent, equipment } from "../schema";

/** What calls for jobs of some tanks, beside readings and dirt. */
export interface TankEvidence {
  /** @param hours Readings of its hour meters, the earlier first. */
  readonly of: (tankId: string, on: string, hours: readonly MeterReading[]) => Pick<Evidence, "events" | "running">;
  readonly meters: (tankId: string, on: string, hours: readonly MeterReading[]) => Meter[];
}

const LAMPS: readonly string[] = ["light", "uv"];
const counted = (kind: string): kind is CadenceGear => (CADENCE_GEAR as readonly string[]).includes(kind);

/** Reads what came into some tanks and how long their equipment has run, in two queries. */
export async function loadEvidence(
  q: Queries,
  businessId: string,
  tankIds: readonly string[],
  since: string,
): Promise<TankEvidence> {
  const ids = [...tankIds];
  const [added, gear] = await Promise.all([
    q
      .select({ tankId: animal.tankId, on: animalEvent.onDate })
      .from(animalEvent)
      .innerJoin(animal, and(eq(animal.businessId, animalEvent.businessId), eq(animal.id, animalEvent.animalId)))
      .where(
        and(
          eq(animalEvent.businessId, businessId),
          inArray(animal.tankId, ids),
          eq(animalEvent.kind, "added"),
          gte(animalEvent.onDate, since),
        ),
      )
      .orderBy(animalEvent.onDate, animalEvent.id),
    q
      .select()
      .from(equipment)
      .where(and(eq(equipment.businessId, businessId), inArray(equipment.tankId, ids), isNull(equipment.archivedAt)))
      .orderBy(equipment.name, equipment.id),
  ]);
  const events = groupBy(added, (r) => r.tankId);
  const pieces = groupBy(gear, (r) => r.tankId);
  return {
    meters: (tankId, on, hours) => metersOf(pieces.get(tankId) ?? [], hours, on),
    of: (tankId, on, hours) => ({
      events: [
        ...(events.get(tankId) ?? []).filter((e) => e.on <= on).map((e) => ({ kind: "stocking" as const, on: e.on })),
        ...(pieces.get(tankId) ?? [])
          .filter((p) => LAMPS.includes(p.kind) && p.installedOn >= since && p.installedOn <= on)
          .map((p) => ({ kind: "new-lamp" as const, on: p.installedOn })),
      ],
      running: (pieces.get(tankId) ?? []).flatMap((piece) => {
        const p = withMeter(piece, hours, on);
        return counted(p.kind) && p.hoursPerDay !== null
          ? [
              {
                of: p.kind,
                name: p.name,
                installedOn: p.installedOn,
                hoursRun: wearOf(p, on).hoursRun ?? 0,
                hoursPerDay: p.hoursPerDay,
                asOf: on,
              },
            ]
          : [];
      }),
    }),
  };
}
