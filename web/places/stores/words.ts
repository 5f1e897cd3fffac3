import { sayDay } from "@keel-round/core/calendar";
import type { DaysLeft, Lot, OrderLine, StoreUnit } from "@keel-round/core/stores";
import { quantityText, type UnitPreference } from "@keel-round/core/units";

/** From here on grams are kilograms, and millilitres litres. */
const LARGE = 10_000;
const LARGER = { g: "kg", mL: "L" } as const;
const ONE: Readonly<Partial<Record<StoreUnit, string>>> = {
  pieces: "piece",
  tests: "test",
  tablets: "tablet",
  drops: "drop",
};

/** A figure without more decimals than it needs: to the tenth below ten, else whole. */
const figure = (amount: number): string => String(Number(amount.toFixed(Math.abs(amount) < 10 ? 1 : 0)));

/** An amount of an item as a person reads it: "12 kg", "3 pieces". */
export function amountText(amount: number, unit: StoreUnit, units: UnitPreference): string {
  if ((unit === "g" || unit === "mL") && Math.abs(amount) >= LARGE)
    return quantityText(amount / 1000, LARGER[unit], units, 1);
  const shown = figure(amount);
  return `${shown} ${shown === "1" ? (ONE[unit] ?? unit) : unit}`;
}

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
export const WHY: Readonly<Record<OrderLine["why"], string>> = {
  none: "none left",
  minimum: "below its minimum",
  "runs-out": "runs out before an order of next week comes",
};

/** What expires before it is used up. */
export const expiresText = ({ lot, expiresOn, amount }: Lot, unit: StoreUnit, units: UnitPreference): string =>
  `${amountText(amount, unit, units)}${lot === "" ? "" : ` of lot ${lot}`} will be left when it expires on ${expiresOn === null ? "" : sayDay(expiresOn)}`;
