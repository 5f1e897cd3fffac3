import { beforeAll, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { listRecords } from "../desk/lists";
import { changeRecord } from "../desk/records";
import { clientsAsVCards, sitesAsGeoJson } from "./places";

let maud: Scope;
let ines: Scope;
let today: string;
beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  [maud, ines] = await Promise.all([scopeOf(demo.businessId, "Maud"), scopeOf(demo.businessId, "Ines")]);
});

test("sites are points, longitude first, with nothing that opens a door", async () => {
  const { features } = (await sitesAsGeoJson(maud)) as {
    features: { geometry: { coordinates: [number, number] }; properties: { name: string } }[];
  };
  expect(features).toHaveLength(37);
  const dental = features.find((f) => f.properties.name === "Ilves Dental");
  // Port Averil lies at about 50 degrees north and 5 west.
  expect(dental?.geometry.coordinates[0]).toBeCloseTo(-4.7, 0);
  expect(dental?.geometry.coordinates[1]).toBeCloseTo(50.4, 0);
  expect(JSON.stringify(features).includes("Side gate")).toBe(false);
});

test("clients are cards whose separators are escaped and whose lines are folded", async () => {
  const row = (await listRecords(maud, "client", { q: "Harrow" })).rows[0];
  if (!row) throw new Error("no client");
  const notes = `Ring; then wait, please.\n${"A long note about the stairs. ".repeat(6)}é`;
  await changeRecord(
    maud,
    "client",
    { id: row.id, version: row.version, values: { notes } },
    { now: new Date(), today },
  );
  const cards = await clientsAsVCards(maud);
  const lines = cards.split("\r\n");
  for (const line of lines) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  // Unfolded and read again by the rules of RFC 6350.
  const whole = cards.replace(/\r\n /g, "");
  expect(whole).toContain("ORG:Harrow & Pike\\, solicitors");
  const note = /NOTE:(.*)\r\n/.exec(whole)?.[1] ?? "";
  expect(note.replace(/\\n/g, "\n").replace(/\\([,;\\])/g, "$1")).toBe(notes.trim());
  expect(whole.match(/BEGIN:VCARD/g)).toHaveLength(whole.match(/END:VCARD/g)?.length ?? 0);
});

test("neither leaves for anybody but the office", async () => {
  await expect(sitesAsGeoJson(ines)).rejects.toMatchObject({ code: "not-found" });
  await expect(clientsAsVCards(ines)).rejects.toMatchObject({ code: "not-found" });
});
