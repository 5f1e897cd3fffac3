import { readPlace } from "@keel-round/core/desk";
import { eq } from "drizzle-orm";
import { drizzle } from "drizzle-orm/mysql2";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import { auth } from "../access/auth";
import { type Scope, scopeOfUser } from "../access/scope";
import { technicians } from "../access/units";
import { db, openPool } from "../database/connection";
import { newId } from "../database/ids";
import { migrateDatabase } from "../database/migrate";
import { listRecords } from "../desk/lists";
import { organization, user } from "../schema";
import { beginBusiness, mayBegin } from "./begin";

const now = new Date();
const begin = (email: string) => ({
  name: `Quayside ${email}`,
  zone: "Europe/London",
  phone: "555 0199",
  mailFrom: "letters@quayside.example",
  start: "50.421, −4.702",
  person: "Perran Quay",
  email,
  password: "a-lamp-in-the-window",
});

let maud: Scope;
let ines: Scope;
beforeAll(async () => {
  const { businessId } = await demoBusiness();
  [maud, ines] = await Promise.all([scopeOf(businessId, "Maud"), scopeOf(businessId, "Ines")]);
});

describe("a business is begun", () => {
  test("by the office: empty, with the firm's kinds of tank and a login that signs in", async () => {
    const email = `Perran-${newId()}@quayside.example`;
    const { userId } = await beginBusiness(maud, begin(email), now);
    const scope = await scopeOfUser(userId);
    expect(scope).toMatchObject({ role: "office", name: "Perran Quay", zone: "Europe/London" });
    if (!scope) throw new Error("nobody");
    expect(scope.businessId).not.toBe(maud.businessId);
    const kinds = await listRecords(scope, "kind", {});
    expect(kinds.rows.length).toBeGreaterThan(0);
    for (const kind of ["client", "site", "tank", "animal", "equipment", "source"] as const)
      expect((await listRecords(scope, kind, {})).rows).toEqual([]);
    expect(await technicians(scope)).toEqual([{ id: scope.personId, name: "Perran Quay" }]);
    const answer = await auth().api.signInEmail({ body: { email, password: "a-lamp-in-the-window" } });
    expect(answer.user.id).toBe(userId);
    await expect(auth().api.signInEmail({ body: { email, password: "another-lamp" } })).rejects.toMatchObject({
      statusCode: 401,
    });
  });

  test("by nobody else where there is one already", async () => {
    const email = `${newId()}@quayside.example`;
    for (const who of [null, ines, { ...maud, role: "tankOwner" as const }])
      await expect(beginBusiness(who, begin(email), now)).rejects.toMatchObject({ status: 404 });
    expect(await db().select().from(user).where(eq(user.email, email))).toEqual([]);
  });

  test("by whoever comes first to a server without any", async () => {
    await db().execute("create database without_any");
    const url = (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, "without_any");
    await migrateDatabase(url, new URL("../database/migrations", import.meta.url).pathname);
    const pool = openPool(url, 1);
    expect(await mayBegin(null, drizzle(pool))).toBe(true);
    await pool.end();
  });

  test("not with an address that signs somebody in already; nothing of it is kept", async () => {
    const email = `${newId()}@quayside.example`;
    await beginBusiness(maud, begin(email), now);
    const again = { ...begin(email.toUpperCase()), name: `Twice ${email}` };
    await expect(beginBusiness(maud, again, now)).rejects.toMatchObject({
      code: "taken",
      fields: { email: [expect.stringContaining("signs somebody in already")] },
    });
    expect(await db().select().from(organization).where(eq(organization.name, again.name))).toEqual([]);
  });
});

test.each([
  ["50.421, -4.702", { lat: 50.421, lon: -4.702 }],
  ["50.421 −4.702", { lat: 50.421, lon: -4.702 }],
  ["-90;180", { lat: -90, lon: 180 }],
  ["90.01, 0", null],
  ["https://maps.example/@50.421,-4.702,17z", { lat: 50.421, lon: -4.702 }],
  ["https://maps.example/?q=50.421,-4.702", { lat: 50.421, lon: -4.702 }],
  ["https://maps.example/?q=50.421%2C-4.702&z=3", { lat: 50.421, lon: -4.702 }],
  ["https://maps.example/?mlat=50.421&mlon=-4.702#map=17/50.4/-4.7", { lat: 50.421, lon: -4.702 }],
  ["https://maps.example/#map=17/50.421/-4.702", { lat: 50.421, lon: -4.702 }],
  ["geo:50.421,-4.702?z=17", { lat: 50.421, lon: -4.702 }],
  ["https://maps.example/the-quay", null],
  ["12, 181", null],
  ["50.421", null],
  ["by the quay", null],
])("the place “%s” is read", (text, place) => expect(readPlace(text)).toEqual(place));
