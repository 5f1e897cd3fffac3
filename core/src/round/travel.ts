/** A place on the ground, degrees. */
export interface Place {
  readonly lat: number;
  readonly lon: number;
}

/** Mean radius of the earth, km (IUGG). */
const EARTH_KM = 6371.0088;

/** Great-circle distance, km: haversine. */
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
}

/** Minutes and kilometres between two places by road, estimated from their coordinates. */
export function travel(a: Place, b: Place, roads: Roads): { readonly km: number; readonly minutes: number } {
  const km = distanceKm(a, b) * roads.roadFactor;
  return { km, minutes: (km / roads.speedKmH) * 60 };
}
