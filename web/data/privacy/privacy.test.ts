import { addDays } from "@keel-round/core/calendar";
import { keptSince, USUAL_RETENTION } from "@keel-round/core/desk";
import { and, count, eq, getTableColumns, getTableName, is, ne } from "drizzle-orm";
import { getTableConfig, MySqlTable } from "drizzle-orm/mysql-core";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import { leave, listPeople } from "../access/people";
import type { Scope } from "../access/scope";
import { noteTry } from "../access/tries";
import { db } from "../database/connection";
import { bulkChange } from "../desk/records";
import { letterContent, storeLetter } from "../letters/letters";
import * as schema from "../schema";
import {
  audit,
  business,
  deskChange,
  finding,
  letter,
  operation,
  person,
  reading,
  signInTry,
  site,
  visit,
} from "../schema";
import { auditLines } from "./auditLines";
import { eraseContacts, erasePerson } from "./erase";
import { exportContacts, exportPerson } from "./export";
import { KEPT } from "./kept";
import { keepTimes, retentionOf, saveRetention, sweepSignIns } from "./retention";

let businessId: string;
let today: string;
let maud: Scope;
let ines: Scope;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
  ines = await scopeOf(businessId, "Ines");
});

const tables = Object.values(schema).flatMap((t): MySqlTable[] => (is(t, MySqlTable) ? [t as MySqlTable] : []));

/** Every table and column in which a text stands, over the whole database. */
async function whereIs(text: string): Promise<string[]> {
  const found: string[] = [];
  for (const table of tables)
    for (const row of (await db().select().from(table)) as Record<string, unknown>[])
      for (const [column, value] of Object.entries(row)) {
        const says = Buffer.isBuffer(value) ? "" : typeof value === "string" ? value : JSON.stringify(value ?? "");
        if (says.includes(text)) found.push(`${getTableName(table)}.${column}`);
      }
  return [...new Set(found)];
}

describe("what is kept about a person", () => {
  test("has a line for every column that can hold one", () => {
    const holds = tables.flatMap((table) => {
      const pointing = getTableConfig(table).foreignKeys.flatMap((key) => {
        const { columns, foreignTable } = key.reference();
        return foreignTable === person ? columns.filter((c) => c.name !== "business_id").map((c) => c.name) : [];
      });
      const named = Object.values(getTableColumns(table))
        .filter((c) => c.getSQLType() === "uuid" && (/person_id$|_by$/.test(c.name) || pointing.includes(c.name)))
        .map((c) => c.name);
      return named.map((name) => `${getTableName(table)}.${name}`);
    });
    // A calendar is of a person or a site: an erasure ends it by itself.
    const lines = [...KEPT.map(({ table, by }) => `${getTableName(table)}.${by.name}`), "calendar_feed.of_id"];
    expect(holds.filter((h) => !lines.includes(h))).toEqual([]);
    expect(holds.length).toBeGreaterThan(20);
  });

  test("is handed out whole to the office alone, without what opens anything", async () => {
    const { name, text } = await exportPerson(maud, ines.personId, new Date());
    expect(name).toBe(ines.name);
    const told = JSON.parse(text);
    expect(told.person).toMatchObject({ name: ines.name, role: "technician" });
    expect(told.signIn.email).toMatch(/^ines@/);
    const [logged] = await db()
      .select({ n: count() })
      .from(operation)
      .where(and(eq(operation.businessId, businessId), eq(operation.personId, ines.personId)));
    expect(told.rows.operation).toHaveLength(logged?.n ?? -1);
    const [account] = await db().select().from(schema.account).where(eq(schema.account.accountId, told.person.userId));
    expect(account?.password).toBeTruthy();
    expect(text).not.toContain(account?.password);
    await expect(exportPerson(ines, ines.personId, new Date())).rejects.toMatchObject({ code: "not-found" });
  });
});

/** Words that stand nowhere else. */
const WORDS = [
  "Brimstone valve note",
  "Brimstone crack seen",
  "Brimstone queue",
  "Brimstone lamp",
  "Brimstone slip",
  "Brimstone later",
];

/** A visit that Ines logs, with words wherever words can be, and its letter. */
async function wordyVisit() {
  const [v] = await visitsOf(businessId, "Maritime College", today);
  if (!v) throw new Error("The demo has no such visit");
  const { plan } = await planOf(businessId, v);
  const phone = new Phone(ines, v.visitId);
  const open = await db()
    .select()
    .from(finding)
    .where(and(eq(finding.tankId, v.tankId), ne(finding.state, "fixed")));
  const seen = v7();
  const later = [seen, ...open.map((f) => f.id)].map(
    (id) => ({ type: "resolve", id, how: "carried", on: addDays(v.on, 7), text: WORDS[5] ?? "" }) as const,
  );
  const job = plan.steps.find((s) => s.task)?.id ?? "";
  const results = await phone.say(
    { type: "start" },
    { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
    { type: "reading", id: v7(), parameter: "nitrate", text: "12", unit: "mg/L", method: "drop test" },
    { type: "note", id: v7(), text: WORDS[0] ?? "" },
    { type: "finding", id: seen, kind: "equipment", text: WORDS[1] ?? "" },
    ...later,
    { type: "skip", step: job, reason: WORDS[2] ?? "" },
    { type: "switch", gear: "return", state: "left-off", reason: WORDS[3] ?? "" },
    { type: "close" },
    { type: "correct", why: WORDS[4] ?? "", change: { type: "litres", outL: 20, inL: 20 } },
  );
  expect(results.filter((r) => r.result !== "applied")).toEqual([]);
  const [row] = await db().select().from(visit).where(eq(visit.id, v.visitId));
  const content = await letterContent(businessId, row?.stopId ?? "");
  if (content)
    await storeLetter(
      businessId,
      row?.stopId ?? "",
      content,
      { subject: "x", html: `<p>${content.signedBy}</p>`, plain: content.signedBy, pdf: Buffer.from("x") },
      new Date(),
    );
  return v;
}

describe("a person is erased", () => {
  test("not while they belong to the firm", async () => {
    await expect(erasePerson(maud, ines.personId, when())).rejects.toMatchObject({ code: "here" });
    await expect(erasePerson(ines, ines.personId, when())).rejects.toMatchObject({ code: "not-found" });
  });

  test("name and words are nowhere any more; what was measured and done stays", async () => {
    const v = await wordyVisit();
    const email = (await listPeople(maud, today)).people.find((p) => p.id === ines.personId)?.email ?? "";
    await noteTry({ email, address: "192.0.2.8" }, false);
    for (const words of WORDS) expect(await whereIs(words), words).not.toEqual([]);
    expect(await whereIs(ines.name)).toContain("letter.plain");
    const measured = () => db().select().from(reading).where(eq(reading.visitId, v.visitId));
    const logged = () => db().select({ n: count() }).from(operation).where(eq(operation.personId, ines.personId));
    const before = { readings: await measured(), logged: await logged() };
    expect(before.readings.length).toBeGreaterThan(0);

    await leave(maud, ines.personId, when());
    const { name } = await erasePerson(maud, ines.personId, when());
    expect(name).toBe("Former colleague 1");
    for (const gone of [ines.name, email, ...WORDS]) expect(await whereIs(gone), gone).toEqual([]);
    expect(await measured()).toEqual(before.readings);
    expect(await logged()).toEqual(before.logged);
    const [left] = await db()
      .select()
      .from(finding)
      .where(and(eq(finding.visitId, v.visitId), eq(finding.kind, "equipment")));
    expect(left?.text).toMatch(/^(erased|.* was left off: erased)$/);
    await expect(erasePerson(maud, ines.personId, when())).rejects.toMatchObject({ code: "erased" });
  });

  test("a log whose words were erased is read and told as before", async () => {
    const [v] = await visitsOf(businessId, "Maritime College", today);
    const [op] = await db()
      .select()
      .from(operation)
      .where(and(eq(operation.visitId, v?.visitId ?? ""), eq(operation.type, "note")));
    expect(op?.body).toMatchObject({ type: "note", text: "erased" });
    const [typed] = await db()
      .select()
      .from(operation)
      .where(and(eq(operation.visitId, v?.visitId ?? ""), eq(operation.type, "reading")));
    expect(typed?.body).toMatchObject({ text: "12" });
    // Somebody else puts the visit right: all of it is made anew from its log.
    const [result] = await new Phone(maud, v?.visitId ?? "").say({
      type: "correct",
      why: "counted again",
      change: { type: "litres", outL: 22, inL: 22 },
    });
    expect(result?.result).toBe("applied");
  });

  test("who is behind a client is erased, and the client stays", async () => {
    const [row] = await db()
      .select()
      .from(schema.client)
      .where(and(eq(schema.client.businessId, businessId), eq(schema.client.name, "Ilves Dental")));
    if (!row) throw new Error("The demo has no such client");
    const { id } = row;
    await bulkChange(maud, "client", [id], { contact: "Brimstone Ilves" }, when());
    expect(await whereIs("Brimstone Ilves")).toContain("desk_change.new");
    expect(JSON.parse((await exportContacts(maud, id, new Date())).text).client.contact).toBe("Brimstone Ilves");
    await eraseContacts(maud, id, when());
    expect((await whereIs("Brimstone Ilves")).filter((w) => w !== "person.name")).toEqual([]);
    const [after] = await db().select().from(schema.client).where(eq(schema.client.id, id));
    expect(after).toMatchObject({
      name: "Ilves Dental",
      contact: "",
      email: "",
      phone: "",
      contacts: [],
      lettersBy: "none",
    });
    await expect(eraseContacts(await scopeOf(businessId, "Tobiah"), id, when())).rejects.toMatchObject({
      code: "not-found",
    });
  });
});

describe("how long it is kept", () => {
  test("a month back from its last day is the last day of the month before", () => {
    expect(keptSince(1, new Date("2026-03-31T12:00:00Z"))?.toISOString()).toBe("2026-02-28T12:00:00.000Z");
    expect(keptSince(12, new Date("2024-02-29T00:00:00Z"))?.toISOString()).toBe("2023-02-28T00:00:00.000Z");
    expect(keptSince(null, new Date())).toBeNull();
  });

  test("is a year of who came in until the firm says otherwise", async () => {
    expect(await retentionOf(maud)).toEqual(USUAL_RETENTION);
    const tobiah = await scopeOf(businessId, "Tobiah");
    await expect(saveRetention(tobiah, USUAL_RETENTION, when())).rejects.toMatchObject({ code: "not-found" });
  });

  test("what is older goes at night, and a name of who left long ago with it", async () => {
    const tobiah = await scopeOf(businessId, "Tobiah");
    const [place] = await db().select().from(site).where(eq(site.businessId, businessId)).limit(1);
    await bulkChange(maud, "site", [place?.id ?? ""], { parking: "behind the net loft" }, when());
    await leave(maud, tobiah.personId, when());
    await saveRetention(maud, { auditMonths: 3, changeMonths: 12, leftMonths: 6 }, when());
    const [n] = await db().select({ n: count() }).from(audit).where(eq(audit.businessId, businessId));
    expect(n?.n).toBeGreaterThan(0);
    expect(await keepTimes(businessId, new Date())).toBe(0);
    expect((await auditLines(maud, new Date(Date.now() + 60_000))).length).toBeGreaterThan(0);
    const later = new Date();
    later.setUTCMonth(later.getUTCMonth() + 7);
    expect(await keepTimes(businessId, later)).toBe(1);
    expect(await whereIs(tobiah.name)).toEqual([]);
    // What that night itself did is all that is left of who did what.
    expect((await auditLines(maud, new Date(later.getTime() + 60_000))).map((l) => [l.kind, l.by])).toEqual([
      ["erased", null],
    ]);
    expect(await db().select().from(deskChange).where(eq(deskChange.businessId, businessId))).not.toEqual([]);
    later.setUTCFullYear(later.getUTCFullYear() + 1);
    await keepTimes(businessId, later);
    expect(await db().select().from(deskChange).where(eq(deskChange.businessId, businessId))).toEqual([]);
    await db().update(business).set({ retention: null }).where(eq(business.id, businessId));
  });

  test("tries to sign in go after ninety days", async () => {
    await noteTry({ email: "nobody@calder-renn.example", address: "192.0.2.9" }, false);
    await sweepSignIns(new Date());
    const left = () => db().select().from(signInTry).where(eq(signInTry.email, "nobody@calder-renn.example"));
    expect(await left()).toHaveLength(1);
    await sweepSignIns(new Date(Date.now() + 91 * 86_400_000));
    expect(await left()).toHaveLength(0);
  });
});

test("the letters of a person who was erased can still be shown", async () => {
  const rows = await db().select().from(letter).where(eq(letter.businessId, businessId));
  for (const { content } of rows) if (content) expect(content.signedBy).not.toBe(ines.name);
});
