import { and, asc, eq, ne } from "drizzle-orm";
import { z } from "zod";
import { db } from "../database/connection";
import { inTransaction } from "../database/transaction";
import { account, business, passkey, person, session, twoFactor, user } from "../schema";
import { noteAudit } from "./audit";
import { notFound, Refused } from "./define";
import { type Scope, STAFF } from "./scope";
import type { When } from "./when";

/** A second factor as its owner sees it. */
export interface Factors {
  readonly email: string;
  /** Null where they come in by mailed links. */
  readonly hasPassword: boolean;
  /** An authenticator app is asked for its code. */
  readonly app: boolean;
  readonly passkeys: readonly { readonly id: string; readonly name: string; readonly since: Date | null }[];
}

/** The second factors of a user. */
export async function factorsOf(userId: string): Promise<Factors> {
  const [[row], keys] = await Promise.all([
    db()
      .select({ email: user.email, app: user.twoFactorEnabled, password: account.id })
      .from(user)
      .leftJoin(account, eq(account.userId, user.id))
      .where(eq(user.id, userId)),
    db().select().from(passkey).where(eq(passkey.userId, userId)).orderBy(asc(passkey.createdAt)),
  ]);
  if (!row) throw notFound("sign-in");
  return {
    email: row.email,
    hasPassword: row.password !== null,
    app: row.app,
    passkeys: keys.map(({ id, name, createdAt }) => ({ id, name: name ?? "A passkey", since: createdAt })),
  };
}

export const AskSchema = z.object({ asks: z.boolean() });

/** Asks everybody who works at the firm for a second factor, or no longer. Who has none sets one up with their next page. */
export async function askForSecondFactor(
  scope: Scope,
  { asks }: z.infer<typeof AskSchema>,
  { now }: When,
): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  await inTransaction(async (tx) => {
    await tx.update(business).set({ asksSecondFactor: asks }).where(eq(business.id, scope.businessId));
    const what = asks ? "asked of everybody who works here" : "no longer asked of everybody";
    await noteAudit(tx, scope, { kind: "second-factor", what, at: now });
  });
}

/** Whether the firm asks for second factors, and who has one, by person. */
export async function secondFactors(scope: Scope): Promise<{ asks: boolean; has: ReadonlySet<string> }> {
  const [[firm], apps, keys] = await Promise.all([
    db().select({ asks: business.asksSecondFactor }).from(business).where(eq(business.id, scope.businessId)),
    db()
      .select({ id: person.id })
      .from(person)
      .innerJoin(user, and(eq(user.id, person.userId), eq(user.twoFactorEnabled, true)))
      .where(eq(person.businessId, scope.businessId)),
    db()
      .selectDistinct({ id: person.id })
      .from(person)
      .innerJoin(passkey, eq(passkey.userId, person.userId))
      .where(eq(person.businessId, scope.businessId)),
  ]);
  return { asks: firm?.asks ?? false, has: new Set([...apps, ...keys].map(({ id }) => id)) };
}

/** Takes the second factors of somebody off who lost their phone: the app, its recovery codes and every passkey, and ends their sign-ins. */
export async function takeOffFactors(scope: Scope, personId: string, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("page");
  await inTransaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(person)
      .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId)))
      .for("update");
    if (!row) throw notFound("person");
    if (!row.userId || !STAFF.includes(row.role))
      throw new Refused(409, "no-login", `${row.name} has no second factor here.`);
    const [elsewhere] = await tx
      .select({ id: person.id })
      .from(person)
      .where(and(eq(person.userId, row.userId), ne(person.businessId, scope.businessId)));
    // Another firm trusts it as well: it is not ours to take off.
    if (elsewhere)
      throw new Refused(
        409,
        "elsewhere",
        `${row.name} works at another firm too: they take it off themselves, with a recovery code.`,
      );
    await tx.delete(twoFactor).where(eq(twoFactor.userId, row.userId));
    await tx.delete(passkey).where(eq(passkey.userId, row.userId));
    await tx.update(user).set({ twoFactorEnabled: false }).where(eq(user.id, row.userId));
    await tx.delete(session).where(eq(session.userId, row.userId));
    await noteAudit(tx, scope, { kind: "second-factor", what: `taken off for ${row.name}`, at: now });
  });
}
