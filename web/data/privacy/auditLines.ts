import { and, desc, eq, lt } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { accessLook, audit, person, signInTry, site, user } from "../schema";

/** A line of who came in, looked or took something out. */
export interface AuditLine {
  readonly id: string;
  readonly at: Date;
  /** Null of what the firm's own rules did at night. */
  readonly by: string | null;
  readonly kind: (typeof audit.$inferSelect)["kind"] | "look" | "failed";
  /** The rest of the sentence: "with a passkey", "clients as a table". */
  readonly what: string;
  readonly from: string;
}

/** Lines of one page. */
export const AUDIT_LINES = 60;

/**
 * Who came in or tried to, looked at door codes, took data out or changed who may: the newest first, older than `before`.
 *
 * @returns one line more than a page has where there are more.
 */
export async function auditLines(scope: Scope, before: Date): Promise<AuditLine[]> {
  if (scope.role !== "office") throw notFound("page");
  const [noted, looks, failed] = await Promise.all([
    db()
      .select({ line: audit, by: person.name })
      .from(audit)
      .leftJoin(person, and(eq(person.businessId, audit.businessId), eq(person.id, audit.personId)))
      .where(and(eq(audit.businessId, scope.businessId), lt(audit.at, before)))
      .orderBy(desc(audit.at))
      .limit(AUDIT_LINES + 1),
    db()
      .select({ id: accessLook.id, at: accessLook.at, by: person.name, siteName: site.name })
      .from(accessLook)
      .innerJoin(person, and(eq(person.businessId, accessLook.businessId), eq(person.id, accessLook.personId)))
      .innerJoin(site, and(eq(site.businessId, accessLook.businessId), eq(site.id, accessLook.siteId)))
      .where(and(eq(accessLook.businessId, scope.businessId), lt(accessLook.at, before)))
      .orderBy(desc(accessLook.at))
      .limit(AUDIT_LINES + 1),
    db()
      .select({ id: signInTry.id, at: signInTry.at, by: person.name, from: signInTry.address })
      .from(signInTry)
      .innerJoin(user, eq(user.email, signInTry.email))
      .innerJoin(person, eq(person.userId, user.id))
      .where(and(eq(person.businessId, scope.businessId), eq(signInTry.succeeded, false), lt(signInTry.at, before)))
      .orderBy(desc(signInTry.at))
      .limit(AUDIT_LINES + 1),
  ]);
  const lines: AuditLine[] = [
    ...noted.map(({ line: { id, at, kind, what, address }, by }) => ({ id, at, by, kind, what, from: address })),
    ...looks.map(({ siteName, ...l }) => ({ ...l, kind: "look" as const, what: `the codes of ${siteName}`, from: "" })),
    ...failed.map((f) => ({ ...f, kind: "failed" as const, what: "with a wrong password or code" })),
  ];
  return lines.sort((a, b) => b.at.getTime() - a.at.getTime()).slice(0, AUDIT_LINES + 1);
}
