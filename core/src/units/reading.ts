import { OutOfRangeError } from "../issues/index.ts";
import { type GravityReference, salinityFromHydrometer } from "../water/index.ts";
import { Z95 } from "../worked/index.ts";
import { type DecimalSign, type UnitPreference, unitFor } from "./display.ts";
import { GLASS_HYDROMETER, type Parameter, parameterFacts } from "./parameters.ts";
import { withUnit } from "./quantity.ts";

/** What a figure was read with, as it was at that moment: the log tells by itself what was made of the figure. */
export interface KitAtHand {
  readonly id: string;
  readonly name: string;
  /** What it can tell apart, canonical; as usual for its method where nobody said. */
  readonly resolution?: number | undefined;
  /** What it reads too high by, canonical, and how well that is known, one sigma. */
  readonly offset?: number | undefined;
  readonly offsetSigma?: number | undefined;
  /** Times that its range is as wide: it is past its time, or was not calibrated. */
  readonly widened?: number | undefined;
}

/** A figure as a person gave it. */
export interface EnteredReading {
  readonly parameter: Parameter;
  readonly text: string;
  readonly unit: string;
  readonly method: string;
  /** Of the sample; conductivity needs it. °C. */
  readonly temperatureC?: number | undefined;
  /** How whoever typed it writes decimals; a point where nothing is said. */
  readonly decimal?: DecimalSign | undefined;
  /** A kit or an instrument of the register. */
  readonly kit?: KitAtHand | undefined;
}

/** What to tell the person beside the field. */
export type ReadingProblem =
  | { readonly code: "not-a-number" }
  | { readonly code: "unknown-unit" }
  | { readonly code: "implausible"; readonly low: number; readonly high: number; readonly unit: string }
  | { readonly code: "other-unit"; readonly unit: string; readonly value: number };

/** A canonical figure with its standard deviation, or what is wrong with it. */
export type ParsedReading =
  | { readonly ok: true; readonly value: number; readonly sigma: number }
  | { readonly ok: false; readonly problem: ReadingProblem };

const PLAIN = /^[+-]?(\d+(\.\d*)?|\.\d+)$/;
const BETWEEN_THOUSANDS = /[\s\u00a0\u2009\u202f']/g;
const GROUPED: Readonly<Record<DecimalSign, RegExp>> = {
  ".": /^[+-]?[1-9]\d{0,2}(,\d{3})+(\.\d*)?$/,
  ",": /^[+-]?[1-9]\d{0,2}(\.\d{3})+(,\d*)?$/,
};

/**
 * A number as a person writes one, or null for anything else.
 *
 * Spaces stand between thousands. So does the sign that is not the person's decimal one, where three digits follow it each
 * time ("1,350" is 1350 to somebody who writes 7.4); anywhere else either sign is a decimal one ("7,4" is 7.4 to all).
 *
 * @example
 * parseNumber("1,5", ","); // 1.5
 */
export function parseNumber(text: string, decimal: DecimalSign = "."): number | null {
  const plain = text.trim().replace("−", "-").replace(BETWEEN_THOUSANDS, "");
  const other = decimal === "." ? "," : ".";
  const both = plain.includes(".") && plain.includes(",");
  const sign = GROUPED[decimal].test(plain) ? decimal : both && GROUPED[other].test(plain) ? other : null;
  const whole = sign
    ? plain
        .split(sign === "." ? "," : ".")
        .join("")
        .replace(sign, ".")
    : plain.replace(",", ".");
  return PLAIN.test(whole) ? Number(whole) : null;
}

/**
 * Canonical value of an entered figure.
 *
 * "0-0.5" is what lies between two fields of a card: its middle, as uncertain as the field is wide, and no zero.
 * A figure that is implausible in its unit but right in another is shown back as a question, never converted silently
 * ("1.026" typed as ppt).
 * @example
 * parseReading({ parameter: "temperature", text: "77", unit: "°F", method: "thermometer" }); // { "ok": true, "value": 25 }
 */
export function parseReading(entered: EnteredReading): ParsedReading {
  const facts = parameterFacts[entered.parameter];
  const option = facts.units.find((u) => u.unit === entered.unit);
  if (!option) return { ok: false, problem: { code: "unknown-unit" } };
  const [low, high] = facts.plausible;
  const canonical = (number: number) =>
    tryConvert(() =>
      floats(entered)
        ? salinityFromHydrometer(number, entered.temperatureC ?? 25, referenceOf(entered.unit))
        : option.toCanonical(number, entered.temperatureC ?? 25),
    );
  const fits = (number: number) => {
    const value = canonical(number);
    return value !== null && value >= low && value <= high;
  };
  const between = readBetween(entered);
  if (between) return parsedBetween(entered, between);
  const asTyped = parseNumber(entered.text, entered.decimal);
  if (asTyped === null) return { ok: false, problem: { code: "not-a-number" } };
  // "1,026" is no thousand of anything in this unit: then its sign is the decimal one.
  const otherwise = parseNumber(entered.text, entered.decimal === "," ? "." : ",");
  const number = !fits(asTyped) && otherwise !== null && fits(otherwise) ? otherwise : asTyped;
  const value = canonical(number);
  // Nobody's sea water is 1.0 ppt by a refractometer: a figure that close to 1 is a specific gravity.
  const gravityAsPpt = entered.parameter === "salinity" && entered.unit === "ppt" && number >= 0.99 && number <= 1.04;
  if (value === null || value < low || value > high || gravityAsPpt) {
    const other = facts.units.find((u) => {
      if (u === option) return false;
      const v = tryConvert(() => u.toCanonical(number, entered.temperatureC ?? 25));
      return v !== null && v >= low && v <= high;
    });
    if (other && (gravityAsPpt || entered.parameter === "temperature" || entered.parameter === "alkalinity"))
      return { ok: false, problem: { code: "other-unit", unit: other.unit, value: other.toCanonical(number, 25) } };
    return {
      ok: false,
      problem: {
        code: "implausible",
        low: option.fromCanonical(low),
        high: option.fromCanonical(high),
        unit: entered.unit,
      },
    };
  }
  const { kit } = entered;
  const sigma = methodSigma(entered.parameter, entered.method, value, kit?.resolution);
  if (!kit) return { ok: true, value, sigma };
  return {
    ok: true,
    // What is not there does not become less than nothing.
    value: Math.max(low, value - (kit.offset ?? 0)),
    sigma: Math.hypot(sigma * (kit.widened ?? 1), kit.offsetSigma ?? 0),
  };
}

const UNDER = /^<\s*(\d.*)$/;
const BETWEEN = /^(.*\d)\s*(?:[-–—]|to)\s*(\d.*)$/i;

/** The two ends of what lies between two fields of a card ("0–0.5") or under one ("<0.5"), rising; null for a single figure. */
function readBetween({ text, decimal }: EnteredReading): readonly [string, string] | null {
  const [, under] = UNDER.exec(text.trim()) ?? [];
  const [, from, to] = under === undefined ? (BETWEEN.exec(text.trim()) ?? []) : ["", "0", under];
  if (from === undefined || to === undefined) return null;
  const [low, high] = [parseNumber(from, decimal), parseNumber(to, decimal)];
  return low !== null && high !== null && high > low ? [from, to] : null;
}

/** A reading between two figures: its middle, as uncertain as the field of the card is wide. Each end has to be plausible. */
function parsedBetween(entered: EnteredReading, [from, to]: readonly [string, string]): ParsedReading {
  const [low, high] = [parseReading({ ...entered, text: from }), parseReading({ ...entered, text: to })];
  if (!low.ok) return low;
  if (!high.ok) return high;
  const value = (low.value + high.value) / 2;
  return {
    ok: true,
    value,
    sigma: Math.hypot((high.value - low.value) / Math.sqrt(12), entered.kit?.offsetSigma ?? 0),
  };
}

/** Whether a figure is a specific gravity of a glass that floats: it is right at its own temperature only. */
const floats = ({ method, unit }: EnteredReading) => method === GLASS_HYDROMETER && unit.startsWith("SG ");

const referenceOf = (unit: string) => unit.slice("SG ".length) as GravityReference;

function tryConvert(convert: () => number): number | null {
  try {
    return convert();
  } catch (error) {
    // Outside the scale's range is the one failure that a typed figure can cause.
    if (error instanceof OutOfRangeError) return null;
    throw error;
  }
}

/**
 * Standard deviation of a figure got by a method; an unknown method counts as the coarsest.
 *
 * @param step Of the kit's scale, canonical; the usual one of the parameter where nobody said.
 * @example
 * methodSigma("nitrate", "liquid kit", 20) > methodSigma("nitrate", "photometer", 20); // true
 */
export function methodSigma(
  parameter: Parameter,
  method: string,
  value: number,
  step = parameterFacts[parameter].step,
): number {
  const { methods } = parameterFacts[parameter];
  const widths = methods.map((m) => Math.max(m.absolute ?? 0, (m.relative ?? 0) * Math.abs(value)));
  const index = methods.findIndex((m) => m.method === method);
  const halfWidth = widths[index] ?? Math.max(...widths);
  // One step of the kit's scale adds its own spread.
  return Math.hypot(halfWidth / Z95, step / Math.sqrt(12));
}

/**
 * A canonical value in another of the parameter's units.
 *
 * @example
 * inUnit("temperature", 25, "°F"); // 77
 */
export function inUnit(parameter: Parameter, canonical: number, unit: string): number {
  const option = parameterFacts[parameter].units.find((u) => u.unit === unit);
  return option ? option.fromCanonical(canonical) : canonical;
}

/**
 * What was typed, for somebody who may read in another unit: as it was typed where it is theirs too, else what that comes
 * to on their scale. A sample is taken to be at 25 °C.
 *
 * @example
 * enteredText({ parameter: "alkalinity", text: "2.5", unit: "meq/L" }, METRIC); // "7.0\u00a0dKH"
 */
export function enteredText(
  { parameter, text, unit }: { readonly parameter: Parameter; readonly text: string; readonly unit: string },
  units: UnitPreference,
): string {
  const asTyped = `${text} ${unit}`.trim();
  if (unit === unitFor(parameter, units)) return asTyped;
  const shown = (end: string): string | null => {
    const parsed = [".", ","].map((decimal) =>
      parseReading({ parameter, text: end, unit, method: "", decimal: decimal as DecimalSign }),
    );
    const found = parsed.find((p) => p.ok);
    return found?.ok ? withUnit(parameter, found.value, units) : null;
  };
  const ends = readBetween({ parameter, text, unit, method: "" })?.map(shown) ?? [shown(text)];
  return ends.includes(null) ? asTyped : ends.join(" to ");
}
