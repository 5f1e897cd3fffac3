import Bowser from "bowser";
import { and, desc, eq, gt, ne } from "drizzle-orm";
import { db } from "../database/connection";
import { person, session, user } from "../schema";
import { sessionOf } from "./auth";
import { notFound } from "./define";
import type { Scope } from "./scope";
import { type FailedTries, failedTries } from "./tries";

/** Failed tries are told for so long. */
const TOLD_MS = 14 * 86_400_000;

/** A sign-in of a person as they are shown it. */
export interface SessionLine {
  readonly id: string;
  /** "Firefox on Android". */
  readonly device: string;
  readonly address: string;
  readonly since: Date;
  readonly here: boolean;
}

/** What a person sees of how they come in. */
export interface WayIn {
  readonly email: string;
  readonly sessions: readonly SessionLine[];
  readonly failed: FailedTries | null;
}

/** A person's own sign-ins, and who tried in vain. */
export async function wayIn(scope: Scope, headers: Headers, now: Date): Promise<WayIn> {
  const current = await sessionOf(headers);
  const userId = await userOf(scope);
  const [row] = await db().select({ email: user.email }).from(user).where(eq(user.id, userId));
  const rows = await db()
    .select()
    .from(session)
    .where(and(eq(session.userId, userId), gt(session.expiresAt, now)))
    .orderBy(desc(session.updatedAt));
  const email = row?.email ?? "";
  return {
    email,
    sessions: rows.map((s) => ({
      id: s.id,
      device: deviceName(s.userAgent),
      address: s.ipAddress ?? "",
      since: s.createdAt,
      here: s.id === current?.session.id,
    })),
    failed: await failedTries(email, new Date(now.getTime() - TOLD_MS)),
  };
}

/** Ends one of the person's own sign-ins. */
export async function endSession(scope: Scope, sessionId: string): Promise<void> {
  const [ended] = await db()
    .delete(session)
    .where(and(eq(session.id, sessionId), eq(session.userId, await userOf(scope))));
  if (ended.affectedRows === 0) throw notFound("sign-in");
}

/** Ends every sign-in of the person but the one that asks. */
export async function endOthers(scope: Scope, headers: Headers): Promise<void> {
  const current = await sessionOf(headers);
  await db()
    .delete(session)
    .where(and(eq(session.userId, await userOf(scope)), ne(session.id, current?.session.id ?? "")));
}

async function userOf(scope: Scope): Promise<string> {
  const [row] = await db()
    .select({ userId: person.userId })
    .from(person)
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, scope.personId)));
  if (!row?.userId) throw notFound("sign-in");
  return row.userId;
}

/** What a browser calls itself, as people call it. */
export function deviceName(userAgent: string | null): string {
  if (!userAgent) return "An unknown device";
  const { browser, os } = Bowser.parse(userAgent);
  const names = [browser.name, os.name].filter((n) => n !== undefined && n !== "");
  return names.length === 0 ? "An unknown device" : names.join(" on ");
}
