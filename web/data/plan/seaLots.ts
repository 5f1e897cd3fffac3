import type { WaterSource } from "@keel-round/core/given";
import { judgeLot } from "@keel-round/core/sea";
import { and, desc, eq, gte, inArray, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { quay, seaLot } from "../schema";

/** Sea water that was collected, with the place it comes from. */
export interface CollectedLot {
  readonly lot: typeof seaLot.$inferSelect;
  readonly quay: typeof quay.$inferSelect;
}

/** Sea water that was collected since a day, the newest first: of some waters, or of all. */
export async function collectedSince(
  q: Queries,
  businessId: string,
  since: string,
  sourceIds?: readonly string[],
): Promise<CollectedLot[]> {
  if (sourceIds?.length === 0) return [];
  return q
    .select({ lot: seaLot, quay })
    .from(seaLot)
    .innerJoin(quay, and(eq(quay.businessId, seaLot.businessId), eq(quay.id, seaLot.quayId)))
    .where(
      and(
        eq(seaLot.businessId, businessId),
        gte(seaLot.onDate, since),
        isNull(seaLot.archivedAt),
        sourceIds ? inArray(quay.sourceId, [...sourceIds]) : undefined,
      ),
    )
    .orderBy(desc(seaLot.onDate), desc(seaLot.id));
}

/**
 * Natural sea water as it is on a day: as it was measured when it was collected that day, or earlier where it still may
 * be used; with what stands against it. Water that nobody collected yet is as its source says.
 */
export function asCollected(water: WaterSource, lots: readonly CollectedLot[], on: string): WaterSource {
  if (water.kind !== "natural-sea") return water;
  const mine = lots.filter((l) => l.quay.sourceId === water.id && l.lot.onDate <= on);
  const found = mine.find((l) => l.lot.onDate === on) ?? mine.find((l) => judgeLot(l.lot, l.quay, on).usable);
  if (!found) return water;
  const { lot } = found;
  const { why } = judgeLot(lot, found.quay, on);
  const measured = lot.salinityPsu === null ? {} : { salinity: lot.salinityPsu };
  return {
    ...water,
    chemistry: { ...water.chemistry, ...measured },
    known: {
      ...water.known,
      ...(lot.salinityPsu === null ? {} : { salinity: { on: lot.onDate, basis: "fresh" as const } }),
    },
    coldC: lot.temperatureC ?? water.coldC,
    ...(why.length > 0 ? { refused: why } : {}),
  };
}
