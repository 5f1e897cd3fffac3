import { daysBetween } from "../calendar/civil.ts";
import type { EquipmentLife } from "./wear.ts";

/** What an hour meter showed. */
export interface MeterReading {
  /** The piece of equipment by its name. */
  readonly item?: string | null | undefined;
  /** Hours. */
  readonly value: number;
  /** Civil date. */
  readonly on: string;
}

/** A piece of equipment with an hour meter, as somebody who reads it has to know it. */
export interface Meter {
  readonly name: string;
  readonly hours: number;
  readonly on: string;
}

/** Hours a day are told from meter readings so far apart; over less, a day on or off would decide it. */
const APART_DAYS = 7;
/** What it ran longer ago says nothing of today. */
const BACK_DAYS = 90;

/**
 * A piece's life with its hour meter as it was read at the tank: the newest reading of the log or the register counts, and hours
 * a day are those between its readings where they tell.
 *
 * A meter that shows less than before is another one, or was set back: what was before it tells nothing.
 *
 * @param readings Of the whole tank, the earlier first.
 */
export function withMeter<T extends EquipmentLife & { readonly name: string }>(
  piece: T,
  readings: readonly MeterReading[],
  today: string,
): T {
  const registered = piece.meterHours !== null && piece.meterOn !== null;
  const known = [
    ...(registered ? [{ value: piece.meterHours ?? 0, on: piece.meterOn ?? "" }] : []),
    ...readings.filter((r) => r.item === piece.name && r.on >= piece.installedOn),
  ]
    .filter((r) => r.on <= today)
    .sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
  const last = known.at(-1);
  if (!last) return piece;
  const setBack = known.findLastIndex((r, i) => r.value < (known[i - 1]?.value ?? 0));
  const first = known
    .slice(Math.max(0, setBack))
    .find((r) => daysBetween(r.on, last.on) <= BACK_DAYS && daysBetween(r.on, last.on) >= APART_DAYS);
  const perDay = first ? (last.value - first.value) / daysBetween(first.on, last.on) : null;
  return {
    ...piece,
    meterHours: last.value,
    meterOn: last.on,
    hoursPerDay: perDay === null ? piece.hoursPerDay : Math.min(24, perDay),
  };
}

/** The hour meters of a tank: pieces whose meter stands in the register or was read before. */
export const metersOf = (
  pieces: readonly (EquipmentLife & { readonly name: string })[],
  readings: readonly MeterReading[],
  today: string,
): Meter[] =>
  pieces.flatMap((p) => {
    const { name, meterHours, meterOn } = withMeter(p, readings, today);
    return meterHours === null || meterOn === null ? [] : [{ name, hours: meterHours, on: meterOn }];
  });

/** The most that a meter can show on a day: it ran ever since, and was read late that day. */
export const mostHours = ({ hours, on }: Meter, today: string): number =>
  hours + 24 * (Math.max(0, daysBetween(on, today)) + 1);
