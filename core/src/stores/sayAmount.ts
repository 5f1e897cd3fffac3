import { quantityText, type UnitPreference } from "../units/index.ts";
import type { StoreUnit } from "./item.ts";

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

/**
 * An amount of an item as a person reads it.
 *
 * @example
 * sayAmount(12_500, "g", METRIC); // "12.5\u00a0kg"
 */
export function sayAmount(amount: number, unit: StoreUnit, units: UnitPreference): string {
  if ((unit === "g" || unit === "mL") && Math.abs(amount) >= LARGE)
    return quantityText(amount / 1000, LARGER[unit], units);
  const shown = figure(amount);
  return `${shown} ${shown === "1" ? (ONE[unit] ?? unit) : unit}`;
}

/** A figure of a file: to the hundredth, and no more decimals than it has. */
export const fileFigure = (amount: number): string => String(Number(amount.toFixed(2)));
