import { figure, METRIC, showLength, showVolume, type UnitPreference } from "@keel-round/core/units";

/** Minutes of the day as a clock. */
export function clock(minute: number): string {
  const m = Math.round(minute);
  return `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
}

/** "1 h 12 min" or "38 min". */
export function duration(minutes: number): string {
  const m = Math.round(minutes);
  return m < 60 ? `${m}\u00a0min` : `${Math.floor(m / 60)}\u00a0h${m % 60 ? `\u00a0${m % 60}\u00a0min` : ""}`;
}

/** "Wed 25 Nov" of a civil date. */
export function dayLabel(date: string): string {
  return new Intl.DateTimeFormat("en-GB", { weekday: "short", day: "numeric", month: "short", timeZone: "UTC" })
    .format(new Date(`${date}T12:00:00Z`))
    .replace(",", "");
}

/** "25 Nov 2026": a day that may lie in another year. */
export function yearDate(date: string): string {
  return new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric", timeZone: "UTC" }).format(
    new Date(`${date}T12:00:00Z`),
  );
}

/** A number and unit of a working in a person's units: litres and centimetres follow them, the rest stays. */
export function quantityText(
  value: number,
  unit: string,
  units: UnitPreference = METRIC,
): { readonly figure: string; readonly unit: string } {
  if (unit === "L")
    return {
      figure: figure(showVolume(value, units.volume), decimalsOf(showVolume(value, units.volume))),
      unit: units.volume,
    };
  if (unit.startsWith("cm"))
    return { figure: figure(showLength(value, units.length), 1), unit: unit.replace("cm", units.length) };
  if (unit === "°C" && units.temperature === "°F") return { figure: figure(value * 1.8 + 32, 1), unit: "°F" };
  return { figure: figure(value, decimalsOf(value)), unit };
}

function decimalsOf(value: number): number {
  const size = Math.abs(value);
  if (size !== 0 && size < 0.1) return 3;
  return size >= 100 || Number.isInteger(Math.round(value * 100) / 100) ? 0 : size >= 10 ? 1 : 2;
}
