import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import logins from "../../../tools/seed/logins.json" with { type: "json" };
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { audit, session, user } from "../schema";
import { isRecent, LATELY, requireRecent, TODAY } from "./anew";
import { noteSignIn } from "./audit";
import { answerAuth } from "./authAnswer";
import { askForSecondFactor, factorsOf, secondFactors, takeOffFactors } from "./factors";
import { proveAnew } from "./prove";
import { enteredOf, type Scope } from "./scope";

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

const login = logins.logins.find((l) => l.name.startsWith("Ines"));
const email = login?.email ?? "";
const password = login?.password ?? "";
const origin = () => process.env.BETTER_AUTH_URL ?? "";

async function signIn(): Promise<Headers> {
  const answer = await answerAuth(
    "POST",
    new Request(`${origin()}/api/auth/sign-in/email`, {
      method: "POST",
      headers: { "content-type": "application/json", origin: origin() },
      body: JSON.stringify({ email, password }),
    }),
  );
  expect(answer.status).toBe(200);
  return new Headers({ cookie: cookieOf(answer) });
}

const cookieOf = (answer: Response): string =>
  answer.headers
    .getSetCookie()
    .map((c) => c.split(";")[0])
    .join("; ");

const noted = (of: Scope) =>
  db()
    .select({ kind: audit.kind, what: audit.what })
    .from(audit)
    .where(and(eq(audit.businessId, businessId), eq(audit.personId, of.personId)));

describe("who signed in a while ago", () => {
  test("is recent for less than the minutes asked", () => {
    const signedInAt = new Date("2026-03-02T08:00:00Z");
    const after = (minutes: number) => new Date(signedInAt.getTime() + minutes * 60_000);
    expect(isRecent({ signedInAt }, LATELY, after(29.9))).toBe(true);
    expect(isRecent({ signedInAt }, LATELY, after(30))).toBe(false);
    expect(isRecent({ signedInAt }, TODAY, after(11 * 60))).toBe(true);
  });

  test("is asked anew, and shows by password who they are, within the same sign-in", async () => {
    const headers = await signIn();
    const before = await enteredOf(headers);
    const old = new Date(Date.now() - 3 * 3_600_000);
    await db()
      .update(session)
      .set({ createdAt: old })
      .where(eq(session.id, before?.sessionId ?? ""));
    const aged = await enteredOf(headers);
    expect(aged?.signedInAt).toEqual(old);
    expect(() => requireRecent(aged as NonNullable<typeof aged>, LATELY)).toThrow("Sign in once more");
    await expect(proveAnew(headers, { password: "not-this-one", code: "" }, new Date())).rejects.toMatchObject({
      code: "wrong-password",
      fields: { password: ["This is not your password."] },
    });
    const now = new Date();
    await proveAnew(headers, { password, code: "" }, now);
    expect((await enteredOf(headers))?.signedInAt).toEqual(now);
  });

  test("nobody who is not signed in can show it", async () => {
    await expect(proveAnew(new Headers(), { password, code: "" }, new Date())).rejects.toMatchObject({
      code: "not-found",
    });
  });
});

describe("a second factor", () => {
  test("that the firm asks for is lacking in a sign-in by password alone, of who works there", async () => {
    const headers = await signIn();
    expect((await enteredOf(headers))?.lacksSecondFactor).toBe(false);
    await expect(askForSecondFactor(ines, { asks: true }, when())).rejects.toMatchObject({ code: "not-found" });
    await askForSecondFactor(maud, { asks: true }, when());
    expect((await enteredOf(headers))?.lacksSecondFactor).toBe(true);
    expect(await secondFactors(maud)).toEqual({ asks: true, has: new Set() });
    await db()
      .update(session)
      .set({ secondFactor: true })
      .where(eq(session.id, (await enteredOf(headers))?.sessionId ?? ""));
    expect((await enteredOf(headers))?.lacksSecondFactor).toBe(false);
    await askForSecondFactor(maud, { asks: false }, when());
    expect(await noted(maud)).toEqual(
      expect.arrayContaining([
        { kind: "second-factor", what: "asked of everybody who works here" },
        { kind: "second-factor", what: "no longer asked of everybody" },
      ]),
    );
  });

  test("is taken off by the office for who lost it, with their sign-ins", async () => {
    const headers = await signIn();
    const userId = (await enteredOf(headers))?.userId ?? "";
    await db().update(user).set({ twoFactorEnabled: true }).where(eq(user.id, userId));
    expect(await factorsOf(userId)).toMatchObject({ email, hasPassword: true, app: true, passkeys: [] });
    expect((await secondFactors(maud)).has).toEqual(new Set([ines.personId]));
    await takeOffFactors(maud, ines.personId, when());
    expect(await enteredOf(headers)).toBeNull();
    expect((await factorsOf(userId)).app).toBe(false);
    const owner = await scopeOf(businessId, "Dr.");
    await expect(takeOffFactors(maud, owner.personId, when())).rejects.toMatchObject({ code: "no-login" });
  });
});

describe("a changed password", () => {
  test("keeps the second factor of the session it was changed in", async () => {
    const headers = await signIn();
    const entered = await enteredOf(headers);
    await db()
      .update(session)
      .set({ secondFactor: true })
      .where(eq(session.id, entered?.sessionId ?? ""));
    const change = (currentPassword: string, newPassword: string, cookie: string) =>
      answerAuth(
        "POST",
        new Request(`${origin()}/api/auth/change-password`, {
          method: "POST",
          headers: { "content-type": "application/json", origin: origin(), cookie },
          body: JSON.stringify({ currentPassword, newPassword, revokeOtherSessions: true }),
        }),
      );
    const answer = await change(password, "lantern-weir-66", headers.get("cookie") ?? "");
    expect(answer.status).toBe(200);
    const cookie = cookieOf(answer);
    const [kept] = await db()
      .select()
      .from(session)
      .where(eq(session.id, (await enteredOf(new Headers({ cookie })))?.sessionId ?? ""));
    expect(kept?.secondFactor).toBe(true);
    expect((await change("lantern-weir-66", password, cookie)).status).toBe(200);
  });
});

describe("what is written down", () => {
  test("is a sign-in with how it was done, and half a sign-in is none", async () => {
    const before = (await noted(ines)).length;
    const entered = await enteredOf(await signIn());
    const userId = entered?.userId ?? "";
    expect((await noted(ines)).slice(before)).toEqual([{ kind: "sign-in", what: "with a password" }]);
    await db().update(user).set({ twoFactorEnabled: true }).where(eq(user.id, userId));
    await noteSignIn(userId, "/sign-in/email", "192.0.2.7");
    expect(await noted(ines)).toHaveLength(before + 1);
    await noteSignIn(userId, "/two-factor/verify-totp", "192.0.2.7");
    expect((await noted(ines)).map((n) => n.what)).toContain("with a password and a code of an app");
    await db().update(user).set({ twoFactorEnabled: false }).where(eq(user.id, userId));
  });
});

test("routes of the sign-in library that no page asks are not there", async () => {
  for (const path of ["/list-sessions", "/sign-up/email", "/two-factor/send-otp", "/passkey/update-passkey", "/ok"])
    expect((await answerAuth("POST", new Request(`${origin()}/api/auth${path}`, { method: "POST" }))).status).toBe(404);
});
