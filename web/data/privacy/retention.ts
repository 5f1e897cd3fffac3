import { keptSince, type Retention, USUAL_RETENTION } from "@keel-round/core/desk";
import { and, eq, isNull, lt } from "drizzle-orm";
import { noteAudit } from "../access/audit";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import {
  accessLook,
  audit,
  business,
  deskChange,
  person,
  rateLimit,
  session,
  signInTry,
  verification,
} from "../schema";
import { eraseRow } from "./erase";

const DAY_MS = 86_400_000;
/** Tries to sign in count for an hour and are told for two weeks; after these days nobody needs them. */
const TRIES_DAYS = 90;

/** How long the firm keeps what is about people. */
export async function retentionOf(scope: Pick<Scope, "businessId">): Promise<Retention> {
  const [row] = await db()
    .select({ retention: business.retention })
    .from(business)
    .where(eq(business.id, scope.businessId));
  return { ...USUAL_RETENTION, ...row?.retention };
}

/** Sets how long the firm keeps what is about people; what is older goes with the next night. */
export async function saveRetention(scope: Scope, retention: Retention, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  await inTransaction(async (tx) => {
    await tx.update(business).set({ retention }).where(eq(business.id, scope.businessId));
    await noteAudit(tx, scope, { kind: "people", what: "how long things are kept was set", at: now });
  });
}

/**
 * What a firm keeps no longer goes: who looked and signed in, what stood at the desk before, and the names of people who
 * left long ago.
 *
 * @returns how many people were erased.
 */
export async function keepTimes(businessId: string, now: Date): Promise<number> {
  const { auditMonths, changeMonths, leftMonths } = await retentionOf({ businessId });
  const [audited, changed, left] = [auditMonths, changeMonths, leftMonths].map((months) => keptSince(months, now));
  if (audited) {
    await db()
      .delete(audit)
      .where(and(eq(audit.businessId, businessId), lt(audit.at, audited)));
    await db()
      .delete(accessLook)
      .where(and(eq(accessLook.businessId, businessId), lt(accessLook.at, audited)));
  }
  if (changed)
    await db()
      .delete(deskChange)
      .where(and(eq(deskChange.businessId, businessId), lt(deskChange.at, changed)));
  if (!left) return 0;
  const gone = await db()
    .select({ id: person.id })
    .from(person)
    .where(and(eq(person.businessId, businessId), lt(person.leftAt, left), isNull(person.erasedAt)));
  for (const { id } of gone)
    await inTransaction(async (tx) => {
      const [row] = await tx.select().from(person).where(eq(person.id, id)).for("update");
      if (!row || row.erasedAt) return;
      const name = await eraseRow(tx, row, now);
      await noteAudit(
        tx,
        { businessId, personId: null },
        { kind: "erased", what: `the name and words of ${name}`, at: now },
      );
    });
  return gone.length;
}

/** What no firm needs any more of sign-ins: those that are over, and tries and counts of long ago. */
export async function sweepSignIns(now: Date): Promise<void> {
  await db().delete(session).where(lt(session.expiresAt, now));
  await db().delete(verification).where(lt(verification.expiresAt, now));
  await db()
    .delete(signInTry)
    .where(lt(signInTry.at, new Date(now.getTime() - TRIES_DAYS * DAY_MS)));
  await db()
    .delete(rateLimit)
    .where(lt(rateLimit.lastRequest, now.getTime() - DAY_MS));
}
