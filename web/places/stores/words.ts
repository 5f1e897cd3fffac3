import { sayDay } from "@keel-round/core/calendar";
import { type DaysLeft, type Lot, type OrderLine, type StoreUnit, sayAmount } from "@keel-round/core/stores";
import type { UnitPreference } from "@keel-round/core/units";

const days = (n: number) => (n === 1 ? "1 day" : `${n} days`);

/** How long a stock lasts. */
export function lastsText({ low, middle, high }: DaysLeft, planned: boolean): string {
  if (!planned) return "no plan takes it";
  if (middle === 0) return "none left";
  if (middle === null) return low === null ? "over 8 weeks" : `over 8 weeks, ${days(low)} at least`;
  if (low === middle && high === middle) return days(middle);
  return `${days(middle)} (${low} to ${high ?? "over 56"})`;
}

/** Why something is ordered now. */
export function whyText({ why, item }: Pick<OrderLine, "why" | "item">): string {
  if (why === "none") return "none left";
  if (why === "minimum") return "below its minimum";
  const low = (item.minimum ?? 0) > 0 ? "fall below its minimum" : "run out";
  return `may ${low} before an order of next week comes`;
}

/** What expires before it is used up. */
export const expiresText = ({ lot, expiresOn, amount }: Lot, unit: StoreUnit, units: UnitPreference): string =>
  `${sayAmount(amount, unit, units)}${lot === "" ? "" : ` of lot ${lot}`} will be left when it expires on ${expiresOn === null ? "" : sayDay(expiresOn)}`;
