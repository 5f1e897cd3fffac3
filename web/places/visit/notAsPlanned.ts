import { clockText, daysBetween, longDate, sayDay } from "@keel-round/core/calendar";

/** So far off the planned hour nobody wonders. */
const FAR_OFF_MINUTES = 120;

/**
 * What is said before a visit is begun on another day than it was planned for, or far from its hour; null where it is neither.
 *
 * @param planned The day, and the minute of the day where the round gives one.
 * @param now The same of the clock on the device.
 */
export function notAsPlanned(
  planned: { readonly on: string; readonly minute: number | null },
  now: { readonly on: string; readonly minute: number },
): string | null {
  if (planned.on !== now.on) {
    const days = daysBetween(now.on, planned.on);
    const when = days === 1 ? "tomorrow" : days === -1 ? "yesterday" : longDate(planned.on);
    return `This visit is planned for ${when}, and today is ${sayDay(now.on)}. What you enter counts for the planned day.`;
  }
  if (planned.minute === null || Math.abs(planned.minute - now.minute) <= FAR_OFF_MINUTES) return null;
  return `This visit is planned for ${clockText(planned.minute)}, and it is ${clockText(now.minute)} now.`;
}
