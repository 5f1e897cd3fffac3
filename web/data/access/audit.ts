import { eq } from "drizzle-orm";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { audit, person, user } from "../schema";

/** How somebody came in, by the route of the sign-in library that opened the session. */
const CAME_IN: Readonly<Record<string, string>> = {
  "/sign-in/email": "with a password",
  "/two-factor/verify-totp": "with a password and a code of an app",
  "/two-factor/verify-backup-code": "with a password and a recovery code",
  "/passkey/verify-authentication": "with a passkey",
  "/magic-link/verify": "by a mailed link",
};

type Kind = (typeof audit.$inferInsert)["kind"];

/** Writes down that somebody came in, took data out, or changed who may come in or what is kept about somebody. */
export async function noteAudit(
  q: Queries,
  { businessId, personId }: { readonly businessId: string; readonly personId: string | null },
  {
    kind,
    what,
    address = "",
    at,
  }: { readonly kind: Kind; readonly what: string; readonly address?: string; readonly at: Date },
): Promise<void> {
  await q.insert(audit).values({ id: newId(), businessId, personId, at, kind, what: what.slice(0, 190), address });
}

/** Writes down a sign-in, in each business that the user is a person of. */
export async function noteSignIn(userId: string, route: string, address: string): Promise<void> {
  const what = CAME_IN[route];
  if (what === undefined) return;
  const people = await db()
    .select({ businessId: person.businessId, personId: person.id, asks: user.twoFactorEnabled })
    .from(person)
    .innerJoin(user, eq(user.id, person.userId))
    .where(eq(user.id, userId));
  for (const { asks, ...who } of people) {
    // A password alone opens nothing there: its session is gone again, and a code is asked for.
    if (route === "/sign-in/email" && asks) continue;
    await noteAudit(db(), who, { kind: "sign-in", what, address, at: new Date() });
  }
}
