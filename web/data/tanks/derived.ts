import { addDays } from "@keel-round/core/calendar";
import {
  co2Series,
  type Derived,
  type DerivedPoint,
  evaporationSeries,
  freeAmmoniaSeries,
  runningSeries,
} from "@keel-round/core/readings";
import { isSalt, type TankFacts } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { and, asc, eq, gt, gte, inArray } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { levelLog, reading } from "../schema";
import type { TankSheet } from "./tanks";

/** A figure that is worked out of what was logged on one day. */
export interface DerivedSeries {
  readonly of: Derived;
  /** Of what runs: the piece of equipment. */
  readonly item: string | null;
  readonly points: readonly DerivedPoint[];
  /** From where on it harms, in its unit; null where it has no such limit. */
  readonly limit: number | null;
  readonly on: string;
}

const PARTS: Readonly<Record<Exclude<Derived, "evaporation" | "running">, readonly Parameter[]>> = {
  "free-ammonia": ["ammonia", "ph", "temperature", "salinity"],
  co2: ["alkalinity", "ph"],
};
const YEARS_BACK = 3;

/** What of a tank can be worked out: carbon dioxide of fresh water, free ammonia where total ammonia is judged, evaporation. */
export const derivedOf = (facts: TankFacts): Derived[] => [
  ...(facts.bands.some((b) => b.parameter === "ammonia") ? (["free-ammonia"] as const) : []),
  ...(!isSalt(facts) && facts.bands.some((b) => b.parameter === "alkalinity") ? (["co2"] as const) : []),
  "evaporation",
];

/** The series over three years, from the days on which all of its parts were logged. */
export async function loadDerived(
  scope: Pick<Scope, "businessId">,
  { row, input }: TankSheet,
  of: Derived,
  today: string,
  item: string | null = null,
): Promise<DerivedSeries> {
  const since = addDays(today, -365 * YEARS_BACK);
  if (of === "evaporation") {
    const levels = await db()
      .select({ on: levelLog.onDate, belowCm: levelLog.belowCm, missingL: levelLog.missingL, days: levelLog.days })
      .from(levelLog)
      .where(
        and(
          ...[eq(levelLog.businessId, scope.businessId), eq(levelLog.tankId, row.id)],
          ...[gt(levelLog.days, 0), gte(levelLog.onDate, since)],
        ),
      )
      .orderBy(asc(levelLog.onDate), asc(levelLog.id));
    return {
      of,
      item,
      points: evaporationSeries(levels.map((l) => ({ ...l, days: l.days ?? 0 }))),
      limit: null,
      on: today,
    };
  }
  if (of === "running") {
    const read = await db()
      .select({ on: reading.onDate, hours: reading.value })
      .from(reading)
      .where(
        and(
          ...[eq(reading.businessId, scope.businessId), eq(reading.tankId, row.id), eq(reading.parameter, "hours")],
          ...[eq(reading.item, item ?? ""), gte(reading.onDate, since)],
        ),
      )
      .orderBy(asc(reading.takenAt), asc(reading.id));
    return { of, item, points: runningSeries(read), limit: null, on: today };
  }
  const rows = await db()
    .select({ parameter: reading.parameter, value: reading.value, sigma: reading.sigma, on: reading.onDate })
    .from(reading)
    .where(
      and(
        ...[eq(reading.businessId, scope.businessId), eq(reading.tankId, row.id)],
        inArray(reading.parameter, [...PARTS[of]]),
        gte(reading.onDate, since),
      ),
    )
    .orderBy(asc(reading.takenAt), asc(reading.id));
  const readings = rows.map((r) => ({ ...r, parameter: r.parameter as Parameter }));
  const points = of === "co2" ? co2Series(readings) : freeAmmoniaSeries(readings, input.facts);
  return { of, item, points, limit: of === "co2" ? null : input.limits.freeAmmoniaMgL, on: today };
}
