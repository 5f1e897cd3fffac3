import { readFileSync } from "node:fs";
import { join } from "node:path";
import { count, desc, eq, inArray } from "drizzle-orm";
import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { z } from "zod";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import { type Scope, scopeOfUser } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { lookAtCodes } from "../desk/codes";
import { listRecords } from "../desk/lists";
import { changeRecord } from "../desk/records";
import { find } from "../find/find";
import { beginBusiness } from "../firm/begin";
import { photoStore } from "../photos/store";
import { business, client, letter, person, photo, site, tank, tankKind, tankStatus } from "../schema";
import { loadTank } from "../tanks/tanks";
import { idMap, mapIds } from "./ids";
import { readArchive } from "./read";
import { ARCHIVED_NAMES, ArchiveSchema } from "./tables";
import { lastArchive, undoArchive } from "./undo";
import { writeArchive } from "./write";

let maud: Scope;
let today: string;
let when: { now: Date; today: string };
let businessId: string;
let text = "";

async function written(scope: Scope, passphrase: string | null): Promise<string> {
  let all = "";
  for await (const part of writeArchive(scope, passphrase, new Date("2026-01-01T00:00:00Z"))) all += part;
  return all;
}

/** A business that somebody has just begun. */
async function emptyBusiness(): Promise<Scope> {
  const { userId } = await beginBusiness(
    maud,
    {
      name: "New",
      zone: "Europe/London",
      phone: "",
      mailFrom: "letters@new.example",
      start: "50.4, -4.7",
      person: "Whoever began",
      email: `${newId()}@new.example`,
      password: "a-password-for-tests",
    },
    when.now,
  );
  const scope = await scopeOfUser(userId);
  if (!scope) throw new Error("nobody");
  return scope;
}

async function* bytesOf(content: string, chunk = 60_000) {
  const bytes = Buffer.from(content);
  for (let i = 0; i < bytes.length; i += chunk) yield bytes.subarray(i, i + chunk);
}

/** An archive's rows and photos with new ids, in an order that does not depend on them; without who brought it in. */
function rowsUpToIds(archive: string, map: (old: string) => string): Record<string, string[]> {
  const { tables, photos } = JSON.parse(archive) as {
    tables: Record<string, { name?: string }[]>;
    photos: Record<string, string>;
  };
  return {
    ...Object.fromEntries(
      Object.entries(tables).map(([name, rows]) => [
        name,
        rows
          .filter((r) => r.name !== "Whoever began")
          .map((r) => JSON.stringify(mapIds({ ...r, accessCodes: undefined }, map)))
          .sort(),
      ]),
    ),
    photos: Object.entries(photos)
      .map(([id, bytes]) => `${map(id)} ${bytes}`)
      .sort(),
  };
}

const KEPT_LETTERS = 40;

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  when = { now: new Date(), today };
  maud = await scopeOf(businessId, "Maud");
  // A year of letters is like its last ones, and all of them go in and out of each test.
  const letters = await db().select({ id: letter.id }).from(letter).orderBy(desc(letter.createdAt));
  await db()
    .delete(letter)
    .where(
      inArray(
        letter.id,
        letters.slice(KEPT_LETTERS).map((l) => l.id),
      ),
    );
  text = await written(maud, "two herons on a post");
});

describe("an archive", () => {
  test("holds every table, keeps the published schema, and no code in the open", () => {
    const parsed = ArchiveSchema.safeParse(JSON.parse(text));
    expect(parsed.error?.issues).toBeUndefined();
    expect(Object.keys(JSON.parse(text).tables)).toEqual(ARCHIVED_NAMES);
    expect(text.includes("Side gate 4471")).toBe(false);
    expect(text.includes(businessId)).toBe(false);
  });
  test("has its schema published", () => {
    const published = JSON.parse(readFileSync(join(import.meta.dirname, "../../public/archive.schema.json"), "utf8"));
    expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(ArchiveSchema))));
  });
  test("brought into an empty business gives the same business, up to ids", async () => {
    const other = await emptyBusiness();
    const counts = await readArchive(other, () => bytesOf(text), "two herons on a post", when);
    expect(counts.tank).toBe(39);
    const again = await written(other, null);
    const map = idMap(other.businessId);
    expect(rowsUpToIds(again, (id) => id)).toEqual(rowsUpToIds(text, map));
    const { business: ours } = JSON.parse(text);
    expect(JSON.parse(again).business).toEqual(ours);

    // It works: a tank plans, is judged and found, and the door codes open under this installation's secret.
    const reef = (await listRecords(other, "tank", { q: "Reef Ilves" })).rows[0];
    const sheet = await loadTank(other, reef?.id ?? "", today);
    const mine = await loadTank(maud, (await listRecords(maud, "tank", { q: "Reef Ilves" })).rows[0]?.id ?? "", today);
    expect(sheet.plan.water.litres.value).toBe(mine.plan.water.litres.value);
    expect(sheet.plan.steps.map((s) => s.title)).toEqual(mine.plan.steps.map((s) => s.title));
    const judged = await db()
      .select({ n: count() })
      .from(tankStatus)
      .where(eq(tankStatus.businessId, other.businessId));
    expect(judged[0]?.n).toBe(39);
    expect((await find(other, "archerfish", today)).length).toBeGreaterThan(0);
    const college = (await listRecords(other, "site", { q: "Maritime" })).rows[0];
    expect(await lookAtCodes(other, college?.id ?? "", { now: new Date(), today })).toEqual({
      codes: "Side gate 4471",
    });
    // Nobody of the archive can sign in here by it.
    const people = await db().select().from(person).where(eq(person.businessId, other.businessId));
    expect(people.length).toBe(5);
    expect(people.filter((p) => p.userId !== null).map((p) => p.id)).toEqual([other.personId]);
  });
  test("of the version before, without photos and checksum, is still read", async () => {
    const old = JSON.parse(await written(maud, null));
    const { sha256: _, photos: __, ...rest } = old;
    const without = (rows: Record<string, unknown>[], ...keys: string[]) =>
      rows.map((r) => Object.fromEntries(Object.entries(r).filter(([key]) => !keys.includes(key))));
    const { tankKind: _k, photo: _p, firmJob: _j, ...tables } = rest.tables;
    // Ways of working had another name.
    const schooled = ({ facts, ...row }: { facts: { practice: unknown } }) => {
      const { practice, ...others } = facts;
      return { ...row, facts: { ...others, schools: practice } };
    };
    const asItWas = JSON.stringify({
      ...rest,
      version: 1,
      tables: {
        ...tables,
        client: without(tables.client, "contacts"),
        tank: tables.tank.map(schooled),
        equipment: without(tables.equipment, "meterHours", "meterOn"),
        source: without(tables.source, "siteId", "version", "archivedAt"),
        person: without(tables.person, "vanKit", "pace").map((p) =>
          p.role === "tankOwner" ? { ...p, role: "owner" } : p,
        ),
        task: without(tables.task, "cadence", "performer", "minutes", "pin", "plannedOn"),
      },
    });
    const other = await emptyBusiness();
    await readArchive(other, () => bytesOf(asItWas), null, when);
    const kinds = await db().select().from(tankKind).where(eq(tankKind.businessId, other.businessId));
    expect(kinds).toHaveLength(15);
    expect((await db().select().from(client).where(eq(client.businessId, other.businessId)))[0]?.contacts).toEqual([]);
    const ways = async (scope: typeof other) =>
      (await db().select().from(tank).where(eq(tank.businessId, scope.businessId)))
        .map((t) => JSON.stringify([t.name, t.facts.practice]))
        .sort();
    expect(await ways(other)).toEqual(await ways(maud));
  });
  test("is begun again with its file where the database has to be asked again", async () => {
    const other = await emptyBusiness();
    let times = 0;
    async function* once(): AsyncIterable<Uint8Array> {
      times += 1;
      let bytes = 0;
      for await (const chunk of bytesOf(text)) {
        yield chunk;
        bytes += chunk.length;
        // As a deadlock in the middle of it would.
        if (times === 1 && bytes > 200_000) throw Object.assign(new Error("Deadlock found"), { errno: 1213 });
      }
    }
    await readArchive(other, once, "two herons on a post", when);
    expect(times).toBe(2);
    await expect(readArchive(other, once, null, when)).rejects.toMatchObject({ code: "not-empty" });
  });

  test("is taken back as one step, photos and all, and may come in again", async () => {
    const other = await emptyBusiness();
    await readArchive(other, () => bytesOf(text), "two herons on a post", when);
    const last = await lastArchive(other);
    const [one] = await db().select().from(photo).where(eq(photo.businessId, other.businessId)).limit(1);
    expect(await photoStore().get(other.businessId, one?.id ?? "")).not.toBeNull();
    await undoArchive(other, last?.id ?? "", when);
    expect(await db().select().from(site).where(eq(site.businessId, other.businessId))).toHaveLength(0);
    expect((await db().select().from(person).where(eq(person.businessId, other.businessId))).map((p) => p.id)).toEqual([
      other.personId,
    ]);
    expect((await db().select().from(business).where(eq(business.id, other.businessId)))[0]?.phone).toBe("");
    expect(await photoStore().get(other.businessId, one?.id ?? "")).toBeNull();
    expect(await find(other, "archerfish", today)).toEqual([]);
    expect(await lastArchive(other)).toBeNull();
    await readArchive(other, () => bytesOf(text), "two herons on a post", when);
    // Once somebody worked on it, it stays.
    const [client] = (await listRecords(other, "client", {})).rows;
    await changeRecord(
      other,
      "client",
      { id: client?.id ?? "", version: client?.version ?? 0, values: { phone: "555 0000" } },
      { now: new Date(Date.now() + 1000), today },
    );
    const again = await lastArchive(other);
    await expect(undoArchive(other, again?.id ?? "", when)).rejects.toMatchObject({
      code: "edited-since",
      message: expect.stringContaining("1 changes at the desk"),
    });
    expect((await listRecords(other, "client", {})).total).toBeGreaterThan(20);
  });
  test("keeps its codes without the passphrase, and leaves them behind without one", async () => {
    const plain = await written(maud, null);
    expect(JSON.parse(plain).tables.site.every((s: { accessCodes: unknown }) => s.accessCodes === null)).toBe(true);
    for (const wrong of ["three herons", null])
      await expect(readArchive(await emptyBusiness(), () => bytesOf(text), wrong, when)).rejects.toMatchObject({
        code: "passphrase",
      });
  });
});

describe("a file that is not right", () => {
  const refused: readonly [string, (whole: string) => string, string][] = [
    ["cut in half", (w) => w.slice(0, w.length / 2), "not-whole"],
    ["cut before its last brackets", (w) => w.slice(0, -5), "not-whole"],
    ["of another format", (w) => w.replace("keel-round-archive", "something-else"), "not-archive"],
    ["of a later version", (w) => w.replace(/"version":\d+/, '"version":99'), "version"],
    [
      "with a row that points at nothing",
      (w) => w.replace(/"siteId":"[0-9a-f-]{36}"/, `"siteId":"${newId()}"`),
      "broken",
    ],
    ["with a word where a number belongs", (w) => w.replace(/"lat":[-\d.]+/g, '"lat":"north"'), "invalid"],
    ["with a table that does not exist", (w) => w.replace('"equipment":[', '"secrets":['), "unknown-table"],
    ["with a figure that was altered", (w) => w.replace(/"targetC":25\b/, '"targetC":26'), "altered"],
    ["with another photo in place of one", (w) => w.replace(/(":"\/9j\/)(.{400})/, "$1$2AAAA"), "broken"],
    ["without the file of a photo", (w) => w.replace(/\n"[0-9a-f-]{36}":"\/9j[^"]*",/, ""), "no-photo"],
    ["whose checksum is missing", (w) => w.replace(/,\n"sha256":"[0-9a-f]{64}"/, ""), "altered"],
    ["that is no JSON", () => "Name,Contact\nA,B\n", "not-whole"],
  ];
  for (const [name, alter, code] of refused)
    test(`${name} is refused, and nothing of it is kept`, async () => {
      const other = await emptyBusiness();
      await expect(readArchive(other, () => bytesOf(alter(text)), "two herons on a post", when)).rejects.toMatchObject({
        code,
      });
      expect(await db().select().from(site).where(eq(site.businessId, other.businessId))).toHaveLength(0);
      const [firm] = await db().select().from(business).where(eq(business.id, other.businessId));
      expect(firm?.phone).toBe("");
    });
  test("into a business that has clients is refused", async () =>
    await expect(readArchive(maud, () => bytesOf(text), null, when)).rejects.toMatchObject({ code: "not-empty" }));
  test("is nobody's but the office's", async () => {
    const ines = await scopeOf(businessId, "Ines");
    await expect(readArchive(ines, () => bytesOf(text), null, when)).rejects.toMatchObject({ code: "not-found" });
    await expect(written(ines, null)).rejects.toMatchObject({ code: "not-found" });
  });
});

/** Records of a business that nobody made up by hand: any text, any figure. */
const word = fc.string({ minLength: 1, maxLength: 40 }).map((s) => s.trim() || "x");
const anySite = fc.record({
  name: word,
  address: word,
  parking: word,
  lat: fc.double({ min: -90, max: 90, noNaN: true }),
  lon: fc.double({ min: -180, max: 180, noNaN: true }),
  drain: fc.constantFrom("sewer" as const, "septic" as const, "garden" as const),
  stairs: fc.option(fc.integer({ min: 0, max: 400 })),
  hotWater: fc.boolean(),
  bucketL: fc.double({ min: 1, max: 200, noNaN: true }),
});

test("any business goes out and comes in the same", async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(anySite, { minLength: 1, maxLength: 6 }), word, async (sites, clientName) => {
      const source = await emptyBusiness();
      const clientId = newId();
      const base = { businessId: source.businessId };
      await db()
        .insert(client)
        .values({ id: clientId, ...base, name: clientName, contact: "", email: "" });
      const [someone] = await db().select().from(person).where(eq(person.businessId, businessId)).limit(1);
      if (!someone) throw new Error("nobody");
      await db()
        .insert(person)
        .values({ ...someone, id: newId(), userId: null, clientId: null, ...base });
      await db()
        .insert(site)
        .values(sites.map((s) => ({ id: newId(), ...base, clientId, windows: {}, access: "", setUpMinutes: 5, ...s })));
      const out = await written(source, null);
      const target = await emptyBusiness();
      await readArchive(target, () => bytesOf(out, 97), null, when);
      expect(rowsUpToIds(await written(target, null), (id) => id)).toEqual(rowsUpToIds(out, idMap(target.businessId)));
    }),
    { numRuns: 12 },
  );
});
