import { recordKinds } from "@keel-round/core/desk";
import { wordsOf } from "@keel-round/core/find";
import { kindFacts, type TankKind } from "@keel-round/core/tank";
import { and, eq, inArray, isNull, or, type SQL } from "drizzle-orm";
import type { AnyMySqlColumn } from "drizzle-orm/mysql-core";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { animal, client, equipment, findEntry, findVocabulary, findWord, letter, site, tank } from "../schema";

export type Found = (typeof findEntry.$inferSelect)["entity"];

interface Entry {
  readonly entity: Found;
  readonly entityId: string;
  readonly clientId: string;
  readonly title: string;
  readonly detail: string;
  /** Texts of its own, and of what it belongs to. */
  readonly own: string;
  readonly around: string;
}

/** Which rows to write again: of one client, of one site, some by id, or all. */
export type Which =
  | { readonly all: true }
  | { readonly clientId: string }
  | { readonly siteId: string }
  | { readonly tankId: string }
  | { readonly entity: Found; readonly ids: readonly string[] };

const EQUIPMENT_KIND = new Map(
  recordKinds.equipment.fields.flatMap((f) =>
    f.key === "kind" && f.type.kind === "choice" ? [...f.type.options] : [],
  ),
);

/** The rows of one kind that `which` names, as entries. A renamed site renames what stands in it. */
async function entriesOf(q: Queries, businessId: string, entity: Found, which: Which): Promise<Entry[]> {
  if ("entity" in which && which.entity !== entity) return [];
  const of = (table: { readonly id: AnyMySqlColumn }): SQL | undefined =>
    "ids" in which ? inArray(table.id, [...which.ids]) : undefined;
  const inSite = "siteId" in which ? eq(site.id, which.siteId) : undefined;
  const inClient = "clientId" in which ? eq(client.id, which.clientId) : undefined;
  const inTank = "tankId" in which ? eq(tank.id, which.tankId) : undefined;
  switch (entity) {
    case "client": {
      if (inSite || inTank) return [];
      const rows = await q
        .select()
        .from(client)
        .where(and(eq(client.businessId, businessId), isNull(client.archivedAt), inClient, of(client)));
      return rows.map((r) => ({
        entity,
        entityId: r.id,
        clientId: r.id,
        title: r.name,
        detail: `client, ${r.contact}`,
        own: `${r.name} ${r.contact}`,
        around: `${r.email} ${r.phone}`,
      }));
    }
    case "site": {
      if (inTank) return [];
      const rows = await q
        .select({ site, clientName: client.name })
        .from(site)
        .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
        .where(and(eq(site.businessId, businessId), isNull(site.archivedAt), inSite, inClient, of(site)));
      return rows.map(({ site: r, clientName }) => ({
        entity,
        entityId: r.id,
        clientId: r.clientId,
        title: r.name,
        detail: `site, ${r.address}`,
        own: `${r.name} ${r.address}`,
        around: `${clientName} ${r.askFor}`,
      }));
    }
    case "tank": {
      const rows = await q
        .select({ tank, site, clientName: client.name })
        .from(tank)
        .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
        .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
        .where(and(eq(tank.businessId, businessId), isNull(tank.archivedAt), inSite, inClient, inTank, of(tank)));
      return rows.map(({ tank: r, site: s, clientName }) => ({
        entity,
        entityId: r.id,
        clientId: s.clientId,
        title: `${r.name}, ${s.name}`,
        detail: `tank, ${kindFacts[r.kind as TankKind].label}`,
        own: `${r.name} ${s.name}`,
        around: `${kindFacts[r.kind as TankKind].label} ${s.address} ${clientName}`,
      }));
    }
    case "animal":
    case "equipment": {
      const table = entity === "animal" ? animal : equipment;
      const rows = await q
        .select({
          id: table.id,
          name: table.name,
          kind: entity === "equipment" ? equipment.kind : animal.name,
          tankName: tank.name,
          siteName: site.name,
          clientId: site.clientId,
        })
        .from(table)
        .innerJoin(tank, and(eq(tank.businessId, table.businessId), eq(tank.id, table.tankId)))
        .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
        .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
        .where(
          and(
            eq(table.businessId, businessId),
            isNull(table.archivedAt),
            isNull(tank.archivedAt),
            inSite,
            inClient,
            inTank,
            of(table),
          ),
        );
      return rows.map((r) => ({
        entity,
        entityId: r.id,
        clientId: r.clientId,
        title: r.name,
        detail: `in ${r.tankName}, ${r.siteName}`,
        own: entity === "equipment" ? `${r.name} ${EQUIPMENT_KIND.get(r.kind) ?? ""}` : r.name,
        around: `${r.tankName} ${r.siteName}`,
      }));
    }
    case "letter": {
      if (inSite || inTank) return [];
      const rows = await q
        .select({ id: letter.id, subject: letter.subject, clientId: letter.clientId, clientName: client.name })
        .from(letter)
        .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
        .where(and(eq(letter.businessId, businessId), inClient, of(letter)));
      return rows.map((r) => ({
        entity,
        entityId: r.id,
        clientId: r.clientId,
        title: r.subject,
        detail: `letter to ${r.clientName}`,
        own: r.subject,
        around: `${r.clientName} letter`,
      }));
    }
  }
}

/** A tank and all that is told by it, in the archive or not. */
async function idsInTank(q: Queries, businessId: string, tankId: string): Promise<string[]> {
  const [animals, pieces] = await Promise.all([
    q
      .select({ id: animal.id })
      .from(animal)
      .where(and(eq(animal.businessId, businessId), eq(animal.tankId, tankId))),
    q
      .select({ id: equipment.id })
      .from(equipment)
      .where(and(eq(equipment.businessId, businessId), eq(equipment.tankId, tankId))),
  ]);
  return [tankId, ...animals.map((r) => r.id), ...pieces.map((r) => r.id)];
}

const OWN_WEIGHT = 3;
const AROUND_WEIGHT = 1;
const BATCH = 1000;

async function inBatches<T>(rows: readonly T[], write: (some: T[]) => PromiseLike<unknown>): Promise<void> {
  for (let i = 0; i < rows.length; i += BATCH) await write(rows.slice(i, i + BATCH));
}

/** Writes what can be found again for some rows, in the transaction that changed them. What is archived goes. */
export async function writeEntries(q: Queries, businessId: string, which: Which): Promise<void> {
  const kinds: readonly Found[] =
    "entity" in which ? [which.entity] : ["client", "site", "tank", "animal", "equipment", "letter"];
  const entries = (await Promise.all(kinds.map((kind) => entriesOf(q, businessId, kind, which)))).flat();
  if ("all" in which) {
    await q.delete(findEntry).where(eq(findEntry.businessId, businessId));
    await q.delete(findWord).where(eq(findWord.businessId, businessId));
  } else {
    const gone = [
      ...entries.map((e) => e.entityId),
      ...("ids" in which ? which.ids : []),
      ...("tankId" in which ? await idsInTank(q, businessId, which.tankId) : []),
    ];
    await inBatches([...new Set(gone)], async (ids) => {
      await q
        .delete(findEntry)
        .where(
          and(eq(findEntry.businessId, businessId), inKinds(findEntry.entity, kinds), inArray(findEntry.entityId, ids)),
        );
      await q
        .delete(findWord)
        .where(
          and(eq(findWord.businessId, businessId), inKinds(findWord.entity, kinds), inArray(findWord.entityId, ids)),
        );
    });
  }
  const words = entries.flatMap(({ entity, entityId, own, around }) => {
    const weights = new Map(wordsOf(around).map((w) => [w, AROUND_WEIGHT]));
    for (const w of wordsOf(own)) weights.set(w, OWN_WEIGHT);
    return [...weights].map(([word, weight]) => ({ businessId, word, entity, entityId, weight }));
  });
  await inBatches(entries, (some) =>
    q.insert(findEntry).values(
      some.map(({ own: _o, around: _a, title, detail, ...e }) => ({
        businessId,
        ...e,
        title: title.slice(0, 190),
        detail: detail.slice(0, 250),
      })),
    ),
  );
  await inBatches(words, (some) => q.insert(findWord).values(some));
  await inBatches([...new Set(words.map((w) => w.word))], (some) =>
    q
      .insert(findVocabulary)
      .ignore()
      .values(some.map((word) => ({ businessId, word }))),
  );
}

const inKinds = (column: typeof findEntry.entity | typeof findWord.entity, kinds: readonly Found[]) =>
  or(...kinds.map((kind) => eq(column, kind)));

/** Writes all entries of a business that has none yet: a database of an earlier version. */
export async function fillEntries(businessId: string): Promise<void> {
  const [known] = await db()
    .select({ id: findEntry.entityId })
    .from(findEntry)
    .where(eq(findEntry.businessId, businessId))
    .limit(1);
  if (!known) await inTransaction((tx) => writeEntries(tx, businessId, { all: true }));
}
