import { plainText } from "../find/index.ts";

/** A column's heading: what it is called, and the unit that stands in it. */
export interface Heading {
  readonly text: string;
  readonly name: string;
  /** One of our units, or null. */
  readonly unit: string | null;
}

/** Units as people write them, in our spelling. Each is plain: lower case, without accents. */
const UNITS: Readonly<Record<string, string>> = {
  c: "°C",
  "°c": "°C",
  degc: "°C",
  celsius: "°C",
  f: "°F",
  "°f": "°F",
  degf: "°F",
  fahrenheit: "°F",
  m: "m",
  cm: "cm",
  mm: "mm",
  in: "in",
  inch: "in",
  inches: "in",
  l: "L",
  litre: "L",
  litres: "L",
  liter: "L",
  liters: "L",
  gal: "US gal",
  "us gal": "US gal",
  gallons: "US gal",
  "imp gal": "imp gal",
  "uk gal": "imp gal",
  ppt: "ppt",
  psu: "ppt",
  "‰": "ppt",
  sg: "SG 25/25",
  "s.g.": "SG 25/25",
  "specific gravity": "SG 25/25",
  "sg 25/25": "SG 25/25",
  "sg 20/20": "SG 20/20",
  "sg 20/4": "SG 20/4",
  "sg 60/60f": "SG 60/60F",
  "ms/cm": "mS/cm raw",
  "ms/cm raw": "mS/cm raw",
  dkh: "dKH",
  "°kh": "dKH",
  "°dkh": "dKH",
  dgh: "dGH",
  "°dgh": "dGH",
  "meq/l": "meq/L",
  "ppm caco3": "ppm CaCO3",
  "mg/l caco3": "ppm CaCO3",
  "mg/l": "mg/L",
  // A kit's ppm is mg/L.
  ppm: "mg/L",
  "mg/l n": "mg/L N",
  "mg/l nh3": "mg/L NH3",
  "mg/l nh4": "mg/L NH4",
  "ppb p": "ppb P",
  ppb: "ppb P",
  "mg/l p": "mg/L P",
  "%": "%",
  kg: "kg",
  min: "min",
  h: "h",
  w: "W",
  days: "days",
  "l/min": "L/min",
  "l/h": "L/h",
};

/** A unit as it was written, in our spelling; null for what is none. */
export function unitNamed(text: string): string | null {
  const plain = plainText(text).replace(/\s+/g, " ").trim();
  return UNITS[plain] ?? null;
}

/** A heading taken apart: "Nitrate (mg/L)", "Temp °F", "Running level, cm", "Salinity [SG]". */
export function splitHeading(text: string): Heading {
  const clean = text.replace(/\s+/g, " ").trim();
  const bracketed = /^(.*?)[\s]*[([]([^)\]]+)[)\]]\s*$/.exec(clean);
  const tail = bracketed ?? /^(.+?)(?:\s*,\s*|\s+)(\S+ \S+)$/.exec(clean);
  const unit = tail?.[2] ? unitNamed(tail[2]) : null;
  if (tail?.[1] && unit) return { text: clean, name: tail[1].trim(), unit };
  const last = /^(.+?)[,\s]+(\S+)$/.exec(clean);
  const lastUnit = last?.[2] ? unitNamed(last[2]) : null;
  if (last?.[1] && lastUnit) return { text: clean, name: last[1].trim(), unit: lastUnit };
  // A column that is called by its unit: "SG", "°F".
  const alone = unitNamed(clean);
  return { text: clean, name: clean, unit: alone };
}

/** Rows at the top of a file that may be titles or headings. */
const LOOKED_AT = 6;

/**
 * The headings of a file and the first row of its data.
 *
 * Headings are the first of the top rows that is filled as widely as any. A row of merged headings above it, blank
 * where a cell was merged, is put in front of what it spans; a title above that is passed over.
 *
 * @returns null if no row looks like headings.
 */
export function findHeadings(
  rows: readonly (readonly string[])[],
): { readonly names: string[]; readonly dataFrom: number } | null {
  const top = rows.slice(0, LOOKED_AT);
  const filled = top.map((row) => row.filter((cell) => cell.trim() !== "").length);
  const widest = Math.max(0, ...filled);
  if (widest === 0) return null;
  const at = filled.findIndex(
    (n, i) => n >= Math.max(1, Math.ceil(widest * 0.75)) && (top[i] ?? []).some((c) => /\p{L}/u.test(c)),
  );
  const row = top[at];
  if (!row) return null;
  const above = top[at - 1];
  const merged = above && (filled[at - 1] ?? 0) > 1 ? above : null;
  let span = "";
  const names = row.map((cell, i) => {
    const over = merged?.[i]?.trim() ?? "";
    if (over !== "") span = over;
    const name = cell.trim();
    if (!merged || span === "" || span === name) return name;
    return name === "" ? span : `${span} ${name}`;
  });
  return { names, dataFrom: at + 1 };
}
