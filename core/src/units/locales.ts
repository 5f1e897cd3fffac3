import { METRIC, type UnitPreference } from "./display.ts";

/** How somebody is written to. */
export interface Locale {
  /** BCP 47. */
  readonly tag: string;
  readonly name: string;
  readonly units: UnitPreference;
}

/**
 * How clients may be written to. Another language is a folder of messages in `core/src/say` and a line here; what it does not
 * say yet is said in English.
 */
export const LOCALES: readonly Locale[] = [
  { tag: "en-GB", name: "English, metric units", units: METRIC },
  {
    tag: "en-US",
    name: "English, US units and dates",
    units: { ...METRIC, volume: "US gal", length: "in", temperature: "°F", locale: "en-US" },
  },
];

/**
 * The units and the language of a locale; British English where it is not known.
 *
 * @example
 * unitsOfLocale("en-US").volume; // "US gal"
 */
export const unitsOfLocale = (tag: string): UnitPreference => LOCALES.find((l) => l.tag === tag)?.units ?? METRIC;
