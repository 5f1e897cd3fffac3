import { civilOf } from "@keel-round/core/calendar";
import { m, say } from "@keel-round/core/say";
import { TROUBLE_CODES, type TroubleCode, troubleOf } from "@keel-round/core/trouble";
import { METRIC } from "@keel-round/core/units";
import { and, asc, eq, inArray, isNotNull } from "drizzle-orm";
import { z } from "zod";
import { notFound } from "../access/define";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { deskChange, finding } from "../schema";
import { refreshStatus } from "../tanks/status";
import { withdrawStops } from "./projectTroubles";

const tankId = z.uuid("Reload the page and try again.");
export const NoteTroubleSchema = z.object({ tankId, trouble: z.enum(TROUBLE_CODES, "Choose what it may be.") });
export const EndTroubleSchema = z.object({ tankId, findingId: z.uuid("Reload the page and try again.") });

/** A trouble that is looked at again. */
export interface LookAgain {
  readonly id: string;
  readonly trouble: TroubleCode;
  readonly text: string;
  /** Civil dates; the first day is null where it is looked at on the next visit, whenever that is. */
  readonly dueOn: string | null;
  readonly giveDays: number;
  readonly seenOn: string;
}

/** Troubles of a tank that somebody has still to look at again, the earliest first. */
export async function looksAgain(
  { businessId, zone }: Pick<Scope, "businessId" | "zone">,
  of: string,
): Promise<LookAgain[]> {
  const rows = await db()
    .select()
    .from(finding)
    .where(
      and(
        ...[eq(finding.businessId, businessId), eq(finding.tankId, of), isNotNull(finding.trouble)],
        inArray(finding.state, ["open", "carried"]),
      ),
    )
    .orderBy(asc(finding.dueOn), asc(finding.id));
  return rows.flatMap(({ id, trouble, text, dueOn, giveDays, seenAt }) =>
    trouble
      ? [{ id, trouble, text, dueOn, giveDays: giveDays ?? 0, seenOn: civilOf(seenAt.getTime(), zone).date }]
      : [],
  );
}

/** Notes a trouble: the next visit does what it asks for. The same one twice is there once. */
export async function noteTrouble(
  scope: Scope,
  input: z.infer<typeof NoteTroubleSchema>,
  when: When,
): Promise<{ readonly id: string }> {
  return inTransaction(async (tx) => {
    await lockTank(tx, scope, input.tankId);
    const { businessId } = scope;
    const [known] = await tx
      .select({ id: finding.id })
      .from(finding)
      .where(
        and(
          ...[eq(finding.businessId, businessId), eq(finding.tankId, input.tankId), eq(finding.state, "open")],
          eq(finding.trouble, input.trouble),
        ),
      );
    if (known) return known;
    const id = newId();
    const text = say(m(`trouble.${input.trouble}`), METRIC);
    await tx.insert(finding).values({
      ...{ id, businessId, tankId: input.tankId, kind: troubleOf(input.trouble).finding, text, state: "open" },
      ...{ trouble: input.trouble, giveDays: 0, minutes: 2, seenAt: when.now },
    });
    await keep(tx, scope, input.tankId, { old: null, new: text }, when);
    return { id };
  });
}

/**
 * Says that a trouble is over.
 *
 * @throws a refusal for one that is not open.
 */
export async function endTrouble(
  scope: Scope,
  input: z.infer<typeof EndTroubleSchema>,
  when: When,
): Promise<{ readonly id: string }> {
  return inTransaction(async (tx) => {
    await lockTank(tx, scope, input.tankId);
    const of = and(
      ...[eq(finding.businessId, scope.businessId), eq(finding.tankId, input.tankId), eq(finding.id, input.findingId)],
      ...[isNotNull(finding.trouble), inArray(finding.state, ["open", "carried"])],
    );
    const [row] = await tx.select({ id: finding.id, text: finding.text }).from(finding).where(of);
    if (!row) throw notFound("trouble");
    await tx.update(finding).set({ state: "fixed" }).where(of);
    // A stop that was planned for this look has its id.
    await withdrawStops(tx, scope.businessId, [row.id]);
    await keep(tx, scope, input.tankId, { old: row.text, new: "over" }, when);
    return { id: row.id };
  });
}

/** What was said of a trouble stands in the tank's history, and its condition follows. */
async function keep(
  tx: Queries,
  { businessId, personId }: Scope,
  entityId: string,
  change: { readonly old: string | null; readonly new: string },
  { now, today }: When,
): Promise<void> {
  const id = newId();
  await tx.insert(deskChange).values({
    ...{ id, batchId: id, businessId, personId, at: now, entity: "tank", entityId, field: "trouble" },
    ...change,
  });
  await refreshStatus(tx, businessId, [entityId], today);
}
