import { and, eq, inArray, isNotNull, sql } from "drizzle-orm";
import type { Queries } from "../database/transaction";
import { finding, operation, stepLog, task } from "../schema";
import { ERASED } from "./kept";

/** Where operations of the log hold words, by the path in their body. */
export const WORDS: readonly { readonly types: readonly string[]; readonly path: string }[] = [
  { types: ["note", "finding", "resolve"], path: "$.text" },
  { types: ["skip", "override", "switch"], path: "$.reason" },
  { types: ["discard", "reopen", "correct"], path: "$.why" },
];

/** Erases what somebody wrote in the log of visits, and what was taken from it: what they measured and did stays. */
export async function eraseWordsOfLog(tx: Queries, businessId: string, personId: string): Promise<void> {
  const theirs = and(eq(operation.businessId, businessId), eq(operation.personId, personId));
  await eraseTakenFromLog(tx, businessId, personId);
  for (const { types, path } of WORDS)
    await tx
      .update(operation)
      .set({ body: sql`json_replace(${operation.body}, ${path}, ${ERASED})` })
      .where(and(theirs, inArray(operation.type, [...types])));
  await tx
    .update(operation)
    .set({ body: sql`json_replace(${operation.body}, '$.change.reason', ${ERASED})` })
    .where(and(theirs, eq(operation.type, "correct")));
  await tx
    .update(operation)
    .set({ body: sql`json_replace(${operation.body}, '$.change.text', ${ERASED})` })
    // The text of a reading is its figure.
    .where(and(theirs, eq(operation.type, "correct"), sql`json_value(${operation.body}, '$.change.type') = 'note'`));
}

/** Rows that say the same words again: what was found, and why something was left out or left off. */
async function eraseTakenFromLog(tx: Queries, businessId: string, personId: string): Promise<void> {
  const said = (type: string) => sql`exists (
    select 1 from operation o
    where o.business_id = ${businessId} and o.person_id = ${personId} and o.type = ${type}`;
  await tx
    .update(finding)
    .set({ text: ERASED })
    .where(
      and(
        eq(finding.businessId, businessId),
        sql`${said("finding")} and o.visit_id = finding.visit_id and json_value(o.body, '$.id') = finding.id)`,
      ),
    );
  await tx
    .update(finding)
    .set({ text: sql`concat(substring_index(finding.text, ': ', 1), ': ', ${ERASED})` })
    .where(
      and(
        eq(finding.businessId, businessId),
        sql`finding.text like '%was left off: %'`,
        sql`${said("switch")} and o.visit_id = finding.visit_id and json_exists(o.body, '$.reason'))`,
      ),
    );
  const leftOut = and(
    eq(stepLog.businessId, businessId),
    isNotNull(stepLog.reason),
    sql`${said("skip")} and o.visit_id = step_log.visit_id and json_value(o.body, '$.step') = step_log.step)`,
  );
  const reasons = await tx.selectDistinct({ reason: stepLog.reason }).from(stepLog).where(leftOut);
  await tx.update(stepLog).set({ reason: ERASED }).where(leftOut);
  const told = reasons.flatMap(({ reason }) => (reason === null ? [] : [reason]));
  if (told.length > 0)
    await tx
      .update(task)
      .set({ lastSkipReason: ERASED })
      .where(and(eq(task.businessId, businessId), inArray(task.lastSkipReason, told)));
}
