import { and, count, eq } from "drizzle-orm";
import iconv from "iconv-lite";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { listRecords, loadRecord } from "../desk/lists";
import { changeRecord } from "../desk/records";
import { type importFile, importRow, reading } from "../schema";
import { loadTank } from "../tanks/tanks";
import { exportCsv } from "./export";
import {
  applyImport,
  cancelImport,
  checkImport,
  loadImport,
  mendCell,
  rowsToShow,
  runImport,
  undoImport,
} from "./imports";
import { clientsAsVCards, sitesAsGeoJson } from "./places";
import { stageFile } from "./stage";

let maud: Scope;
let ines: Scope;
let businessId: string;
let today: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [maud, ines] = await Promise.all([scopeOf(businessId, "Maud"), scopeOf(businessId, "Ines")]);
});

type Kind = Parameters<typeof stageFile>[1]["kind"];

async function stage(kind: Kind, content: string | Buffer, chunk = 50_000): Promise<string> {
  const bytes = typeof content === "string" ? Buffer.from(content) : content;
  async function* parts() {
    for (let i = 0; i < bytes.length; i += chunk) yield bytes.subarray(i, i + chunk);
  }
  return (await stageFile(maud, { kind, fileName: "list.csv", bytes: parts() }, new Date())).id;
}

/** Checks a staged file as it was guessed, with what is said otherwise. */
async function check(
  id: string,
  change: Partial<Pick<typeof importFile.$inferSelect, "meanings" | "style" | "zone">> = {},
) {
  const { meanings, style, zone } = { ...(await loadImport(maud, id)), ...change };
  await checkImport(maud, id, { meanings, style, zone });
  await runImport(maud, id, "check", when());
  return loadImport(maud, id);
}

async function publish(id: string, leaveOut = false) {
  await applyImport(maud, id, leaveOut);
  await runImport(maud, id, "apply", when());
  return loadImport(maud, id);
}

const issuesOf = async (id: string) =>
  (await rowsToShow(id)).flatMap((r) => (r.issues ? [Object.values(r.issues).join(" ")] : []));
const readingCount = async () =>
  (await db().select({ n: count() }).from(reading).where(eq(reading.businessId, businessId)))[0]?.n ?? 0;

describe("a list of clients", () => {
  const file = [
    "Customer name;Contact person;E-mail;Phone",
    'Dunlin House;"Lund, Ada";ada@dunlin.example;555 2001',
    "Ilves Dental;Dr. Ilves;owner@ilves-dental.example;555 2002",
    "Broken;Nobody;not-an-address;",
  ].join("\r\n");
  test("is read, checked, mended, published, and taken back as one step", async () => {
    const id = await stage("client", file);
    const checked = await check(id);
    expect(checked.delimiter).toBe(";");
    expect(checked.counts).toEqual({ new: 1, change: 1, same: 0, error: 1 });
    expect(await issuesOf(id)).toEqual(["“not-an-address” is not an e-mail address."]);
    await expect(applyImport(maud, id, false)).rejects.toMatchObject({ code: "errors" });

    await mendCell(maud, id, { rowNo: 3, column: 2, text: "broken@mended.example", everywhere: false });
    expect((await check(id)).counts).toEqual({ new: 2, change: 1, same: 0, error: 0 });
    expect((await publish(id)).state).toBe("done");
    const made = (await listRecords(maud, "client", { q: "Dunlin" })).rows[0];
    expect(made?.values).toMatchObject({ contact: "Lund, Ada", email: "ada@dunlin.example", lettersBy: "mail-pdf" });
    const ilves = (await listRecords(maud, "client", { q: "Ilves" })).rows[0];
    expect(ilves?.values.phone).toBe("555 2002");

    await undoImport(maud, id, when());
    expect((await loadImport(maud, id)).state).toBe("undone");
    expect((await listRecords(maud, "client", { q: "Dunlin" })).rows).toHaveLength(0);
    expect((await loadRecord(maud, "client", ilves?.id ?? "")).record.values.phone).not.toBe("555 2002");
  });
  test("is not taken back over somebody's later edit, which is named", async () => {
    const id = await stage("client", "Name,Contact,E-mail\nWhimbrel Yard,Mr. Spoke,spoke@whimbrel.example\n");
    await check(id);
    await publish(id);
    const row = (await listRecords(maud, "client", { q: "Whimbrel" })).rows[0];
    if (!row) throw new Error("not made");
    await changeRecord(maud, "client", { id: row.id, version: 1, values: { phone: "555 1" } }, when());
    await expect(undoImport(maud, id, when())).rejects.toMatchObject({
      code: "edited-since",
      message: expect.stringContaining("Whimbrel Yard"),
    });
    expect((await loadRecord(maud, "client", row.id)).record.archived).toBe(false);
  });
});

describe("a list of tanks", () => {
  test("is filled from the kind, in the units of its headings, and has visits and a programme", async () => {
    const id = await stage(
      "tank",
      'Site,Tank,Kind,Shape,Length (in),Front to back (in),Height (in),Water,Started\nLanehead Clinic,Linen room,"community, fresh",Box,40,16,20,Port Averil tap,2026-03-01\n',
    );
    const checked = await check(id);
    expect(await issuesOf(id)).toEqual([]);
    expect(checked.counts.new).toBe(1);
    await publish(id);
    const row = (await listRecords(maud, "tank", { q: "Linen room" })).rows[0];
    // 40 in are 101.6 cm.
    expect(row?.values["display.vessel.lengthM"]).toBeCloseTo(1.016, 9);
    const sheet = await loadTank(ines, row?.id ?? "", today);
    expect(sheet.row.facts.assumed).toContain("display.rockKg");
    expect(sheet.row.facts.assumed).not.toContain("startedOn");
    expect(sheet.jobs.length).toBeGreaterThan(5);
    expect(sheet.next).not.toBeNull();
    expect(sheet.plan.steps.length).toBeGreaterThan(5);
  });
  test("of a salt tank on tap water is refused at its row", async () => {
    const id = await stage(
      "tank",
      "Site,Tank,Kind,Shape,Length (cm),Front to back (cm),Height (cm),Water\nLanehead Clinic,Salty,small-polyp stony coral,Box,90,50,50,Port Averil tap\n",
    );
    await check(id);
    expect(await issuesOf(id)).toEqual([
      "Port Averil tap holds no salt, and this tank lives in salt water. Choose a mix or sea water as its source.",
    ]);
  });
  test("says what is missing, and what another spelling may mean", async () => {
    const id = await stage(
      "tank",
      'Site,Name,Kind,Shape,Length (cm),Height (cm),New water\nLanhead Clinic,A,"community, fresh",Box,90,50,Port Averil tap\nLanehead Clinic,B,"community, fresh",Box,90,50,Port Averil tap\nLanehead Clinic,C,,Box,90,50,Port Averil tap\n',
    );
    await check(id);
    expect(await issuesOf(id)).toEqual([
      "There is no site called “Lanhead Clinic” here. Did you mean “Lanehead Clinic”?",
      "Enter the front to back of the box.",
      "Choose one for “kind”.",
    ]);
    // One answer mends every row that says the same.
    expect(await mendCell(maud, id, { rowNo: 1, column: 0, text: "Lanehead Clinic", everywhere: true })).toBe(1);
    await check(id);
    expect((await issuesOf(id))[0]).toBe("Enter the front to back of the box.");
  });
});

describe("readings", () => {
  const wide = [
    "Readings 2026;;;;",
    "Aquarium;Datum;Temp (°F);SG;NO3 (ppm)",
    "Archerfish;13.1.2026 9.30;78,8;1,005;12,5",
    "Archerfish;20.1.2026 9.30;77;1,006;",
  ].join("\n");
  test("of a wide table, with °F, specific gravity, decimal commas and days first", async () => {
    const id = await stage("reading", wide);
    const staged = await loadImport(maud, id);
    expect(staged.headings).toEqual(["Aquarium", "Datum", "Temp (°F)", "SG", "NO3 (ppm)"]);
    expect(staged.style).toEqual({ decimal: ",", dateOrder: "dmy" });
    const before = await readingCount();
    const meanings = staged.meanings.map((m, i) => (i === 1 ? { key: "at", unit: null } : m));
    expect((await check(id, { meanings })).counts).toEqual({ new: 2, change: 0, same: 0, error: 0 });
    await publish(id);
    expect(await readingCount()).toBe(before + 5);
    const rows = await db()
      .select()
      .from(reading)
      .where(and(eq(reading.importId, id), eq(reading.parameter, "temperature")));
    // 78.8 °F are 26 °C; half past nine of a winter's day in the business's zone is the same in UTC.
    expect(rows.map((r) => [r.value, r.takenAt.toISOString()]).sort()).toEqual([
      [25, "2026-01-20T09:30:00.000Z"],
      [expect.closeTo(26, 9), "2026-01-13T09:30:00.000Z"],
    ]);
    const [gravity] = await db()
      .select()
      .from(reading)
      .where(and(eq(reading.importId, id), eq(reading.parameter, "salinity"), eq(reading.entered, "1.005")));
    expect(gravity).toMatchObject({ unit: "SG 25/25", entered: "1.005" });
    // Again: all of it is known.
    const again = await stage("reading", wide);
    expect((await check(again, { meanings })).counts).toEqual({ new: 0, change: 0, same: 2, error: 0 });
    await expect(applyImport(maud, again, false)).rejects.toMatchObject({ code: "nothing" });
    await undoImport(maud, id, when());
    expect(await readingCount()).toBe(before);
  });
  test("in a zone that is asked once", async () => {
    const id = await stage("reading", "Tank,Date,Temp\nArcherfish,2026-07-01 09:00,26\n");
    await check(id, { zone: "America/New_York" });
    await publish(id);
    const [r] = await db().select().from(reading).where(eq(reading.importId, id));
    // New York is four hours behind Greenwich in July.
    expect(r?.takenAt.toISOString()).toBe("2026-07-01T13:00:00.000Z");
    await undoImport(maud, id, when());
  });
  test("that are not right are said in words, row by row", async () => {
    const id = await stage(
      "reading",
      [
        "Site,Tank,Date,Parameter,Value,Unit",
        "Kettle Diner,Archerfish,2026-02-30,Nitrate,5,mg/L",
        "Kettle Diner,Archerfish,2026-02-01,Colour,5,mg/L",
        "Kettle Diner,Archerfish,2026-02-01,Nitrate,=5+5,mg/L",
        "Kettle Diner,Archerfish,2026-02-01,Salinity,1.006,ppt",
        "Kettle Diner,Archerfish,2026-02-01,Nitrate,5,furlongs",
        "Kettle Diner,Archerfisch,2026-02-01,Nitrate,5,mg/L",
        "Kettle Diner,Archerfish,2026-02-01,pH,77,",
        "Kettle Diner,Archerfish,2026-02-01,Nitrate",
      ].join("\n"),
    );
    expect((await check(id)).counts.error).toBe(8);
    const said = await issuesOf(id);
    for (const [i, words] of [
      "does not exist as a day",
      "“Colour” is no parameter",
      "holds a formula",
      "it looks like SG 25/25",
      "“furlongs” is no unit of nitrate",
      "Did you mean “Archerfish”?",
      "is no pH",
      "may have been cut off here",
    ].entries())
      expect(said[i]).toContain(words);
  });
  test("of two tanks with the same name ask for the site", async () => {
    const twin = await stage(
      "tank",
      'Site,Name,Kind,Shape,Diameter (cm),Pane to pane (cm),Water,Started\nLanehead Clinic,Moon drum,jellyfish,"Drum, lying",60,40,Drum mix,2026-01-01\n',
    );
    await check(twin);
    expect(await issuesOf(twin)).toEqual([]);
    await publish(twin);
    const twice = "Moon drum";
    const id = await stage("reading", `Tank,Date,pH\n${twice},2026-02-01,7.5\n`);
    await check(id);
    expect((await issuesOf(id))[0]).toMatch(/tanks called .* Say which by its site/);
  });
});

describe("files as they come", () => {
  const text = "Name,Contact,E-mail\nCafé Mañana,Señor Núñez,n@manana.example\n";
  for (const [encoding, bytes] of [
    ["UTF-8 with a mark", Buffer.concat([Buffer.from([0xef, 0xbb, 0xbf]), Buffer.from(text)])],
    ["UTF-16", Buffer.concat([Buffer.from([0xff, 0xfe]), iconv.encode(text, "utf-16le")])],
    ["Windows-1252", iconv.encode(`${text}Äpfel & Öl,Übel,o@ol.example\n`, "windows-1252")],
  ] as const)
    test(`in ${encoding}, cut into any chunks`, async () => {
      const id = await stage("client", bytes, 7);
      await check(id);
      const [first] = await db()
        .select()
        .from(importRow)
        .where(and(eq(importRow.importId, id), eq(importRow.rowNo, 1)));
      expect(first?.cells).toEqual(["Café Mañana", "Señor Núñez", "n@manana.example"]);
    });
  const refusals: readonly [string, string | Buffer, string][] = [
    ["an empty file", "", "empty"],
    ["headings alone", "Name,Contact\n", "no-rows"],
    ["a file cut inside a quoted cell", 'Name,Contact\nA,"cut he', "cut-off"],
    ["a spreadsheet's own file", Buffer.from("PK\u0003\u0004rest of it", "latin1"), "not-csv"],
    ["numbers without headings", "1,2\n3,4\n", "no-headings"],
    [
      "a file whose first letter beyond ASCII comes late and is not of UTF-8",
      Buffer.concat([
        Buffer.from(`Name,Contact\n${"Quay House,Ann\n".repeat(6000)}`),
        iconv.encode("Café,Ann\n", "windows-1252"),
      ]),
      "odd-letters",
    ],
  ];
  for (const [name, content, code] of refusals)
    test(`${name} is refused, and leaves nothing`, async () => {
      const before = (await db().select({ n: count() }).from(importRow))[0]?.n;
      await expect(stage("client", content, 32_000)).rejects.toMatchObject({ code });
      expect((await db().select({ n: count() }).from(importRow))[0]?.n).toBe(before);
    });
  test("another's import is not there", async () => {
    const id = await stage("client", text);
    await expect(loadImport({ ...maud, businessId: "01a214be-1d4f-722b-a13e-38a0f24382fe" }, id)).rejects.toMatchObject(
      { code: "not-found" },
    );
    await expect(loadImport(ines, id)).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("all or nothing", () => {
  test("a file that is cancelled while it is published leaves nothing", async () => {
    const id = await stage("client", "Name,Contact,E-mail\nGodwit Place,Mx. Limosa,l@godwit.example\n");
    await check(id);
    await applyImport(maud, id, false);
    await cancelImport(maud, id);
    await runImport(maud, id, "apply", when());
    expect((await loadImport(maud, id)).state).toBe("cancelled");
    expect((await listRecords(maud, "client", { q: "Godwit" })).rows).toHaveLength(0);
    // And can be checked and published again.
    await check(id);
    expect((await publish(id)).state).toBe("done");
  });
  test("so do readings, which are published by one statement", async () => {
    const id = await stage("reading", "Tank,Date,pH\nArcherfish,2026-02-03 09:00,7.9\n");
    await check(id);
    const before = await readingCount();
    await applyImport(maud, id, false);
    await cancelImport(maud, id);
    await runImport(maud, id, "apply", when());
    expect((await loadImport(maud, id)).state).toBe("cancelled");
    expect(await readingCount()).toBe(before);
  });
  test("a file with one row that no longer fits publishes none of them, and says why", async () => {
    const id = await stage(
      "site",
      "Name,Client,Address,Latitude,Longitude\nKnot Works,Ilves Dental,1 Mill Lane,50.4,-4.7\nRuff Works,Kettle Diner,2 Mill Lane,50.4,-4.7\n",
    );
    expect((await check(id)).counts).toMatchObject({ new: 2, error: 0 });
    // What the second row points at goes away between the check and the publishing.
    await db()
      .update(importRow)
      .set({
        values: { ...((await rowsToShow(id))[1]?.values ?? {}), clientId: "01a214be-1d4f-722b-a13e-38a0f24382fe" },
      })
      .where(and(eq(importRow.importId, id), eq(importRow.rowNo, 2)));
    const done = await publish(id);
    expect(done.state).toBe("failed");
    expect(done.error).toContain("no such client");
    expect((await listRecords(maud, "site", { q: "Works" })).rows).toHaveLength(0);
  });
});

describe("our own export", () => {
  for (const kind of ["client", "site", "tank", "animal", "equipment", "reading"] as const)
    test(`of ${kind}s brought in again changes nothing`, async () => {
      let text = "";
      for await (const part of exportCsv(maud, kind)) text += part;
      const id = await stage(kind, text);
      const { counts, rowsTotal } = await check(id);
      expect(await issuesOf(id)).toEqual([]);
      expect(rowsTotal).toBeGreaterThan(20);
      expect(counts).toEqual({ new: 0, change: 0, same: rowsTotal, error: 0 });
    });
  test("holds no cell that a spreadsheet would compute", async () => {
    const row = (await listRecords(maud, "client", { q: "Ilves" })).rows[0];
    if (!row) throw new Error("no client");
    await changeRecord(maud, "client", { id: row.id, version: row.version, values: { notes: "=1+1" } }, when());
    let text = "";
    for await (const part of exportCsv(maud, "client")) text += part;
    expect(text).toContain("'=1+1");
    expect(text).not.toMatch(/(^|,)=/m);
    const id = await stage("client", text);
    expect((await check(id)).counts).toMatchObject({ change: 0, error: 0 });
  });
  test("is for the office alone", async () => {
    await expect(exportCsv(ines, "client")[Symbol.asyncIterator]().next()).rejects.toMatchObject({ code: "not-found" });
  });
});

describe("cards and places", () => {
  test("our own vCards and GeoJSON, brought in again, change nothing", async () => {
    const cards = await check(await stage("client", await clientsAsVCards(maud)));
    expect(cards.counts).toMatchObject({ new: 0, change: 0, error: 0 });
    expect(cards.counts.same).toBeGreaterThan(20);
    const places = await check(await stage("site", JSON.stringify(await sitesAsGeoJson(maud))));
    expect(places.counts).toMatchObject({ new: 0, change: 0, error: 0 });
    expect(places.counts.same).toBe(37);
  });
  test("of another program make clients with their people, and sites on the map", async () => {
    const card = (...lines: string[]) => ["BEGIN:VCARD", "VERSION:3.0", ...lines, "END:VCARD", ""].join("\r\n");
    const id = await stage(
      "client",
      card(
        "N:Perch;Ada;;;",
        "FN:Ada Perch",
        "ORG:Perch & Daughters;Office",
        "EMAIL;TYPE=work:ada@perch.example",
        "TEL;TYPE=cell:555 01",
      ) +
        card("FN:Bo Perch", "ORG:Perch & Daughters;Office", "TITLE:keeper; nights", "TEL:555 02") +
        card("FN:Cy Rudd", "EMAIL:cy@rudd.example"),
    );
    const checked = await check(id);
    expect(checked.counts).toEqual({ new: 2, change: 0, same: 0, error: 0 });
    await publish(id);
    const [perch] = (await listRecords(maud, "client", { q: "Perch" })).rows;
    expect(perch?.values).toMatchObject({
      name: "Perch & Daughters, Office",
      contact: "Ada Perch",
      email: "ada@perch.example",
      phone: "555 01",
      contacts: [{ name: "Bo Perch", role: "keeper; nights", phone: "555 02", email: "", letters: false }],
    });
    const place = {
      type: "FeatureCollection",
      features: [
        {
          type: "Feature",
          geometry: { type: "Point", coordinates: [-4.71, 50.41] },
          properties: { name: "Perch yard", client: "Perch & Daughters, Office", address: "3 Sluice Lane" },
        },
      ],
    };
    const sites = await stage("site", JSON.stringify(place));
    await check(sites);
    expect((await publish(sites)).state).toBe("done");
    const [yard] = (await listRecords(maud, "site", { q: "Perch yard" })).rows;
    expect(yard?.values).toMatchObject({ lat: 50.41, lon: -4.71, address: "3 Sluice Lane" });
    // A list of places says nothing of the tap: nobody's yes and nobody's no.
    expect(yard?.values.hotWater).toBeNull();
  });
  test("that are cut, of another kind or no places are refused with what is wrong", async () => {
    const cards = await clientsAsVCards(maud);
    await expect(stage("client", cards.slice(0, -20))).rejects.toMatchObject({ code: "cut-off" });
    await expect(stage("site", cards)).rejects.toMatchObject({ code: "other-kind" });
    const places = JSON.stringify(await sitesAsGeoJson(maud));
    await expect(stage("site", places.slice(0, -20))).rejects.toMatchObject({ code: "cut-off" });
    await expect(stage("client", places)).rejects.toMatchObject({ code: "other-kind" });
    await expect(stage("site", '{"type":"Feature"}')).rejects.toMatchObject({ code: "not-places" });
  });
  test("a place without a point is an error of its row", async () => {
    const file = {
      type: "FeatureCollection",
      features: [
        { type: "Feature", geometry: null, properties: { name: "Nowhere", client: "Seagrass Lab", address: "x" } },
      ],
    };
    const { counts } = await check(await stage("site", JSON.stringify(file)));
    expect(counts.error).toBe(1);
  });
});
