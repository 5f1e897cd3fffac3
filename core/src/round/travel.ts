/** A place on the ground, degrees. */
export interface Place {
  readonly lat: number;
  readonly lon: number;
  /** Under which ways to it are known. */
  readonly key?: string;
}

/** Mean radius of the earth, km (IUGG). */
const EARTH_KM = 6371.0088;

/**
 * Great-circle distance, km: haversine.
 *
 * @example
 * distanceKm({ lat: 0, lon: 0 }, { lat: 1, lon: 0 }); // 111.2
 */
export function distanceKm(a: Place, b: Place): number {
  const rad = Math.PI / 180;
  const h =
    Math.sin(((b.lat - a.lat) * rad) / 2) ** 2 +
    Math.cos(a.lat * rad) * Math.cos(b.lat * rad) * Math.sin(((b.lon - a.lon) * rad) / 2) ** 2;
  return 2 * EARTH_KM * Math.asin(Math.min(1, Math.sqrt(h)));
}

/** How the roads of a town stretch and slow a straight line. */
export interface Roads {
  readonly roadFactor: number;
  readonly speedKmH: number;
  /** Minutes of ways that are known better, by `wayKey`: from a list, or learnt from the log. Need not be symmetric. */
  readonly known?: Readonly<Record<string, number>>;
}

/** Names the way from one place to another. */
export const wayKey = (from: string, to: string): string => `${from} ${to}`;

/**
 * Minutes and kilometres between two places by road: as they are known, else estimated from their coordinates.
 *
 * @example
 * travel({ lat: 0, lon: 0 }, { lat: 1, lon: 0 }, { roadFactor: 2, speedKmH: 60 }).minutes; // about 222.4
 */
export function travel(a: Place, b: Place, roads: Roads): { readonly km: number; readonly minutes: number } {
  const km = distanceKm(a, b) * roads.roadFactor;
  const known = a.key !== undefined && b.key !== undefined ? roads.known?.[wayKey(a.key, b.key)] : undefined;
  return { km, minutes: known ?? (km / roads.speedKmH) * 60 };
}
