import { type Parameter, parameterFacts } from "./parameters.ts";

/** The units one person reads in. Nothing is stored in these. */
export interface UnitPreference {
  readonly volume: "L" | "US gal" | "imp gal";
  readonly length: "cm" | "in";
  readonly temperature: "°C" | "°F";
  readonly salinity: "ppt" | "SG 25/25" | "mS/cm raw";
  readonly alkalinity: "dKH" | "meq/L" | "ppm CaCO3";
  /** The sign before decimals; the other one stands between thousands. A point where nothing is said. */
  readonly decimal?: DecimalSign | undefined;
  /** Language of sentences, names of months and lists, a BCP 47 tag; British English where nothing is said. */
  readonly locale?: string | undefined;
}

/** How a person writes a number: 1,350.5 or 1.350,5. */
export type DecimalSign = "." | ",";

export const METRIC: UnitPreference = {
  volume: "L",
  length: "cm",
  temperature: "°C",
  salinity: "ppt",
  alkalinity: "dKH",
};

export const LITRES_PER: Record<UnitPreference["volume"], number> = { L: 1, "US gal": 3.785411784, "imp gal": 4.54609 };
const CM_PER_INCH = 2.54;

/**
 * Litres in a person's unit.
 *
 * @example
 * showVolume(10, "US gal"); // 2.642
 */
export function showVolume(litres: number, unit: UnitPreference["volume"]): number {
  return litres / LITRES_PER[unit];
}

/**
 * Centimetres in a person's unit.
 *
 * @example
 * showLength(2.54, "in"); // 1
 */
export function showLength(cm: number, unit: UnitPreference["length"]): number {
  return unit === "cm" ? cm : cm / CM_PER_INCH;
}

/**
 * The unit a person reads a parameter in.
 *
 * @example
 * unitFor("temperature", METRIC); // "°C"
 */
export function unitFor(parameter: Parameter, units: UnitPreference): string {
  if (parameter === "temperature") return units.temperature;
  if (parameter === "salinity") return units.salinity;
  if (parameter === "alkalinity") return units.alkalinity;
  if (parameter === "flow") return units.volume === "L" ? "L/h" : `${units.volume}/h`;
  return parameterFacts[parameter].unit;
}

/**
 * A number with a fixed count of decimals and narrow fixed spaces between thousands.
 *
 * @example
 * figure(12.345, 1); // "12.3"
 */
export function figure(value: number, decimals: number): string {
  const rounded = value.toFixed(decimals);
  const [whole = "", fraction] = (Number(rounded) === 0 ? (0).toFixed(decimals) : rounded).split(".");
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, "\u202f");
  return fraction === undefined ? grouped : `${grouped}.${fraction}`;
}

/** How a parameter is shown on a person's scale. */
const optionOf = (parameter: Parameter, units: UnitPreference) =>
  parameterFacts[parameter].units.find((u) => u.unit === unitFor(parameter, units));

/**
 * A canonical reading on a person's scale, not rounded.
 *
 * @example
 * readingIn("temperature", 25, { ...METRIC, temperature: "°F" }); // 77
 */
export const readingIn = (parameter: Parameter, canonical: number, units: UnitPreference): number =>
  optionOf(parameter, units)?.fromCanonical(canonical) ?? canonical;

/**
 * A reading on a person's scale, canonical: the inverse. A sample is taken to be at 25 °C.
 *
 * @example
 * readingOut("temperature", 77, { ...METRIC, temperature: "°F" }); // 25
 */
export const readingOut = (parameter: Parameter, shown: number, units: UnitPreference): number =>
  optionOf(parameter, units)?.toCanonical(shown, 25) ?? shown;

/**
 * A canonical reading as a person reads it, without its unit.
 *
 * @example
 * showReading("ph", 8.2, METRIC); // "8.20"
 */
export function showReading(parameter: Parameter, canonical: number, units: UnitPreference): string {
  return figure(
    readingIn(parameter, canonical, units),
    optionOf(parameter, units)?.decimals ?? parameterFacts[parameter].decimals,
  );
}

/**
 * What a reading is of: a flow is a filter's where one is named, hours are a piece of equipment's.
 *
 * @example readingLabel("flow", "Canister A") // "Flow of Canister A"
 */
export const readingLabel = (parameter: Parameter, item?: string | null): string =>
  item ? `${parameter === "hours" ? "Hour meter" : "Flow"} of ${item}` : parameterFacts[parameter].label;
