import { daysBetween } from "../calendar/index.ts";
import { type Message, m } from "../say/index.ts";

/** What was said on the day about the water at the place. */
export const NOTICES = ["none", "discharge", "bloom", "not-looked"] as const;

/** Sea water that somebody collected, as they recorded it. */
export interface SeaLot {
  /** The day it was collected. */
  readonly onDate: string;
  readonly litres: number;
  readonly salinityPsu: number | null;
  readonly temperatureC: number | null;
  readonly notices: (typeof NOTICES)[number];
  /** Whoever collected it was allowed to take it. */
  readonly permitted: boolean;
}

/** What the place asks of its water. */
export interface SeaLimits {
  readonly lowestPsu: number;
  readonly warmestC: number;
  readonly keepsDays: number;
  /** Last day of the permission; null where it has no end. */
  readonly permittedUntil: string | null;
}

/** Whether water that was collected may go into a tank, and all that stands against it. */
export interface SeaVerdict {
  readonly usable: boolean;
  readonly why: readonly Message[];
}

/** Judges collected sea water on a day: its age counts until it is poured. */
export function judgeLot(lot: SeaLot, limits: SeaLimits, on: string): SeaVerdict {
  const age = daysBetween(lot.onDate, on);
  const { salinityPsu: psu, temperatureC: celsius } = lot;
  const why = [
    ...(psu === null ? [m("sea.no-salinity")] : []),
    ...(psu !== null && psu < limits.lowestPsu
      ? [m("sea.thin", { is: { reading: psu, of: "salinity" }, least: { reading: limits.lowestPsu, of: "salinity" } })]
      : []),
    ...(celsius === null ? [m("sea.no-temperature")] : []),
    ...(celsius !== null && celsius > limits.warmestC
      ? [m("sea.warm", { is: { celsius }, most: { celsius: limits.warmestC } })]
      : []),
    ...(lot.notices === "discharge" ? [m("sea.discharge")] : []),
    ...(lot.notices === "bloom" ? [m("sea.bloom")] : []),
    ...(lot.notices === "not-looked" ? [m("sea.not-looked")] : []),
    ...(lot.permitted ? [] : [m("sea.not-permitted")]),
    ...(limits.permittedUntil !== null && limits.permittedUntil < lot.onDate
      ? [m("sea.permission-over", { day: { day: limits.permittedUntil } })]
      : []),
    ...(age > limits.keepsDays ? [m("sea.old", { days: age, most: limits.keepsDays })] : []),
  ];
  return { usable: why.length === 0, why };
}
