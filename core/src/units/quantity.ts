import {
  figure,
  LITRES_PER,
  METRIC,
  readingIn,
  readingOut,
  showLength,
  showReading,
  type UnitPreference,
  unitFor,
} from "./display.ts";
import type { Parameter } from "./parameters.ts";

/** A number as it is shown, and the unit beside it. */
export interface Shown {
  readonly figure: string;
  readonly unit: string;
}

/** How one canonical unit is shown to a person: what it is called, and what a figure of it becomes. */
interface Kind {
  readonly unit: string;
  readonly to: (canonical: number) => number;
  readonly from: (shown: number) => number;
  /** Fixed where the unit has its own, else by size. */
  readonly decimals?: number;
}

const KG_PER_LB = 0.45359237;
const M_PER_FT = 0.3048;
const KM_PER_MILE = 1.609344;
/** A label's dose is told for so much water. */
const DOSE_LITRES = 100;
const DOSE_GALLONS = 10;

const times = (unit: string, factor: number, decimals?: number): Kind => ({
  unit,
  to: (x) => x * factor,
  from: (x) => x / factor,
  ...(decimals === undefined ? {} : { decimals }),
});
const same = (unit: string, decimals?: number): Kind => times(unit, 1, decimals);

/** A person who measures in inches weighs in pounds and paces in feet. */
const imperial = (units: UnitPreference): boolean => units.length === "in";

/** How a canonical unit is shown; null for one that everybody reads alike. */
function kindOf(unit: string, units: UnitPreference): Kind | null {
  const gallons = units.volume !== "L";
  const perLitre = LITRES_PER[units.volume];
  switch (unit) {
    case "L":
      return times(units.volume, 1 / perLitre);
    case "L/min":
    case "L/h":
    case "L/day":
      return times(unit.replace("L", units.volume), 1 / perLitre);
    case "g/L":
      return times(`g/${units.volume}`, perLitre);
    case "g/L at 35":
      return times(`g/${units.volume} at 35`, perLitre);
    case "mL per 100 L":
      return gallons ? times(`mL per ${DOSE_GALLONS} ${units.volume}`, (DOSE_GALLONS * perLitre) / DOSE_LITRES) : null;
    case "g per 100 L":
      return gallons ? times(`g per ${DOSE_GALLONS} ${units.volume}`, (DOSE_GALLONS * perLitre) / DOSE_LITRES) : null;
    // Of something that is counted in a unit of its own.
    case "per 100 L":
      return gallons ? times(`per ${DOSE_GALLONS} ${units.volume}`, (DOSE_GALLONS * perLitre) / DOSE_LITRES) : null;
    case "m":
      return imperial(units) ? times("ft", 1 / M_PER_FT, 1) : null;
    case "mm":
      return imperial(units) ? times("in", showLength(0.1, "in"), 2) : null;
    case "kg":
      return imperial(units) ? times("lb", 1 / KG_PER_LB) : null;
    case "°C":
      return units.temperature === "°F"
        ? { unit: "°F", to: (x) => x * 1.8 + 32, from: (x) => (x - 32) / 1.8, decimals: 1 }
        : same("°C", 1);
    case "km/h":
      return imperial(units) ? times("mph", 1 / KM_PER_MILE) : null;
    case "K":
      return units.temperature === "°F" ? times("°F", 1.8, 1) : same("°C", 1);
    default:
      return unit.startsWith("cm") ? times(unit.replace("cm", units.length), showLength(1, units.length), 1) : null;
  }
}

/** Salinity and alkalinity are shown on the scale a person reads; by how much they move, on that scale's steps. */
function readingOf(value: number, unit: string, units: UnitPreference): Shown | null {
  if (unit === "ppt") return { figure: showReading("salinity", value, units), unit: units.salinity };
  if (unit === "dKH") return { figure: showReading("alkalinity", value, units), unit: units.alkalinity };
  if (unit === "ppt moved") {
    const moved = readingIn("salinity", 35 + value / 2, units) - readingIn("salinity", 35 - value / 2, units);
    const decimals = units.salinity === "ppt" ? decimalsOf(moved) : units.salinity === "mS/cm raw" ? 1 : 4;
    const step = 10 ** -decimals;
    // What is too little for the steps of that scale would be told as nothing.
    const little = moved !== 0 && Math.abs(moved) < step;
    return { figure: little ? `less than ${figure(step, decimals)}` : figure(moved, decimals), unit: units.salinity };
  }
  if (unit === "dKH moved") {
    const moved = readingIn("alkalinity", value, units);
    return { figure: figure(moved, decimalsOf(moved)), unit: units.alkalinity };
  }
  return null;
}

/**
 * A canonical figure with its unit, as a person reads it; the one way to show a quantity.
 *
 * @param unit Canonical: L, cm, m, kg, °C, K for a difference, ppt and dKH, "ppt moved" and "dKH moved" for differences;
 *   anything else is shown as it is.
 * @param decimals Where the figure needs its own; else they follow the unit and the size.
 * @example
 * quantity(100, "L", { ...METRIC, volume: "US gal" }); // { "figure": "26.4", "unit": "US gal" }
 */
export function quantity(value: number, unit: string, units: UnitPreference = METRIC, decimals?: number): Shown {
  const read = readingOf(value, unit, units);
  if (read) return read;
  const kind = kindOf(unit, units) ?? same(unit);
  const shown = kind.to(value);
  // A figure asked for in whole litres is told in tenths of a gallon.
  const asked =
    decimals === undefined ? undefined : decimals + (kind.to(1) - kind.to(0) < 0.5 && decimals === 0 ? 1 : 0);
  return { figure: figure(shown, asked ?? kind.decimals ?? decimalsOf(shown)), unit: kind.unit };
}

/**
 * The same in one text: figure, fixed space, unit.
 *
 * @example
 * quantityText(120, "L"); // "120\u00a0L"
 */
export function quantityText(value: number, unit: string, units: UnitPreference = METRIC, decimals?: number): string {
  const shown = quantity(value, unit, units, decimals);
  return shown.unit ? `${shown.figure}\u00a0${shown.unit}` : shown.figure;
}

/** Salinity and alkalinity as figures of a field; by how much they move, by the scale's step at sea water's strength. */
function scaleOf(unit: string, units: UnitPreference): Kind | null {
  const [of, moved] = unit.split(" ");
  const parameter = of === "ppt" ? ("salinity" as const) : of === "dKH" ? ("alkalinity" as const) : null;
  if (!parameter) return null;
  const at = (canonical: number) => readingIn(parameter, canonical, units);
  const name = units[parameter];
  if (moved) return times(name, at(35.5) - at(34.5));
  return { unit: name, to: at, from: (x) => readingOut(parameter, x, units) };
}

const shownAs = (unit: string, units: UnitPreference): Kind =>
  scaleOf(unit, units) ?? kindOf(unit, units) ?? same(unit);

/**
 * The unit that a canonical one is shown in.
 *
 * @example
 * unitShown("L", { ...METRIC, volume: "US gal" }); // "US gal"
 */
export const unitShown = (unit: string, units: UnitPreference): string => shownAs(unit, units).unit;

/**
 * A figure in a person's unit, not rounded: what stands in a field.
 *
 * @example
 * toShown(10, "L", { ...METRIC, volume: "US gal" }); // 2.642
 */
export const toShown = (value: number, unit: string, units: UnitPreference): number => shownAs(unit, units).to(value);

/**
 * A figure that a person entered, canonical: the inverse.
 *
 * @example
 * fromShown(1, "L", { ...METRIC, volume: "US gal" }); // 3.785
 */
export const fromShown = (shown: number, unit: string, units: UnitPreference): number =>
  shownAs(unit, units).from(shown);

/** Decimals by size: three figures that matter. */
function decimalsOf(value: number): number {
  const size = Math.abs(value);
  if (size !== 0 && size < 0.1) return 3;
  return size >= 100 || Number.isInteger(Math.round(size * 100) / 100) ? 0 : size >= 10 ? 1 : 2;
}

/**
 * A reading with its unit, in a person's units.
 *
 * @example
 * withUnit("temperature", 25); // "25.0\u00a0°C"
 */
export function withUnit(parameter: Parameter, value: number, units: UnitPreference = METRIC): string {
  const unit = unitFor(parameter, units);
  return `${showReading(parameter, value, units)}${unit ? `\u00a0${unit}` : ""}`;
}

/**
 * Litres with their unit, in a person's units; tenths where they matter.
 *
 * @example
 * litresText(95); // "95\u00a0L"
 */
export function litresText(litres: number, units: UnitPreference = METRIC): string {
  const shown = litres / (units.volume === "L" ? 1 : 4);
  return quantityText(litres, "L", units, shown < 20 && litres % 1 > 0.05 ? 1 : 0);
}
