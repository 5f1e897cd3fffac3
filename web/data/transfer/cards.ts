import { type FileKind, guardText } from "@keel-round/core/transfer";
import ICAL from "ical.js";
import { Refused } from "../access/define";

/** A file that is no table by itself, as the table that it says. */
interface Told {
  readonly kind: FileKind;
  /** What it is called beside its encoding. */
  readonly form: "card" | "json";
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** What kind of file that is no table begins like this; null for a table. */
export function wholeFileForm(head: string): Told["form"] | null {
  const start = head.replace(/^\ufeff/, "").trimStart();
  if (/^BEGIN:VCARD/i.test(start)) return "card";
  return start.startsWith("{") ? "json" : null;
}

/**
 * The table that a file of vCards (RFC 2426, 6350) or a GeoJSON (RFC 7946) stands for.
 *
 * @throws a refusal that says what is wrong with it.
 */
export function toldTable(form: Told["form"], text: string): Told {
  const told = form === "card" ? cards(text) : places(text);
  // What is said nowhere is no column: an empty one would only ask what it means.
  const filled = told.headings.map((_, i) => told.rows.some((row) => row[i]));
  // No spreadsheet ever opened this: a text that begins like a formula is one all the same.
  const cells = (row: readonly string[]) =>
    row.filter((_, i) => filled[i]).map((cell) => (/^-?[\d.]+$/.test(cell) ? cell : guardText(cell)));
  return { ...told, headings: told.headings.filter((_, i) => filled[i]), rows: told.rows.map(cells) };
}

/** Category of a card whose person gets a copy of every letter. */
export const LETTERS = "letters";

type Property = readonly [name: string, params: object, type: string, ...values: unknown[]];

/** One text of a property; the parts of a compound one by commas. */
const said = (property: Property | undefined) =>
  property ? [property[3]].flat().filter(Boolean).map(String).join(", ") : "";

function cards(text: string): Told {
  let parsed: unknown[];
  try {
    const jcard = ICAL.parse(text.trim()) as unknown[];
    parsed = typeof jcard[0] === "string" ? [jcard] : jcard;
  } catch (error) {
    throw new Refused(
      422,
      "cut-off",
      `The cards cannot be read to their end: ${(error as Error).message}. Export them again whole.`,
    );
  }
  const clients = new Map<string, string[]>();
  const others = new Map<string, string[]>();
  for (const [, properties] of parsed as [string, Property[]][]) {
    const of = (name: string) => said(properties.find(([n]) => n === name));
    const name = of("org") || of("fn");
    const id = /[0-9a-f-]{36}$/i.exec(of("uid"))?.[0] ?? "";
    const key = name.toLowerCase();
    if (!clients.has(key)) {
      clients.set(key, [id, name, of("fn") || name, of("email"), of("tel"), of("note")]);
      others.set(key, []);
      continue;
    }
    // Another card of the same firm is another of its people.
    const cell = (t: string) => t.replace(/[\\;|]/g, (sign) => `\\${sign}`);
    const letters = of("categories").split(", ").includes(LETTERS) ? "yes" : "no";
    others.get(key)?.push([of("fn"), of("role") || of("title"), of("tel"), of("email"), letters].map(cell).join(" | "));
  }
  return {
    kind: "client",
    form: "card",
    headings: ["Keel Round's own id", "Name", "Contact", "E-mail", "Phone", "Notes", "Other people there"],
    rows: [...clients].map(([key, row]) => [...row, (others.get(key) ?? []).join("; ")]),
  };
}

function places(text: string): Told {
  let file: { type?: string; features?: unknown };
  try {
    file = JSON.parse(text.replace(/^\ufeff/, ""));
  } catch {
    throw new Refused(422, "cut-off", "This JSON does not end: the file was cut off. Export it again whole.");
  }
  if (file.type !== "FeatureCollection" || !Array.isArray(file.features))
    throw new Refused(
      422,
      "not-places",
      "This JSON is no collection of places (GeoJSON). An archive of Keel Round is restored under “Back up and restore”.",
    );
  const features = file.features as {
    id?: unknown;
    geometry?: { type?: string; coordinates?: unknown };
    properties?: Record<string, unknown> | null;
  }[];
  // Properties in the order they are first seen; each may name a field.
  const keys = [...new Set(features.flatMap((f) => Object.keys(f.properties ?? {})))];
  return {
    kind: "site",
    form: "json",
    headings: ["Keel Round's own id", "Latitude", "Longitude", ...keys],
    rows: features.map((f) => {
      const [lon, lat] = f.geometry?.type === "Point" ? [f.geometry.coordinates].flat() : [];
      const cell = (value: unknown) =>
        value === null || value === undefined ? "" : typeof value === "object" ? JSON.stringify(value) : String(value);
      return [cell(f.id), cell(lat), cell(lon), ...keys.map((key) => cell(f.properties?.[key]))];
    }),
  };
}
