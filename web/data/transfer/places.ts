import { and, asc, eq, isNull } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { client, site } from "../schema";
import { LETTERS } from "./cards";

/** The sites of the business as GeoJSON (RFC 7946): points, longitude first, WGS 84. No code and no alarm note. */
export async function sitesAsGeoJson(scope: Scope): Promise<object> {
  if (scope.role !== "office") throw notFound("export");
  const rows = await db()
    .select({ site, clientName: client.name })
    .from(site)
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .where(and(eq(site.businessId, scope.businessId), isNull(site.archivedAt)))
    .orderBy(asc(site.name));
  return {
    type: "FeatureCollection",
    features: rows.map(({ site: s, clientName }) => ({
      type: "Feature",
      id: s.id,
      geometry: { type: "Point", coordinates: [s.lon, s.lat] },
      properties: { name: s.name, client: clientName, address: s.address, drain: s.drain },
    })),
  };
}

/** A text inside a vCard (RFC 6350): separators and line ends are escaped. */
const escapeText = (text: string) =>
  text
    .replace(/\\/g, "\\\\")
    .replace(/\r?\n/g, "\\n")
    .replace(/([,;])/g, "\\$1");

/** A line of at most 75 bytes; the rest goes on after a space. */
function fold(line: string): string {
  const parts: string[] = [];
  let part = "";
  for (const letter of line) {
    if (Buffer.byteLength(part + letter) > (parts.length === 0 ? 75 : 74)) {
      parts.push(part);
      part = "";
    }
    part += letter;
  }
  return [...parts, part].join("\r\n ");
}

/** The clients of the business as vCards (RFC 6350), one after the other. */
export async function clientsAsVCards(scope: Scope): Promise<string> {
  if (scope.role !== "office") throw notFound("export");
  const rows = await db()
    .select()
    .from(client)
    .where(and(eq(client.businessId, scope.businessId), isNull(client.archivedAt)))
    .orderBy(asc(client.name));
  const card = (lines: readonly string[]) =>
    ["BEGIN:VCARD", "VERSION:4.0", ...lines, "END:VCARD"].map(fold).join("\r\n").concat("\r\n");
  const way = ({ email, phone }: { readonly email: string; readonly phone: string }) => [
    ...(email ? [`EMAIL:${escapeText(email)}`] : []),
    ...(phone ? [`TEL;VALUE=text:${escapeText(phone)}`] : []),
  ];
  return rows
    .flatMap((c) => [
      card([
        `UID:urn:uuid:${c.id}`,
        `FN:${escapeText(c.contact || c.name)}`,
        `ORG:${escapeText(c.name)}`,
        ...way(c),
        ...(c.notes ? [`NOTE:${escapeText(c.notes)}`] : []),
      ]),
      ...c.contacts.map((other) =>
        card([
          `FN:${escapeText(other.name)}`,
          `ORG:${escapeText(c.name)}`,
          ...(other.role ? [`ROLE:${escapeText(other.role)}`] : []),
          ...way(other),
          ...(other.letters ? [`CATEGORIES:${LETTERS}`] : []),
        ]),
      ),
    ])
    .join("");
}
