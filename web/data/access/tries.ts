import { and, desc, eq, gte, sql } from "drizzle-orm";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { signInTry } from "../schema";

const SECOND = 1000;
const HOUR = 3600 * SECOND;

/** Tries that fail without any wait, then waits that double up to their longest. */
interface Growth {
  readonly free: number;
  readonly firstMs: number;
  readonly longestMs: number;
}

/** One address at one account: somebody who guesses, or who forgot. */
const PAIR: Growth = { free: 5, firstMs: 5 * SECOND, longestMs: 15 * 60 * SECOND };
/**
 * Every address at one account: many that guess together. It never waits long, since it holds back the person as well.
 */
const ACCOUNT: Growth = { free: 25, firstMs: 2 * SECOND, longestMs: 20 * SECOND };
/** One address at every account: a list of stolen passwords. An office behind one address fails less often than this. */
const ADDRESS: Growth = { free: 40, firstMs: 5 * SECOND, longestMs: 15 * 60 * SECOND };

/**
 * How long after its last failed try the next is taken, in ms.
 *
 * @example
 * waitMs({ free: 5, firstMs: 5000, longestMs: 900_000 }, 7); // 20000: after the fifth 5 s, after each other twice as long
 */
export function waitMs({ free, firstMs, longestMs }: Growth, failed: number): number {
  if (failed < free) return 0;
  return Math.min(longestMs, firstMs * 2 ** Math.min(30, failed - free));
}

interface Tried {
  readonly email: string;
  readonly address: string;
}

/** Seconds until a try is taken; 0 for now. */
export async function secondsToWait({ email, address }: Tried, now = new Date()): Promise<number> {
  const since = new Date(now.getTime() - HOUR);
  const [ofAccount, ofAddress] = await Promise.all([
    db()
      .select()
      .from(signInTry)
      .where(and(eq(signInTry.email, keyOf(email)), gte(signInTry.at, since)))
      .orderBy(desc(signInTry.at))
      .limit(200),
    db()
      .select({ at: signInTry.at, succeeded: signInTry.succeeded })
      .from(signInTry)
      .where(and(eq(signInTry.address, address), gte(signInTry.at, since), eq(signInTry.succeeded, false)))
      .orderBy(desc(signInTry.at))
      .limit(200),
  ]);
  const pair = sinceSuccess(ofAccount.filter((t) => t.address === address));
  const waits = [
    left(PAIR, pair, now),
    left(
      ACCOUNT,
      ofAccount.filter((t) => !t.succeeded),
      now,
    ),
    left(ADDRESS, ofAddress, now),
  ];
  return Math.ceil(Math.max(...waits) / SECOND);
}

/** Failed tries since the last that succeeded, the newest first. */
function sinceSuccess<T extends { readonly succeeded: boolean }>(tries: readonly T[]): readonly T[] {
  const last = tries.findIndex((t) => t.succeeded);
  return last < 0 ? tries : tries.slice(0, last);
}

function left(growth: Growth, failed: readonly { readonly at: Date }[], now: Date): number {
  const [newest] = failed;
  if (!newest) return 0;
  return Math.max(0, newest.at.getTime() + waitMs(growth, failed.length) - now.getTime());
}

/** Keeps what became of a try. */
export async function noteTry({ email, address }: Tried, succeeded: boolean, now = new Date()): Promise<void> {
  await db()
    .insert(signInTry)
    .values({ id: newId(), email: keyOf(email), address: address.slice(0, 64), at: now, succeeded });
}

const keyOf = (email: string): string => email.trim().toLowerCase().slice(0, 190);

/** Failed tries of the last weeks as their person is shown them. */
export interface FailedTries {
  readonly times: number;
  readonly lastAt: Date;
  readonly from: string;
}

/** How often somebody failed to sign in as a person since `since`; null where nobody did. */
export async function failedTries(email: string, since: Date): Promise<FailedTries | null> {
  const mine = and(eq(signInTry.email, keyOf(email)), eq(signInTry.succeeded, false), gte(signInTry.at, since));
  const [[counted], [last]] = await Promise.all([
    db()
      .select({ n: sql<number>`count(*)`.mapWith(Number) })
      .from(signInTry)
      .where(mine),
    db().select().from(signInTry).where(mine).orderBy(desc(signInTry.at)).limit(1),
  ]);
  return last ? { times: counted?.n ?? 1, lastAt: last.at, from: last.address } : null;
}
