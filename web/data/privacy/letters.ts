import { and, eq, inArray } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { letter, operation, site, stop, visit } from "../schema";
import { ERASED } from "./kept";
import { WORDS } from "./log";
import { formsOf } from "./names";

/** Words shorter than this are also parts of other words: they go only where they stand by themselves. */
const SHORT = 8;

/**
 * Takes what somebody wrote in the log out of the letters and reports that quote it. Their PDFs go with it, and are set
 * again when somebody asks for them.
 */
export async function eraseWordsOfLetters(tx: Queries, businessId: string, personId: string): Promise<void> {
  for (const [clientId, words] of await wordsByClient(tx, businessId, personId)) {
    const mine = and(eq(letter.businessId, businessId), eq(letter.clientId, clientId));
    for (const { id } of await tx.select({ id: letter.id }).from(letter).where(mine)) {
      const [row] = await tx.select().from(letter).where(eq(letter.id, id));
      if (!row) continue;
      const { subject, html, plain, content, original, report } = row;
      const next = inAll({ subject, html, plain, content, original, report }, words);
      if (JSON.stringify(next) === JSON.stringify({ subject, html, plain, content, original, report })) continue;
      await tx
        .update(letter)
        .set({ ...next, pdf: null })
        .where(eq(letter.id, id));
    }
  }
}

/** What somebody wrote in the log of visits, each text once, the longest first. */
async function wordsByClient(tx: Queries, businessId: string, personId: string): Promise<Map<string, string[]>> {
  const rows = await tx
    .select({ body: operation.body, clientId: site.clientId })
    .from(operation)
    .innerJoin(visit, eq(visit.id, operation.visitId))
    .innerJoin(stop, eq(stop.id, visit.stopId))
    .innerJoin(site, eq(site.id, stop.siteId))
    .where(
      and(
        eq(operation.businessId, businessId),
        eq(operation.personId, personId),
        inArray(
          operation.type,
          WORDS.flatMap((w) => [...w.types]),
        ),
      ),
    );
  const found = new Map<string, Set<string>>();
  for (const { body, clientId } of rows) {
    const { text, reason, why } = body as { text?: string; reason?: string; why?: string };
    const mine = found.get(clientId) ?? new Set();
    for (const words of [text, reason, why]) if (words?.trim()) mine.add(words.trim());
    found.set(clientId, mine);
  }
  return new Map([...found].map(([id, words]) => [id, [...words].sort((a, b) => b.length - a.length)]));
}

/** A value with the words taken out of every text in it. */
function inAll<T>(value: T, words: readonly string[]): T {
  if (typeof value === "string")
    return words.reduce<string>(
      (text, word) =>
        text.trim() === word
          ? ERASED
          : word.length < SHORT
            ? text
            : formsOf(word).reduce((t, form) => t.replaceAll(form, ERASED), text),
      value,
    ) as T;
  if (Array.isArray(value)) return value.map((v) => inAll(v, words)) as T;
  if (typeof value === "object" && value !== null && !(value instanceof Date))
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, inAll(v, words)])) as T;
  return value;
}
