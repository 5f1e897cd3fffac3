import { randomBytes } from "node:crypto";
import { and, count, eq, gte, sql } from "drizzle-orm";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { account, business, job, person, user } from "../schema";
import { auth } from "./auth";

/** How long a mailed way in may be used. */
const INVITE_MS = 7 * 86_400_000;
const RESET_MS = 3_600_000;
const LINK_MS = 3_600_000;

/** What is mailed to somebody so that they can come in. */
export interface EntryMail {
  readonly to: string;
  readonly name: string;
  readonly businessName: string;
  readonly mailFrom: string;
  /** A first password, a new one, or the one-time link of an owner of tanks. */
  readonly what: "invite" | "reset" | "link";
  /** Path with its secret, below the application's address. */
  readonly path: string;
}

/**
 * Makes somebody's way in, to be mailed at once: its secret is kept by the sign-in library alone, and used once.
 *
 * @returns null where the person has left.
 */
export async function makeEntry(userId: string): Promise<EntryMail | null> {
  const [row] = await db()
    .select({ user, person, business, password: account.id })
    .from(user)
    .innerJoin(person, eq(person.userId, user.id))
    .innerJoin(business, eq(business.id, person.businessId))
    .leftJoin(account, eq(account.userId, user.id))
    .where(eq(user.id, userId))
    .limit(1);
  if (!row) return null;
  const to = {
    to: row.user.email,
    name: row.user.name,
    businessName: row.business.name,
    mailFrom: row.business.mailFrom,
  };
  const { internalAdapter } = await auth().$context;
  const token = randomBytes(24).toString("base64url");
  const until = (ms: number) => new Date(Date.now() + ms);
  if (row.person.role === "tankOwner") {
    await internalAdapter.createVerificationValue({
      identifier: `magic-link:${token}`,
      value: JSON.stringify({ type: "magic-link", email: row.user.email, name: row.user.name }),
      expiresAt: until(LINK_MS),
    });
    return { ...to, what: "link", path: `/enter/link?token=${token}` };
  }
  const what = row.password === null ? "invite" : "reset";
  await internalAdapter.createVerificationValue({
    identifier: `reset-password:${token}`,
    value: userId,
    expiresAt: until(what === "invite" ? INVITE_MS : RESET_MS),
  });
  return { ...to, what, path: `/enter/password?token=${token}` };
}

/** Mails that one address may ask for in an hour. */
const MOST_AN_HOUR = 5;

/** Asks for a way in by mail. Who is not known is answered like who is, and gets nothing. */
export async function askForEntry(email: string): Promise<void> {
  const [row] = await db()
    .select({ userId: user.id, businessId: person.businessId })
    .from(user)
    .innerJoin(person, eq(person.userId, user.id))
    .where(eq(user.email, email.toLowerCase()))
    .limit(1);
  if (!row) return;
  const [asked] = await db()
    .select({ n: count() })
    .from(job)
    .where(
      and(
        eq(job.businessId, row.businessId),
        eq(job.kind, "entry"),
        gte(job.runAt, sql`utc_timestamp(3) - interval 1 hour` as never),
        sql`json_value(${job.payload}, '$.userId') = ${row.userId}`,
      ),
    );
  if ((asked?.n ?? 0) < MOST_AN_HOUR) await enqueue(db(), row.businessId, "entry", { userId: row.userId });
}
