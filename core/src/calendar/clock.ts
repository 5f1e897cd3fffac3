/**
 * A minute of the day as a clock shows it, 24 hours.
 *
 * @param minute Counted from a midnight; what lies on another day is shown as that day's clock does.
 * @example
 * clockText(510); // "08:30"
 */
export function clockText(minute: number): string {
  const m = ((Math.round(minute) % MINUTES_A_DAY) + MINUTES_A_DAY) % MINUTES_A_DAY;
  return `${two(Math.floor(m / 60))}:${two(m % 60)}`;
}

/**
 * A minute of the day as people of a locale write it.
 *
 * @example
 * clockFor(570, "en-GB"); // "09:30"
 * clockFor(570, "en-US"); // "9:30 AM"
 */
export function clockFor(minute: number, locale: string): string {
  if (locale === "en-GB") return clockText(minute);
  return new Intl.DateTimeFormat(locale, { hour: "numeric", minute: "2-digit", timeZone: "UTC" }).format(
    minute * 60_000,
  );
}

export const MINUTES_A_DAY = 24 * 60;

const two = (n: number): string => String(n).padStart(2, "0");

/**
 * A length of time in whole minutes, with spaces that do not break.
 *
 * @example
 * duration(72); // "1\u00a0h\u00a012\u00a0min"
 */
export function duration(minutes: number): string {
  const m = Math.round(minutes);
  return m < 60 ? `${m}\u00a0min` : `${Math.floor(m / 60)}\u00a0h${m % 60 ? `\u00a0${m % 60}\u00a0min` : ""}`;
}
