import { and, count, eq, inArray, isNotNull, sql } from "drizzle-orm";
import { noteAudit } from "../access/audit";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { inTransaction, type Queries } from "../database/transaction";
import { writeEntries } from "../find/entries";
import { calendarFeed, client, deskChange, job, notice, operation, person } from "../schema";
import { ERASED, KEPT } from "./kept";
import { eraseWordsOfLetters } from "./letters";
import { eraseWordsOfLog } from "./log";
import { eraseName } from "./names";

type Person = typeof person.$inferSelect;

/**
 * Erases somebody who has left: their name, how they were reached and what they wrote. What they measured and did stays,
 * under a number.
 *
 * @throws a refusal for somebody who still belongs to the firm, or was erased before.
 */
export async function erasePerson(scope: Scope, personId: string, { now }: When): Promise<{ readonly name: string }> {
  if (scope.role !== "office") throw notFound("page");
  return inTransaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(person)
      .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId)))
      .for("update");
    if (!row) throw notFound("person");
    if (!row.leftAt) throw new Refused(409, "here", `${row.name} is still here: mark them as left first.`);
    if (row.erasedAt) throw new Refused(409, "erased", "Their name is erased already.");
    const name = await eraseRow(tx, row, now);
    await noteAudit(tx, scope, { kind: "erased", what: `the name and words of ${name}`, at: now });
    return { name };
  });
}

/** What a person's row, rows and words become. */
export async function eraseRow(tx: Queries, row: Person, now: Date): Promise<string> {
  const { businessId, id } = row;
  const [erased] = await tx
    .select({ n: count() })
    .from(person)
    .where(and(eq(person.businessId, businessId), isNotNull(person.erasedAt)));
  const name = `${row.role === "tankOwner" ? "Former owner" : "Former colleague"} ${(erased?.n ?? 0) + 1}`;
  for (const { table, by, words, goes } of KEPT) {
    const theirs = and(sql`${sql.identifier("business_id")} = ${businessId}`, eq(by, id));
    if (goes) await tx.delete(table).where(theirs);
    else if (Object.keys(words).length > 0) await tx.update(table).set(words).where(theirs);
  }
  await eraseWordsOfLetters(tx, businessId, id);
  await eraseWordsOfLog(tx, businessId, id);
  await eraseName(tx, businessId, row.name, name);
  await tx
    .update(calendarFeed)
    .set({ revokedAt: now })
    .where(and(eq(calendarFeed.businessId, businessId), eq(calendarFeed.kind, "person"), eq(calendarFeed.ofId, id)));
  await tx
    .delete(job)
    .where(and(eq(job.businessId, businessId), sql`json_value(${job.payload}, '$.ring.personId') = ${id}`));
  await tx
    .update(person)
    .set({ name, erasedAt: now, workdays: null, knows: null })
    .where(and(eq(person.businessId, businessId), eq(person.id, id)));
  return name;
}

/** Fields of a client that say who is behind it. */
const CONTACT_FIELDS = ["contact", "email", "phone", "contacts", "notes"];

/**
 * Erases who is behind a client: names, addresses, telephones, what the firm noted of them, and whoever signed for a
 * visit. The client, its sites and its tanks stay; letters go to nobody from then on.
 */
export async function eraseContacts(scope: Scope, clientId: string, { now }: When): Promise<void> {
  if (scope.role !== "office") throw notFound("client");
  await inTransaction(async (tx) => {
    const mine = and(eq(client.businessId, scope.businessId), eq(client.id, clientId));
    const [row] = await tx.select().from(client).where(mine).for("update");
    if (!row) throw notFound("client");
    await tx
      .update(client)
      .set({ contact: "", email: "", phone: "", contacts: [], notes: "", lettersBy: "none", version: row.version + 1 })
      .where(mine);
    await tx
      .delete(deskChange)
      .where(
        and(
          eq(deskChange.businessId, scope.businessId),
          eq(deskChange.entity, "client"),
          eq(deskChange.entityId, clientId),
          inArray(deskChange.field, CONTACT_FIELDS),
        ),
      );
    await tx
      .update(notice)
      .set({ email: "" })
      .where(and(eq(notice.businessId, scope.businessId), eq(notice.clientId, clientId)));
    await tx
      .update(operation)
      .set({ body: sql`json_replace(${operation.body}, '$.to.name', ${ERASED}, '$.to.strokes', '')` })
      .where(and(eq(operation.businessId, scope.businessId), eq(operation.type, "handover"), ofClient(clientId)));
    for (const name of [row.contact, ...row.contacts.map((c) => c.name)])
      if (name !== "" && name !== row.name) await eraseName(tx, scope.businessId, name, ERASED);
    await writeEntries(tx, scope.businessId, { clientId });
    await noteAudit(tx, scope, { kind: "erased", what: `who is behind ${row.name}`, at: now });
  });
}

/** Operations of visits at a client's tanks. */
const ofClient = (clientId: string) => sql`exists (
  select 1 from visit join stop on stop.id = visit.stop_id join site on site.id = stop.site_id
  where visit.id = operation.visit_id and site.client_id = ${clientId})`;
