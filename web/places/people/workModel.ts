import { figure, fromShown, parseNumber, toShown, type UnitPreference } from "@keel-round/core/units";

/** What a van carries, as somebody reads it. */
export const shownVan = (vanKg: number, units: UnitPreference): string => figure(toShown(vanKg, "kg", units), 0);

/** What was typed of a van, kg; null where it is no number. What nobody touched is not rounded by having been shown. */
export function vanKgOf(typed: string, keptKg: number, units: UnitPreference): number | null {
  if (typed === shownVan(keptKg, units)) return keptKg;
  const number = parseNumber(typed, units.decimal);
  return number === null ? null : fromShown(number, "kg", units);
}

/** Litres of a van as somebody reads them; empty where none are known. */
export const shownRoom = (vanL: number | null, units: UnitPreference): string =>
  vanL === null ? "" : figure(toShown(vanL, "L", units), 0);

/** What was typed of a van's room, litres: null where the field is empty, not a number where it is none. */
export function vanLOf(typed: string, keptL: number | null, units: UnitPreference): number | null {
  if (typed.trim() === "") return null;
  if (typed === shownRoom(keptL, units)) return keptL;
  const number = parseNumber(typed, units.decimal);
  return number === null ? Number.NaN : fromShown(number, "L", units);
}

/** A number of barrels; null where the field is empty, not a number where it is none. */
export const barrelsOf = (typed: string): number | null =>
  typed.trim() === "" ? null : (parseNumber(typed) ?? Number.NaN);

/** A clock as a minute of the day; null where none is typed. */
export function minuteOf(clock: string): number | null {
  const [h, m] = clock.split(":").map(Number);
  return h === undefined || m === undefined || Number.isNaN(h + m) ? null : h * 60 + m;
}
