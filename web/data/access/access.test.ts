import { addDays } from "@keel-round/core/calendar";
import { and, eq, gte } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { loadRound } from "../round/round";
import { account, job, operation, person, session, stop, user, verification, visit } from "../schema";
import { addStop } from "../series/stops";
import { clientAddress, trustedProxies } from "./address";
import { auth } from "./auth";
import { askForEntry, makeEntry } from "./entry";
import { isCommon } from "./passwords";
import { changeRole, invitePerson, leave, listPeople, mailAgain } from "./people";
import { type Scope, scopeOf as scopeOfRequest, scopeOfUser } from "./scope";
import { deviceName, endOthers, endSession, wayIn } from "./sessions";
import { clientsInSight } from "./sight";
import { sayWait } from "./signIn";
import { failedTries, noteTry, secondsToWait, waitMs } from "./tries";

let businessId: string;
let today: string;
let maud: Scope;
let ines: Scope;
const when = () => ({ now: new Date(), today });
const notFound = { code: "not-found" };

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
  ines = await scopeOf(businessId, "Ines");
});

let people = 0;
const address = () => `person${++people}-${businessId.slice(-6)}@calder-renn.example`;

async function invited(role: "office" | "lead" | "technician" = "technician", name = "Wren Aldous") {
  const email = address();
  const { personId } = await invitePerson(maud, { name, email, role, clientId: null }, when());
  const [row] = await db().select().from(person).where(eq(person.id, personId));
  return { personId, email, userId: row?.userId ?? "" };
}

const tokenOf = (path: string): string => new URL(path, "http://x").searchParams.get("token") ?? "";
const origin = () => process.env.BETTER_AUTH_URL ?? "";
const call = (path: string, body: object, headers: Record<string, string> = {}) =>
  auth().handler(
    new Request(`${origin()}/api/auth${path}`, {
      method: "POST",
      headers: { "content-type": "application/json", origin: origin(), ...headers },
      body: JSON.stringify(body),
    }),
  );
const cookieOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");

async function signedIn(email: string, password: string): Promise<Headers> {
  const answer = await call("/sign-in/email", { email, password });
  expect(answer.status).toBe(200);
  return new Headers({ cookie: cookieOf(answer) });
}

describe("a person who is added", () => {
  test("is mailed a way in, sets a password by it once, and signs in", async () => {
    const { email, userId, personId } = await invited();
    const [asked] = await db().select().from(job).where(eq(job.businessId, businessId)).orderBy(job.id);
    expect(asked).toBeDefined();
    const queued = await db().select().from(job).where(eq(job.kind, "entry"));
    // The secret is made when the mail is: none waits in the queue.
    expect(queued.filter((j) => j.payload.userId === userId).map((j) => j.payload)).toEqual([{ userId }]);
    const entry = await makeEntry(userId);
    expect(entry).toMatchObject({ to: email, what: "invite", businessName: "Calder & Renn, aquarium care" });
    const token = tokenOf(entry?.path ?? "");
    expect((await call("/sign-in/email", { email, password: "" })).status).not.toBe(200);
    expect((await call("/reset-password", { token, newPassword: "short" })).status).toBe(400);
    const common = await call("/reset-password", { token, newPassword: "Qwertyuiop" });
    expect(await common.json()).toMatchObject({ code: "PASSWORD_COMMON" });
    expect((await call("/reset-password", { token, newPassword: "reed-lantern-52" })).status).toBe(200);
    expect((await call("/reset-password", { token, newPassword: "reed-lantern-53" })).status).toBe(400);
    const headers = await signedIn(email, "reed-lantern-52");
    expect(await scopeOfRequest(headers)).toMatchObject({ personId, role: "technician", name: "Wren Aldous" });
    const { people: all } = await listPeople(maud, today);
    expect(all.find((p) => p.id === personId)).toMatchObject({ email, hasPassword: true, left: false });
    // From now on a way in is a new password, which ends what was signed in.
    const again = await makeEntry(userId);
    expect(again?.what).toBe("reset");
    await call("/reset-password", { token: tokenOf(again?.path ?? ""), newPassword: "reed-lantern-54" });
    expect(await scopeOfRequest(headers)).toBeNull();
  });

  test("needs an address of their own, and a client where they own tanks", async () => {
    const { email } = await invited();
    const again = { name: "X", email: email.toUpperCase(), role: "technician" as const, clientId: null };
    await expect(invitePerson(maud, again, when())).rejects.toMatchObject({ fields: { email: [expect.any(String)] } });
    const elsewhere = { name: "X", email: address(), role: "tankOwner" as const, clientId: crypto.randomUUID() };
    await expect(invitePerson(maud, elsewhere, when())).rejects.toMatchObject(notFound);
    expect(await db().select().from(user).where(eq(user.email, elsewhere.email))).toEqual([]);
  });

  test("as an owner of tanks comes in by a link that works once, without a password", async () => {
    const owner = await scopeOf(businessId, "Dr.");
    const input = { name: "Asa Ilves", email: address(), role: "tankOwner" as const, clientId: owner.clientId };
    const { personId } = await invitePerson(maud, input, when());
    const [row] = await db().select().from(person).where(eq(person.id, personId));
    const entry = await makeEntry(row?.userId ?? "");
    expect(entry?.what).toBe("link");
    const url = `${origin()}/api/auth/magic-link/verify?token=${tokenOf(entry?.path ?? "")}&callbackURL=/tanks&errorCallbackURL=/enter/link`;
    const answer = await auth().handler(new Request(url));
    expect(answer.status).toBe(302);
    expect(answer.headers.get("location")).toMatch(/\/tanks$/);
    expect(await scopeOfRequest(new Headers({ cookie: cookieOf(answer) }))).toMatchObject({
      personId,
      role: "tankOwner",
      clientId: owner.clientId,
    });
    const second = await auth().handler(new Request(url));
    expect(second.headers.get("location")).toContain("error=INVALID_TOKEN");
    expect(second.headers.getSetCookie()).toEqual([]);
  });

  test("who has a password and asks for a link keeps the password", async () => {
    const [dr] = await db()
      .select()
      .from(person)
      .where(eq(person.id, (await scopeOf(businessId, "Dr.")).personId));
    const entry = await makeEntry(dr?.userId ?? "");
    await auth().handler(
      new Request(`${origin()}/api/auth/magic-link/verify?token=${tokenOf(entry?.path ?? "")}&callbackURL=/tanks`),
    );
    expect(
      (
        await db()
          .select()
          .from(account)
          .where(eq(account.userId, dr?.userId ?? ""))
      ).length,
    ).toBe(1);
  });

  test("is not told apart from nobody by who asks for a way in, and is mailed five times an hour at most", async () => {
    const { email, userId } = await invited();
    await askForEntry("nobody-at-all@firm.example");
    for (let i = 0; i < 9; i++) await askForEntry(email.toUpperCase());
    const mine = (await db().select().from(job).where(eq(job.kind, "entry"))).filter(
      (j) => j.payload.userId === userId,
    );
    expect(mine.length).toBe(5);
  });
});

describe("what somebody does", () => {
  test("is changed by the office alone, and somebody is always in it", async () => {
    const { personId } = await invited();
    await changeRole(maud, { personId, role: "lead" });
    const [row] = await db().select().from(person).where(eq(person.id, personId));
    const lead = await scopeOfUser(row?.userId ?? "");
    expect(lead?.role).toBe("lead");
    if (!lead) return;
    // A lead sees every client and everybody's round, and reaches no person.
    expect(await clientsInSight(lead)).toBeNull();
    expect((await loadRound(lead, ines.personId, today)).stops.length).toBeGreaterThan(0);
    for (const tried of [
      changeRole(lead, { personId, role: "office" }),
      leave(lead, personId, when()),
      mailAgain(lead, personId),
      invitePerson(lead, { name: "X", email: address(), role: "technician", clientId: null }, when()),
      listPeople(lead, today),
      changeRole(ines, { personId, role: "office" }),
    ])
      await expect(tried).rejects.toMatchObject(notFound);
    await expect(changeRole(maud, { personId: maud.personId, role: "lead" })).rejects.toMatchObject({
      code: "last-office",
    });
    await expect(leave(maud, maud.personId, when())).rejects.toMatchObject({ code: "last-office" });
    await changeRole(maud, { personId, role: "office" });
    const both = await Promise.allSettled([
      changeRole(maud, { personId: maud.personId, role: "technician" }),
      changeRole(maud, { personId, role: "technician" }),
    ]);
    expect(both.filter((b) => b.status === "fulfilled").length).toBe(1);
    await db().update(person).set({ role: "office" }).where(eq(person.id, maud.personId));
    const owner = await scopeOf(businessId, "Dr.");
    await expect(changeRole(maud, { personId: owner.personId, role: "office" })).rejects.toMatchObject({
      code: "owner",
    });
  });
});

test("who leaves is signed out at once, keeps their name on what they did, and their series are told", async () => {
  const tobiah = await scopeOf(businessId, "Tobiah");
  const [row] = await db().select().from(person).where(eq(person.id, tobiah.personId));
  const [mail] = await db()
    .select()
    .from(user)
    .where(eq(user.id, row?.userId ?? ""));
  const headers = await signedIn(mail?.email ?? "", "gravel-path-27");
  expect(await scopeOfRequest(headers)).not.toBeNull();
  const [v] = await db()
    .select({ visitId: visit.id, stopId: stop.id })
    .from(visit)
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .where(and(eq(stop.personId, tobiah.personId), gte(stop.onDate, today)))
    .limit(1);
  await new Phone(tobiah, v?.visitId ?? "").say({ type: "start" }, { type: "note", text: "Last day" });

  // A visit beside any series: it comes with nothing else that is handed over.
  const [somewhere] = await db()
    .select({ siteId: stop.siteId })
    .from(stop)
    .where(eq(stop.id, v?.stopId ?? ""));
  const tanks = await db()
    .select({ tankId: visit.tankId })
    .from(visit)
    .where(eq(visit.stopId, v?.stopId ?? ""));
  const extraOn = addDays(today, 9);
  await addStop(
    maud,
    {
      siteId: somewhere?.siteId ?? "",
      on: extraOn,
      personId: tobiah.personId,
      tankIds: tanks.map((t) => t.tankId),
      anyway: true,
    },
    when(),
  );

  await leave(maud, tobiah.personId, when());
  expect(await scopeOfRequest(headers)).toBeNull();
  expect((await call("/sign-in/email", { email: mail?.email, password: "gravel-path-27" })).status).toBe(401);
  expect(
    await db()
      .select()
      .from(session)
      .where(eq(session.userId, row?.userId ?? "")),
  ).toEqual([]);
  expect(await makeEntry(row?.userId ?? "")).toBeNull();
  const { people: all, orphans } = await listPeople(maud, today);
  expect(all.find((p) => p.id === tobiah.personId)).toMatchObject({ left: true, email: null, name: "Tobiah Renn" });
  expect(orphans.length).toBeGreaterThan(3);
  expect(orphans.filter((o) => o.visit).map((o) => o.visit?.on)).toEqual([extraOn]);
  expect(new Set(orphans.map((o) => o.by))).toEqual(new Set(["Tobiah Renn"]));
  const logged = await db()
    .select()
    .from(operation)
    .where(eq(operation.visitId, v?.visitId ?? ""));
  expect(logged.map((o) => o.personId)).toEqual([tobiah.personId, tobiah.personId]);
  await expect(leave(maud, tobiah.personId, when())).rejects.toMatchObject({ code: "left" });
  await expect(mailAgain(maud, tobiah.personId)).rejects.toMatchObject({ code: "left" });
});

describe("sign-ins of one's own", () => {
  test("are listed and ended, one or all others, and nobody else's", async () => {
    const { email, userId } = await invited("technician", "Juno Pike");
    const entry = await makeEntry(userId);
    await call("/reset-password", { token: tokenOf(entry?.path ?? ""), newPassword: "reed-lantern-52" });
    const [here, there, third] = await Promise.all([1, 2, 3].map(() => signedIn(email, "reed-lantern-52")));
    if (!here || !there || !third) throw new Error("not signed in");
    const juno = (await scopeOfUser(userId)) as Scope;
    const mine = await wayIn(juno, here, new Date());
    expect(mine.sessions.map((s) => s.here).sort()).toEqual([false, false, true]);
    const other = mine.sessions.find((s) => !s.here);
    await expect(endSession(ines, other?.id ?? "")).rejects.toMatchObject(notFound);
    await endSession(juno, other?.id ?? "");
    expect((await wayIn(juno, here, new Date())).sessions.length).toBe(2);
    await endOthers(juno, here);
    expect((await wayIn(juno, here, new Date())).sessions.map((s) => s.here)).toEqual([true]);
    expect(await scopeOfRequest(here)).not.toBeNull();
  });

  test("end with a change of password, which asks for the one before", async () => {
    const { email, userId } = await invited("technician", "Hale Marsh");
    const entry = await makeEntry(userId);
    await call("/reset-password", { token: tokenOf(entry?.path ?? ""), newPassword: "reed-lantern-52" });
    const [here, there] = [await signedIn(email, "reed-lantern-52"), await signedIn(email, "reed-lantern-52")];
    const change = (currentPassword: string, newPassword: string) =>
      call(
        "/change-password",
        { currentPassword, newPassword, revokeOtherSessions: true },
        { cookie: here.get("cookie") ?? "" },
      );
    expect(await (await change("wrong-wrong-1", "new-lantern-99")).json()).toMatchObject({ code: "INVALID_PASSWORD" });
    expect(await (await change("reed-lantern-52", "password123")).json()).toMatchObject({ code: "PASSWORD_COMMON" });
    expect((await change("reed-lantern-52", "new-lantern-99")).status).toBe(200);
    expect(await scopeOfRequest(there)).toBeNull();
    await signedIn(email, "new-lantern-99");
  });

  test("are called by browser and system", () => {
    expect(
      deviceName(
        "Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/140.0.0.0 Safari/537.36",
      ),
    ).toMatch(/ on Linux$/);
    expect(deviceName(null)).toBe("An unknown device");
    expect(deviceName("")).toBe("An unknown device");
    expect(deviceName("curl/8")).not.toBe("");
  });
});

describe("guessing", () => {
  const growth = { free: 5, firstMs: 5000, longestMs: 60_000 };
  test("waits longer with each failure, up to a longest", () => {
    expect([0, 4, 5, 6, 7, 8, 9, 50].map((n) => waitMs(growth, n) / 1000)).toEqual([0, 0, 5, 10, 20, 40, 60, 60]);
  });

  test("at one account from one address is held back; its person at home is not", async () => {
    const email = address();
    const now = new Date();
    const at = (seconds: number) => new Date(now.getTime() + seconds * 1000);
    for (let i = 0; i < 5; i++) await noteTry({ email, address: "198.51.100.7" }, false, at(i));
    expect(await secondsToWait({ email: email.toUpperCase(), address: "198.51.100.7" }, at(5))).toBe(4);
    expect(await secondsToWait({ email, address: "198.51.100.7" }, at(10))).toBe(0);
    expect(await secondsToWait({ email, address: "203.0.113.1" }, at(5))).toBe(0);
    expect(await secondsToWait({ email: address(), address: "198.51.100.7" }, at(5))).toBe(0);
    // Once in, an old failure is forgiven.
    await noteTry({ email, address: "198.51.100.7" }, true, at(11));
    await noteTry({ email, address: "198.51.100.7" }, false, at(12));
    expect(await secondsToWait({ email, address: "198.51.100.7" }, at(12))).toBe(0);
    expect(await failedTries(email, now)).toMatchObject({ times: 6, from: "198.51.100.7" });
    expect(await failedTries(email, at(60))).toBeNull();
  });

  test("from many addresses at one account waits, but never long enough to lock its person out", async () => {
    const email = address();
    const now = new Date();
    for (let i = 0; i < 60; i++) await noteTry({ email, address: `203.0.113.${i}` }, false, now);
    const wait = await secondsToWait({ email, address: "192.0.2.1" }, now);
    expect(wait).toBeGreaterThan(0);
    expect(wait).toBeLessThanOrEqual(20);
  });

  test("of many accounts from one address is held back", async () => {
    const now = new Date();
    const from = "192.0.2.77";
    for (let i = 0; i < 45; i++) await noteTry({ email: address(), address: from }, false, now);
    expect(await secondsToWait({ email: address(), address: from }, now)).toBeGreaterThan(60);
    expect(await secondsToWait({ email: address(), address: "192.0.2.78" }, now)).toBe(0);
  });

  test("is told in words", () => {
    expect([1, 40, 90, 900].map(sayWait)).toEqual(["1 second", "40 seconds", "2 minutes", "15 minutes"]);
  });

  test("an address is what our own proxies say, and nothing that a client writes", () => {
    expect(clientAddress(undefined, "::ffff:10.0.0.9", 0)).toBe("10.0.0.9");
    expect(clientAddress("203.0.113.9", "198.51.100.4", 0)).toBe("198.51.100.4");
    expect(clientAddress("6.6.6.6, 203.0.113.9", "10.0.0.2", 1)).toBe("203.0.113.9");
    expect(clientAddress("6.6.6.6, 203.0.113.9, 10.0.0.3", "10.0.0.2", 2)).toBe("203.0.113.9");
    expect(clientAddress("203.0.113.9", undefined, 3)).toBe("203.0.113.9");
    expect(clientAddress(undefined, undefined, 0)).toBe("unknown");
    expect(trustedProxies("2")).toBe(2);
    for (const wrong of ["-1", "1.5", "many", "99"]) expect(() => trustedProxies(wrong)).toThrow(/TRUSTED_PROXIES/);
  });

  test("a password that everybody tries first is known as one, however it is written", () => {
    for (const common of ["1234567890", "PASSWORD123", "qwertyuiop"]) expect(isCommon(common), common).toBe(true);
    expect(isCommon("harbour-lamp-41")).toBe(false);
  });
});

test("no secret of a way in stands in the queue, and each is used up", async () => {
  const { userId } = await invited();
  const entry = await makeEntry(userId);
  const token = tokenOf(entry?.path ?? "");
  expect(JSON.stringify(await db().select().from(job))).not.toContain(token);
  await call("/reset-password", { token, newPassword: "reed-lantern-52" });
  const kept = await db()
    .select()
    .from(verification)
    .where(eq(verification.identifier, `reset-password:${token}`));
  expect(kept).toEqual([]);
});
