import { addDays } from "@keel-round/core/calendar";
import type { PlanInput, WaterSource } from "@keel-round/core/given";
import type { Collecting } from "@keel-round/core/round";
import type { Message } from "@keel-round/core/say";
import { judgeLot } from "@keel-round/core/sea";
import { type Level, levelOf, type TideDay, tideOn } from "@keel-round/core/tide";
import { readStation } from "@keel-round/core/tide/schema";
import { planVisit } from "@keel-round/core/visit";
import type { Quay } from "@keel-round/core/weeks";
import { and, asc, eq, isNull } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { sourceOf } from "../plan/asCore";
import { collectedSince } from "../plan/seaLots";
import { business, quay, source } from "../schema";

type Place = typeof quay.$inferSelect;

/** A place with its tide, read once. */
interface Tides {
  readonly place: Place;
  readonly zone: string;
  readonly stationName: string;
  readonly level: Level;
}

/** Sea water that was collected, judged on a day. */
export interface JudgedLot {
  readonly id: string;
  readonly name: string;
  readonly onDate: string;
  readonly litres: number;
  readonly salinityPsu: number | null;
  readonly usable: boolean;
  readonly why: readonly Message[];
}

/** The sea water of a day: where it is collected, its tide, and what was collected already. */
export interface DaySea {
  readonly quayId: string;
  readonly placeName: string;
  readonly stationName: string;
  readonly permission: string;
  readonly collecting: Collecting;
  readonly tide: TideDay;
  /** Of the day, and earlier ones while they keep; the newest first. */
  readonly lots: readonly JudgedLot[];
}

/** The firm's collecting place, the first by name; null where it has none. */
async function tidesOf(q: Queries, businessId: string): Promise<Tides | null> {
  const [row] = await q
    .select({ place: quay, zone: business.zone })
    .from(quay)
    .innerJoin(business, eq(business.id, quay.businessId))
    .where(and(eq(quay.businessId, businessId), isNull(quay.archivedAt)))
    .orderBy(asc(quay.name), asc(quay.id))
    .limit(1);
  const { station } = row ? readStation(row.place.station) : { station: null };
  return row && station ? { ...row, stationName: station.name, level: levelOf(station) } : null;
}

/** Tides that were worked out before: a month of them takes a tenth of a second. */
const known = new Map<string, TideDay>();
const MOST_KNOWN = 2000;

function tideOf({ place, zone, level }: Tides, on: string): TideDay {
  const key = `${place.id} ${place.version} ${zone} ${on}`;
  const before = known.get(key);
  if (before) return before;
  if (known.size >= MOST_KNOWN) known.clear();
  const tide = tideOn(level, place, place, on, zone);
  known.set(key, tide);
  return tide;
}

const MINUTES_AN_HOUR = 60;

const collectingAt = (place: Place): Omit<Collecting, "windows"> => ({
  name: place.name,
  lat: place.lat,
  lon: place.lon,
  pumpLPerMin: place.pumpLPerMin,
  setUpMinutes: place.setUpMinutes,
  earliestMinute: place.earliestHour * MINUTES_AN_HOUR,
  readyMinutes: place.readyMinutes,
});

/** Where sea water is collected, with its tides between two days; null where the firm collects none. */
export async function quayBetween(q: Queries, businessId: string, from: string, to: string): Promise<Quay | null> {
  const tides = await tidesOf(q, businessId);
  if (!tides) return null;
  const windowsOn: Record<string, TideDay["windows"]> = {};
  for (let on = from; on <= to; on = addDays(on, 1)) windowsOn[on] = tideOf(tides, on).windows;
  return { ...collectingAt(tides.place), windowsOn };
}

/** Salt water mixed at the tank in place of sea water: the other way, with its grams. */
export interface OnSite {
  readonly visitId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly litres: number;
  readonly grams: number;
  readonly saltName: string;
  readonly source: { readonly id: string; readonly name: string };
}

/** A tank of the day that takes sea water, before its visit. */
interface SeaTank {
  readonly visitId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly input: PlanInput;
}

/** What it would take to mix the day's salt water at the tanks, with the mix of the firm that is nearest to each. */
export async function mixInstead(
  q: Queries,
  businessId: string,
  tanks: readonly SeaTank[],
  on: string,
): Promise<OnSite[]> {
  if (tanks.length === 0) return [];
  const rows = await q
    .select()
    .from(source)
    .where(and(eq(source.businessId, businessId), isNull(source.archivedAt), isNull(source.siteId)))
    .orderBy(asc(source.name));
  const mixes = rows.map((r) => sourceOf(r, on)).filter((s) => s.kind === "mix" && s.salt);
  return tanks.flatMap(({ input, ...tank }) => {
    const wanted = input.facts.targetPsu;
    const [mix] = [...mixes].sort((a, b) => apart(a, wanted) - apart(b, wanted));
    if (!mix?.salt) return [];
    const { water } = planVisit({ ...input, source: mix });
    if (water.litres.value <= 0) return [];
    return [
      {
        ...tank,
        litres: Math.round(water.litres.value),
        grams: Math.round(water.saltG?.value ?? 0),
        saltName: mix.salt.name,
        source: { id: mix.id, name: mix.name },
      },
    ];
  });
}

const apart = (mix: WaterSource, psu: number): number => Math.abs((mix.chemistry.salinity ?? 0) - psu);

/** The sea water of one day; null where the firm has no place to collect it. */
export async function daySea(q: Queries, businessId: string, on: string): Promise<DaySea | null> {
  const tides = await tidesOf(q, businessId);
  if (!tides) return null;
  const { place, stationName } = tides;
  const tide = tideOf(tides, on);
  const lots = await collectedSince(q, businessId, addDays(on, -place.keepsDays), [place.sourceId]);
  return {
    quayId: place.id,
    placeName: place.name,
    stationName,
    permission: place.permission,
    collecting: { ...collectingAt(place), windows: tide.windows },
    tide,
    lots: lots
      .filter(({ lot }) => lot.onDate <= on)
      .map(({ lot, quay: at }) => ({
        ...{ id: lot.id, name: lot.name, onDate: lot.onDate, litres: lot.litres, salinityPsu: lot.salinityPsu },
        ...judgeLot(lot, at, on),
      })),
  };
}
