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

export const MINUTES_A_DAY = 24 * 60;

const two = (n: number): string => String(n).padStart(2, "0");
