import { and, eq, or, type SQL, sql } from "drizzle-orm";
import type { AnyMySqlColumn } from "drizzle-orm/mysql-core";
import type { Queries } from "../database/transaction";
import { audit, letter, notice, reportRun, roundChange } from "../schema";

/** A name as it may stand in a text, in JSON and in a page. */
export const formsOf = (name: string): string[] => [
  ...new Set([
    name,
    name.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll("'", "&#x27;"),
    JSON.stringify(name).slice(1, -1),
  ]),
];

const without = (column: AnyMySqlColumn, forms: readonly string[], instead: string): SQL =>
  forms.reduce<SQL>((text, form) => sql`replace(${text}, ${form}, ${instead})`, sql`${column}`);
const holds = (columns: readonly AnyMySqlColumn[], forms: readonly string[]): SQL | undefined =>
  or(...columns.flatMap((column) => forms.map((form) => sql`locate(${form}, ${column}) > 0`)));

/**
 * Takes a full name out of what was written to clients and said of the round: another word stands there. A letter's PDF
 * goes with it, and is set again from the letter when somebody asks for it.
 */
export async function eraseName(tx: Queries, businessId: string, name: string, instead: string): Promise<void> {
  const forms = formsOf(name);
  const { subject, html, plain, content, original, report } = letter;
  await tx
    .update(letter)
    .set({
      subject: without(subject, forms, instead),
      html: without(html, forms, instead),
      plain: without(plain, forms, instead),
      content: without(content, forms, instead),
      original: without(original, forms, instead),
      report: without(report, forms, instead),
      pdf: null,
    })
    .where(and(eq(letter.businessId, businessId), holds([subject, html, plain, content, original, report], forms)));
  await tx
    .update(notice)
    .set({ subject: without(notice.subject, forms, instead), body: without(notice.body, forms, instead) })
    .where(and(eq(notice.businessId, businessId), holds([notice.subject, notice.body], forms)));
  await tx
    .update(roundChange)
    .set({ said: without(roundChange.said, forms, instead) })
    .where(and(eq(roundChange.businessId, businessId), holds([roundChange.said], forms)));
  await tx
    .update(reportRun)
    .set({ html: without(reportRun.html, forms, instead), pdf: null })
    .where(and(eq(reportRun.businessId, businessId), holds([reportRun.html], forms)));
  await tx
    .update(audit)
    .set({ what: without(audit.what, forms, instead) })
    .where(and(eq(audit.businessId, businessId), holds([audit.what], forms)));
}
