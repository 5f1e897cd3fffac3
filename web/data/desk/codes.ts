import { and, desc, eq, gte, inArray } from "drizzle-orm";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import { decrypt, encrypt } from "../access/secrets";
import { clientsInSight, inSight } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { accessLook, deskChange, person, site, stop, visit } from "../schema";

/** Whether a person needs the codes of a site: the office, and who has a stop there today that is not finished. */
async function needsCodes(scope: Scope, siteId: string, today: string): Promise<boolean> {
  if (seesAll(scope.role)) return true;
  if (scope.role !== "technician") return false;
  const [due] = await db()
    .select({ id: stop.id })
    .from(stop)
    .innerJoin(
      visit,
      and(eq(visit.businessId, stop.businessId), eq(visit.stopId, stop.id), inArray(visit.state, ["planned", "open"])),
    )
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        eq(stop.siteId, siteId),
        eq(stop.personId, scope.personId),
        eq(stop.onDate, today),
      ),
    )
    .limit(1);
  return due !== undefined;
}

/**
 * The door and alarm codes of a site. The look is written down before the codes are given.
 *
 * @throws a refusal for who has no stop there today.
 */
export async function lookAtCodes(scope: Scope, siteId: string, { now, today }: When): Promise<{ codes: string }> {
  const [row] = await db()
    .select({ id: site.id, codes: site.accessCodes })
    .from(site)
    .where(
      and(
        eq(site.businessId, scope.businessId),
        eq(site.id, siteId),
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row || scope.role === "tankOwner") throw notFound("site");
  if (!(await needsCodes(scope, siteId, today)))
    throw new Refused(403, "not-needed", "The codes are shown to the office, and to you on a day with a stop here.");
  await db()
    .insert(accessLook)
    .values({ id: newId(), businessId: scope.businessId, siteId, personId: scope.personId, at: now });
  return { codes: row.codes ? opened(row.codes, row.id) : "" };
}

/** Codes that were sealed under another installation's secret cannot be opened here: that is said, not thrown. */
function opened(sealed: string, siteId: string): string {
  try {
    return decrypt(sealed, siteId);
  } catch {
    throw new Refused(
      409,
      "other-secret",
      "These codes were kept under another secret than this installation has. Put its secret back, or set the codes anew.",
    );
  }
}

/** Sets the codes of a site; the history says that they changed, never what they are. */
export async function setCodes(scope: Scope, siteId: string, codes: string, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("site");
  await inTransaction(async (tx) => {
    const [done] = await tx
      .update(site)
      .set({ accessCodes: codes.trim() === "" ? null : encrypt(codes.trim(), siteId) })
      .where(and(eq(site.businessId, scope.businessId), eq(site.id, siteId)));
    if (done.affectedRows !== 1) throw notFound("site");
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "site",
      entityId: siteId,
      at: now,
      field: "codes",
      old: null,
      new: null,
    });
  });
}

/** Who looked at a site's codes in the last months, the newest first. */
export async function looksOf(
  scope: Scope,
  siteId: string,
  since: Date,
): Promise<{ readonly at: Date; readonly by: string }[]> {
  if (scope.role !== "office") return [];
  return db()
    .select({ at: accessLook.at, by: person.name })
    .from(accessLook)
    .innerJoin(person, and(eq(person.businessId, accessLook.businessId), eq(person.id, accessLook.personId)))
    .where(and(eq(accessLook.businessId, scope.businessId), eq(accessLook.siteId, siteId), gte(accessLook.at, since)))
    .orderBy(desc(accessLook.at))
    .limit(20);
}
