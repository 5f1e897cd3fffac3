import { clockText, MINUTES_A_DAY } from "@keel-round/core/calendar";

export { duration } from "@keel-round/core/calendar";

/** Where something that needs the server was asked for without one. */
export const NO_NETWORK_NOW = "There is no network. Try again in a moment.";

/** Minutes of the day as a clock; past midnight it says so. */
export function clock(minute: number): string {
  const m = Math.round(minute);
  return `${clockText(m)}${m >= MINUTES_A_DAY ? " the next day" : ""}`;
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

/** "14:05, 25 Nov" of an instant in the business's zone. */
export function moment(at: Date, zone: string): string {
  return new Intl.DateTimeFormat("en-GB", {
    hour: "2-digit",
    minute: "2-digit",
    day: "numeric",
    month: "short",
    timeZone: zone,
  }).format(at);
}
