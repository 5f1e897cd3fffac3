import { symmetricDecrypt, symmetricEncrypt } from "better-auth/crypto";
import { and, eq, isNotNull } from "drizzle-orm";
import { afterAll, beforeAll, expect, test } from "vitest";
import { ownDatabase } from "../../../tools/testing/ownDatabase.ts";
import { demoBusiness, scopeOf } from "../../../tools/testing/world.ts";
import { auth } from "../access/auth";
import type { Scope } from "../access/scope";
import { calendarAt, makeFeed } from "../calendar/feed";
import { closeDatabase, db } from "../database/connection";
import { newId } from "../database/ids";
import { lookAtCodes, setCodes } from "../desk/codes";
import { letterByToken, letterToken } from "../letters/letters";
import { letter, person, site, twoFactor } from "../schema";
import { rotateSecrets } from "./rotate";

const OLD = process.env.BETTER_AUTH_SECRET ?? "";
const NEW = "another-secret-of-this-installation-0123456789";
let businessId: string;
let maud: Scope;
let today: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  // It seals whatever an installation holds.
  await ownDatabase("rotate");
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

/** Starts over under other secrets, as a restart does. */
async function restart(now: string, before?: string): Promise<void> {
  process.env.BETTER_AUTH_SECRET = now;
  if (before === undefined) delete process.env.BETTER_AUTH_SECRET_BEFORE;
  else process.env.BETTER_AUTH_SECRET_BEFORE = before;
  await closeDatabase();
}
afterAll(() => restart(OLD));

const opened = async (sealed: string) => {
  const { secretConfig } = await auth().$context;
  return symmetricDecrypt({ key: secretConfig, data: sealed });
};

test("under a new secret doors, letters, second factors and calendars open; after the rotation without the old one too", async () => {
  await expect(rotateSecrets()).rejects.toThrow("BETTER_AUTH_SECRET_BEFORE");
  const [place] = await db().select().from(site).where(eq(site.businessId, businessId)).limit(1);
  const siteId = place?.id ?? "";
  await setCodes(maud, siteId, "Side gate 4471", when());
  const [sent] = await db()
    .select()
    .from(letter)
    .where(and(eq(letter.businessId, businessId), isNotNull(letter.sentAt)))
    .limit(1);
  const letterId = sent?.id ?? "";
  const mailed = letterToken(letterId);
  const feed = await makeFeed(maud, { kind: "site", ofId: siteId }, when());
  const calendar = feed.path.split("/").at(-1) ?? "";
  const { secretConfig } = await auth().$context;
  const [someone] = await db().select().from(person).where(eq(person.id, maud.personId));
  const sealed = await symmetricEncrypt({ key: secretConfig, data: "JBSWY3DPEHPK3PXP" });
  const factor = { id: newId(), userId: someone?.userId ?? "", secret: sealed, backupCodes: sealed, verified: true };
  await db().insert(twoFactor).values(factor);
  const factorSecret = async () =>
    (await db().select().from(twoFactor).where(eq(twoFactor.id, factor.id)))[0]?.secret ?? "";

  await restart(NEW, OLD);
  expect(await lookAtCodes(maud, siteId, when())).toEqual({ codes: "Side gate 4471" });
  expect((await letterByToken(mailed))?.id).toBe(letterId);
  expect(await calendarAt(calendar, new Date())).toContain("BEGIN:VCALENDAR");
  expect(await opened(await factorSecret())).toBe("JBSWY3DPEHPK3PXP");

  const first = await rotateSecrets();
  expect(first.doorCodes).toBeGreaterThan(0);
  expect(first.letters).toBeGreaterThan(0);
  expect(first.secondFactors).toBe(1);
  // Once more, as after a stop in the middle: what is done is not done again, and nothing is lost.
  expect((await rotateSecrets()).letters).toBe(0);

  await restart(NEW);
  expect(await lookAtCodes(maud, siteId, when())).toEqual({ codes: "Side gate 4471" });
  expect((await letterByToken(mailed))?.id).toBe(letterId);
  const shown = letterToken(letterId);
  expect(shown).not.toBe(mailed);
  expect((await letterByToken(shown))?.id).toBe(letterId);
  expect(await opened(await factorSecret())).toBe("JBSWY3DPEHPK3PXP");
  // Calendars are read at their new address from then on.
  expect(await calendarAt(calendar, new Date())).toBeNull();
  const again = (await makeFeed(maud, { kind: "site", ofId: siteId }, when())).path.split("/").at(-1) ?? "";
  expect(await calendarAt(again, new Date())).toContain("BEGIN:VCALENDAR");
});

test("codes under a secret that is gone are said to be so, not thrown", async () => {
  await restart("a-third-secret-that-nobody-rotated-to-0123456789");
  const [place] = await db()
    .select()
    .from(site)
    .where(and(eq(site.businessId, businessId), isNotNull(site.accessCodes)));
  await expect(lookAtCodes(maud, place?.id ?? "", when())).rejects.toMatchObject({ code: "other-secret" });
});
