import { addDays, civilOf } from "@keel-round/core/calendar";
import { and, asc, desc, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { type When, whenOf } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { finding, person, proposal, site, tank } from "../schema";
import { refreshStatus } from "../tanks/status";

const words = (most: number, missing: string) =>
  z.string().trim().min(1, missing).max(most, `Enter at most ${most} characters.`);

export const ProposeSchema = z.object({
  tankId: z.uuid("Reload the page and try again."),
  what: words(120, "Say what you propose."),
  why: words(400, "Say why, as the owner would ask."),
  ifNot: words(400, "Say what happens if it is not done."),
  minutes: z
    .number("Enter the minutes as a number.")
    .int("Enter whole minutes.")
    .min(1, "Enter at least a minute.")
    .max(600, "Enter at most 600 minutes."),
});
export const WithdrawSchema = z.object({ proposalId: z.uuid("Reload the page and try again.") });
export const AnswerSchema = z.object({
  proposalId: z.uuid("Reload the page and try again."),
  answer: z.enum(["agreed", "declined"], "Choose an answer."),
});

/** What a firm proposes to an owner, and what they answered. */
export interface Proposal {
  readonly id: string;
  readonly tankId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly by: string;
  readonly what: string;
  readonly why: string;
  readonly ifNot: string;
  readonly minutes: number;
  readonly madeAt: Date;
  readonly withdrawn: boolean;
  readonly answer: "agreed" | "declined" | null;
  readonly answeredAt: Date | null;
  /** Until when an answer is waited for, a civil date. */
  readonly answerBy: string;
  /** That day is over, and nobody answered. They still may. */
  readonly unanswered: boolean;
}

/** An owner has so long to answer. */
const ANSWER_DAYS = 21;

/** Proposes something to the owner of a tank: it stands on their page until they answer. */
export async function propose(scope: Scope, input: z.infer<typeof ProposeSchema>, { now }: When): Promise<void> {
  await inTransaction(async (tx) => {
    await lockTank(tx, scope, input.tankId);
    const { tankId, ...said } = input;
    await tx
      .insert(proposal)
      .values({ id: newId(), businessId: scope.businessId, tankId, personId: scope.personId, madeAt: now, ...said });
  });
}

/** Takes a proposal back that nobody has answered. */
export async function withdraw(scope: Scope, proposalId: string, { now }: When): Promise<void> {
  const row = await proposalOf(scope, proposalId);
  if (row.answer) throw new Refused(409, "answered", "The owner has answered this already.");
  const [gone] = await db()
    .update(proposal)
    .set({ withdrawnAt: row.withdrawnAt ?? now })
    .where(and(eq(proposal.id, proposalId), isNull(proposal.answer)));
  if (gone.affectedRows === 0) throw new Refused(409, "answered", "The owner has answered this already.");
}

/**
 * Takes an owner's answer. What is agreed is on the next visit's plan with its minutes, until it is done there.
 *
 * An owner may think better of it: what was declined may be agreed to, and what was agreed be declined as long as it is not done.
 */
export async function answerProposal(
  scope: Scope,
  { proposalId, answer }: z.infer<typeof AnswerSchema>,
  { now, today }: When,
): Promise<void> {
  const { tankId } = await proposalOf(scope, proposalId);
  await inTransaction(async (tx) => {
    await lockTank(tx, scope, tankId);
    const [row] = await tx.select().from(proposal).where(eq(proposal.id, proposalId)).for("update");
    if (!row || row.withdrawnAt) throw new Refused(409, "withdrawn", "This proposal was taken back.");
    if (row.answer === answer) return;
    const findingId = answer === "agreed" ? newId() : null;
    if (findingId)
      await tx.insert(finding).values({
        ...{ id: findingId, businessId: scope.businessId, tankId, kind: "other", state: "open", seenAt: now },
        ...{ text: row.what, minutes: row.minutes },
      });
    else if (row.findingId) {
      const [gone] = await tx
        .delete(finding)
        .where(and(eq(finding.businessId, scope.businessId), eq(finding.id, row.findingId), eq(finding.state, "open")));
      if (gone.affectedRows === 0) throw new Refused(409, "done", "This is done already.");
    }
    await tx
      .update(proposal)
      .set({ answer, answeredBy: scope.personId, answeredAt: now, findingId })
      .where(eq(proposal.id, proposalId));
    await refreshStatus(tx, scope.businessId, [tankId], today);
  });
}

async function proposalOf(scope: Scope, proposalId: string): Promise<typeof proposal.$inferSelect> {
  const [row] = await db()
    .select({ proposal })
    .from(proposal)
    .innerJoin(tank, and(eq(tank.businessId, proposal.businessId), eq(tank.id, proposal.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        ...[eq(proposal.businessId, scope.businessId), eq(proposal.id, proposalId)],
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    );
  if (!row) throw notFound("proposal");
  return row.proposal;
}

/** Proposals of the tanks in sight, the newest first; of one tank where it is named. Those taken back stay the firm's. */
export async function proposalsOf(scope: Scope, tankId?: string): Promise<Proposal[]> {
  const rows = await db()
    .select({ proposal, tankName: tank.name, siteName: site.name, by: person.name })
    .from(proposal)
    .innerJoin(tank, and(eq(tank.businessId, proposal.businessId), eq(tank.id, proposal.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(person, and(eq(person.businessId, proposal.businessId), eq(person.id, proposal.personId)))
    .where(
      and(
        eq(proposal.businessId, scope.businessId),
        inSight(site.clientId, await clientsInSight(scope)),
        ...(tankId ? [eq(proposal.tankId, tankId)] : []),
        ...(scope.role === "tankOwner" ? [isNull(proposal.withdrawnAt)] : []),
      ),
    )
    .orderBy(desc(proposal.madeAt), asc(proposal.id))
    .limit(100);
  const { today } = whenOf(scope);
  return rows.map(({ proposal: p, ...of }) => {
    const answerBy = addDays(civilOf(p.madeAt.getTime(), scope.zone).date, ANSWER_DAYS);
    return {
      ...{ id: p.id, tankId: p.tankId, ...of, what: p.what, why: p.why, ifNot: p.ifNot, minutes: p.minutes },
      ...{ madeAt: p.madeAt, withdrawn: p.withdrawnAt !== null, answer: p.answer, answeredAt: p.answeredAt },
      ...{ answerBy, unanswered: p.answer === null && p.withdrawnAt === null && today > answerBy },
    };
  });
}
