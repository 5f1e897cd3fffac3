import { z } from "zod";
import { fromShown, parseNumber, toShown, type UnitPreference } from "../units/index.ts";
import { readPlace } from "./begin.ts";

/** The most and the least that a figure of the firm may be, canonical. */
const FIRM_RANGES = {
  roadFactor: [1, 3],
  speedKmH: [3, 120],
  letterDays: [1, 3650],
  alkalinityDkh: [0.1, 5],
  salinityUpPpt: [0.1, 10],
  salinityDownPpt: [0.1, 10],
  salinityDownInvertebratesPpt: [0.1, 10],
  salinityApartPpt: [0.5, 20],
  strongestPpt: [5, 42],
  temperatureC: [0.1, 5],
  temperatureTenderC: [0.1, 5],
  ghDgh: [0.1, 10],
  freeAmmoniaMgL: [0.001, 0.5],
  calciumMgL: [1, 500],
  magnesiumMgL: [1, 1000],
  ph: [0.05, 2],
} as const;
type FirmFigure = keyof typeof FIRM_RANGES;

const figure = ([low, high]: readonly [number, number]) =>
  z.coerce
    .number(`A number from ${low} to ${high}.`)
    .min(low, `From ${low} to ${high}.`)
    .max(high, `From ${low} to ${high}.`);
const figures = Object.fromEntries(
  Object.entries(FIRM_RANGES).map(([key, range]) => [key, figure(range)]),
) as unknown as { readonly [K in FirmFigure]: ReturnType<typeof figure> };
const needed = (what: string) => z.string().trim().min(1, what).max(120, "At most 120 characters.");

/** Largest file of a firm's mark, bytes. */
export const MARK_BYTES = 500_000;

/** What a firm says of itself, and the most that a day may change in a tank. Limits in canonical units. */
export const FirmSchema = z.object({
  name: needed("Say what the business is called."),
  phone: z.string().trim().max(40, "At most 40 characters."),
  mailFrom: z.email("Enter an e-mail address, such as letters@firm.example."),
  /** Latitude and longitude in degrees, as typed. */
  start: z.string().refine((text) => readPlace(text) !== null, {
    error: "Enter latitude and longitude, such as 50.421, -4.702, or paste the link of a map.",
  }),
  ...figures,
});
export type Firm = z.infer<typeof FirmSchema>;
export type FirmField = keyof Firm;

/** What each field is called, with its unit and its part of the form. */
export const FIRM_FIELDS: Readonly<
  Record<FirmField, { readonly label: string; readonly unit: string; readonly part: "firm" | "roads" | "limits" }>
> = {
  name: { label: "Business", unit: "", part: "firm" },
  phone: { label: "Telephone", unit: "", part: "firm" },
  mailFrom: { label: "Letters come from", unit: "", part: "firm" },
  letterDays: { label: "The link of a letter works for", unit: "days", part: "firm" },
  start: { label: "Rounds start at", unit: "latitude, longitude", part: "roads" },
  roadFactor: { label: "Roads are longer than the straight line by", unit: "times", part: "roads" },
  speedKmH: { label: "Speed on the round", unit: "km/h", part: "roads" },
  alkalinityDkh: { label: "Alkalinity, corals", unit: "dKH moved", part: "limits" },
  calciumMgL: { label: "Calcium, corals", unit: "mg/L", part: "limits" },
  magnesiumMgL: { label: "Magnesium, corals", unit: "mg/L", part: "limits" },
  ghDgh: { label: "GH, shrimp", unit: "dGH", part: "limits" },
  salinityUpPpt: { label: "Salinity, up", unit: "ppt moved", part: "limits" },
  salinityDownPpt: { label: "Salinity, down, fish", unit: "ppt moved", part: "limits" },
  salinityDownInvertebratesPpt: { label: "Salinity, down, invertebrates", unit: "ppt moved", part: "limits" },
  salinityApartPpt: { label: "New water apart from the tank's salinity", unit: "ppt moved", part: "limits" },
  strongestPpt: { label: "Strongest new water", unit: "ppt", part: "limits" },
  temperatureC: { label: "Temperature of the tank, fish", unit: "K", part: "limits" },
  temperatureTenderC: { label: "Temperature of the tank, corals, jellyfish, shrimp", unit: "K", part: "limits" },
  ph: { label: "pH, which only warns", unit: "", part: "limits" },
  freeAmmoniaMgL: { label: "Free ammonia after a change", unit: "mg/L", part: "limits" },
};

/** What is typed of a firm: figures are text until they are read. */
export type FirmTyped = Readonly<Record<FirmField, string>>;

const isFigure = (key: string): key is FirmFigure => key in FIRM_RANGES;
/** What a conversion there and back leaves behind is cut off. */
const tidy = (value: number) => Number(value.toPrecision(6));
const shown = (key: FirmFigure, value: number, units: UnitPreference) =>
  tidy(toShown(value, FIRM_FIELDS[key].unit, units));

/** A firm as it stands in the fields of a form, in a person's units. */
export function writeFirm(firm: Firm, units: UnitPreference): FirmTyped {
  return Object.fromEntries(
    Object.entries(firm).map(([key, value]) => [
      key,
      isFigure(key) ? String(shown(key, Number(value), units)).replace(".", units.decimal ?? ".") : String(value),
    ]),
  ) as FirmTyped;
}

/**
 * What was typed, canonical; a figure that was not touched stays as it was to the last digit.
 *
 * @returns what is wrong, by field, with its limits in the person's own units.
 */
export function readFirm(
  typed: FirmTyped,
  before: Firm,
  units: UnitPreference,
): { readonly firm: Firm | null; readonly issues: Readonly<Partial<Record<FirmField, string>>> } {
  const was = writeFirm(before, units);
  const issues: Partial<Record<FirmField, string>> = {};
  const canonical = Object.fromEntries(
    (Object.keys(typed) as FirmField[]).map((key) => {
      if (!isFigure(key) || typed[key] === was[key]) return [key, isFigure(key) ? before[key] : typed[key]];
      const [low, high] = FIRM_RANGES[key];
      const number = parseNumber(typed[key], units.decimal);
      const value = number === null ? Number.NaN : fromShown(number, FIRM_FIELDS[key].unit, units);
      const slack = 1e-5 * high;
      if (!(value >= low - slack && value <= high + slack))
        issues[key] =
          `${number === null ? "A number from" : "From"} ${shown(key, low, units)} to ${shown(key, high, units)}.`;
      return [key, tidy(Math.min(high, Math.max(low, value)))];
    }),
  );
  const parsed = FirmSchema.safeParse(canonical);
  for (const issue of parsed.error?.issues ?? []) issues[issue.path[0] as FirmField] ??= issue.message;
  return { firm: parsed.success && Object.keys(issues).length === 0 ? parsed.data : null, issues };
}
