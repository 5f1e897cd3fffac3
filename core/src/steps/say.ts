import { quantityText, type UnitPreference } from "../units/index.ts";

/** Quantities inside a step's sentences, in the units of whoever reads them. */
export interface Say {
  readonly litres: (litres: number, decimals?: number) => string;
  /** A length along the glass. */
  readonly cm: (cm: number) => string;
  /** A distance on the way. */
  readonly metres: (metres: number) => string;
  readonly kg: (kg: number) => string;
  readonly celsius: (c: number) => string;
  readonly ppt: (psu: number) => string;
}

/** The words for quantities in some units. */
export function sayIn(units: UnitPreference): Say {
  return {
    litres: (litres, decimals) => quantityText(litres, "L", units, decimals ?? (litres >= 20 ? 0 : 1)),
    cm: (cm) => quantityText(cm, "cm", units),
    metres: (metres) => quantityText(metres, "m", units, units.length === "cm" && Number.isInteger(metres) ? 0 : 1),
    kg: (kg) => quantityText(kg, "kg", units, 0),
    celsius: (c) => quantityText(c, "°C", units),
    ppt: (psu) => quantityText(psu, "ppt", units),
  };
}
