import { and, asc, eq, getTableName, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { client, letter, notice, passkey, person, session, signInTry, user } from "../schema";
import { KEPT, NOT_TOLD } from "./kept";

type Row = Readonly<Record<string, unknown>>;

/** A row as it is told to whom it is about: without bytes, seals and whose business it is. */
const told = (row: Row): Row =>
  Object.fromEntries(
    Object.entries(row).filter(
      ([key, value]) => key !== "businessId" && !NOT_TOLD.includes(key) && !Buffer.isBuffer(value),
    ),
  );

const asFile = (about: object, now: Date): string =>
  `${JSON.stringify({ madeAt: now.toISOString(), ...about }, null, 1)}\n`;

/**
 * All that is kept about somebody who works here or owns tanks, as JSON: who they are, how they sign in, and every row
 * that is under their name.
 */
export async function exportPerson(scope: Scope, personId: string, now: Date): Promise<{ name: string; text: string }> {
  if (scope.role !== "office") throw notFound("person");
  const [row] = await db()
    .select()
    .from(person)
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId)));
  if (!row) throw notFound("person");
  const rows: Record<string, Row[]> = {};
  for (const { table, by } of KEPT) {
    const theirs = and(sql`${sql.identifier("business_id")} = ${scope.businessId}`, eq(by, personId));
    const found = (await db().select().from(table).where(theirs)) as Row[];
    const name = getTableName(table);
    rows[name] = [...(rows[name] ?? []), ...found.map(told)];
  }
  const text = asFile({ person: told(row), signIn: row.userId ? await signInOf(row.userId) : null, rows }, now);
  return { name: row.name, text };
}

/** How somebody signs in, without what opens anything. */
async function signInOf(userId: string) {
  const [known] = await db().select().from(user).where(eq(user.id, userId));
  const [sessions, passkeys, tries] = await Promise.all([
    db().select().from(session).where(eq(session.userId, userId)),
    db().select().from(passkey).where(eq(passkey.userId, userId)),
    db()
      .select()
      .from(signInTry)
      .where(eq(signInTry.email, known?.email ?? ""))
      .orderBy(asc(signInTry.at)),
  ]);
  return {
    ...{ email: known?.email, authenticatorApp: known?.twoFactorEnabled ?? false, since: known?.createdAt },
    signIns: sessions.map(({ createdAt, ipAddress, userAgent }) => ({ since: createdAt, ipAddress, userAgent })),
    passkeys: passkeys.map(({ name, createdAt }) => ({ name, since: createdAt })),
    tries: tries.map(({ at, address, succeeded }) => ({ at, address, succeeded })),
  };
}

/** All that is kept about whoever is behind a client, as JSON: how they are reached, and what was written to them. */
export async function exportContacts(
  scope: Scope,
  clientId: string,
  now: Date,
): Promise<{ name: string; text: string }> {
  if (scope.role !== "office") throw notFound("client");
  const mine = and(eq(client.businessId, scope.businessId), eq(client.id, clientId));
  const [row] = await db().select().from(client).where(mine);
  if (!row) throw notFound("client");
  const [letters, notices] = await Promise.all([
    db()
      .select()
      .from(letter)
      .where(and(eq(letter.businessId, scope.businessId), eq(letter.clientId, clientId))),
    db()
      .select()
      .from(notice)
      .where(and(eq(notice.businessId, scope.businessId), eq(notice.clientId, clientId))),
  ]);
  const text = asFile({ client: told(row), letters: letters.map(told), messages: notices.map(told) }, now);
  return { name: row.name, text };
}
