import {
  type SaidCorrection,
  type SaidPlan,
  sayCorrection,
  sayPlan,
  type VisitOp,
  type VisitState,
  visitState,
} from "@keel-round/core/visit";
import { OpBodySchema } from "@keel-round/core/visit/schema";
import { and, eq, inArray, isNotNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { requireVisit } from "../access/sight";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { keptPlan } from "../plan/keptPlan";
import { letter, operation, person, site, stop, tank, visit } from "../schema";
import { correctedSince, correctionText } from "../tanks/corrected";
import { CORRECT_DAYS, postOperations } from "./operations";

/** What was put right after a visit: by whom, when and why, old and new. */
export interface CorrectionLine extends SaidCorrection {
  readonly opId: string;
  readonly by: string;
  readonly at: string;
  readonly why: string;
}

/** A visit as its log tells it, with what was corrected since. */
export interface VisitRecord {
  readonly visitId: string;
  readonly tankId: string;
  readonly tankName: string;
  readonly kind: string;
  readonly siteName: string;
  readonly on: string;
  readonly by: string;
  readonly state: VisitState;
  /** Whether anything was logged: a visit of before the firm's logs has none. */
  readonly logged: boolean;
  /** What the calendar says of it. */
  readonly planned: "planned" | "open" | "closed" | "off";
  readonly plan: SaidPlan | null;
  readonly corrections: readonly CorrectionLine[];
  /** Called a mistake, or opened again: by whom, when and why. */
  readonly turns: readonly {
    readonly opId: string;
    readonly what: "discard" | "reopen";
    readonly by: string;
    readonly at: string;
    readonly why: string;
  }[];
  readonly letterSent: boolean;
  /** Readings of other days that its plan leant on, and that were corrected since, each as a sentence. */
  readonly leantOn: readonly string[];
  /** Whether whoever looks may put it right. */
  readonly mayCorrect: boolean;
}

/**
 * The record of a visit that was begun, for whoever may see it.
 *
 * @throws "not found" for any other visit.
 */
export async function loadVisitRecord(scope: Scope, visitId: string, now: Date): Promise<VisitRecord> {
  await requireVisit(scope, visitId);
  const q = db();
  const [row] = await q
    .select({ visit, tank, siteName: site.name, stop, by: person.name })
    .from(visit)
    .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(and(eq(visit.businessId, scope.businessId), eq(visit.id, visitId)));
  if (!row) throw notFound("visit");
  const rows = await q
    .select()
    .from(operation)
    .where(
      and(eq(operation.businessId, scope.businessId), eq(operation.visitId, visitId), eq(operation.status, "applied")),
    )
    .orderBy(operation.arrival);
  const people = await q
    .select({ id: person.id, name: person.name })
    .from(person)
    .where(
      and(
        eq(person.businessId, scope.businessId),
        inArray(person.id, [...new Set(["", ...rows.map((r) => r.personId)])]),
      ),
    );
  const nameOf = new Map(people.map((p) => [p.id, p.name]));
  const authorOf = new Map(rows.map((r) => [r.opId, nameOf.get(r.personId) ?? ""]));
  const ops = rows.map(
    (r): VisitOp => ({ opId: r.opId, device: r.device, seq: r.seq, at: r.deviceAt, body: r.body as VisitOp["body"] }),
  );
  const state = visitState(ops);
  const kept = keptPlan(row.visit.plan);
  const plan = kept ? sayPlan(kept, scope.units) : null;
  const titleOf = (step: string) => plan?.steps.find((s) => s.id === step)?.title ?? step;
  const [sent] = await q
    .select({ id: letter.id })
    .from(letter)
    .where(and(eq(letter.businessId, scope.businessId), eq(letter.stopId, row.stop.id), isNotNull(letter.sentAt)))
    .limit(1);
  const author = row.stop.personId === scope.personId || rows.some((r) => r.personId === scope.personId);
  const within = state.closedAt !== null && now.getTime() - Date.parse(state.closedAt) <= CORRECT_DAYS * 86_400_000;
  return {
    visitId,
    tankId: row.tank.id,
    tankName: row.tank.name,
    kind: row.tank.kind,
    siteName: row.siteName,
    on: row.visit.onDate,
    by: row.by,
    state,
    logged: ops.length > 0,
    planned: row.visit.state,
    plan,
    corrections: state.corrections.map((c) => ({
      ...sayCorrection(c, scope.units, titleOf),
      opId: c.opId,
      by: authorOf.get(c.opId) ?? "",
      at: c.at,
      why: c.why,
    })),
    turns: ops.flatMap(({ opId, at, body }) =>
      body.type === "discard" || body.type === "reopen"
        ? [{ opId, what: body.type, by: authorOf.get(opId) ?? "", at, why: body.why }]
        : [],
    ),
    letterSent: sent !== undefined,
    leantOn: state.startedAt
      ? (await correctedSince(scope, [row.tank.id], new Date(state.startedAt), [visitId])).map(correctionText)
      : [],
    mayCorrect: scope.role === "office" || scope.role === "lead" || (author && (!sent || within)),
  };
}

/** What the desk says of a closed visit: a correction, or that it goes on. */
export const AfterwardsSchema = z.object({
  visitId: z.uuid(),
  body: OpBodySchema.refine((body) => body.type === "correct" || body.type === "reopen", "Choose what is put right."),
});

/**
 * Adds to the log of a closed visit. Plans, condition and the letter that is not sent follow.
 *
 * @throws a refusal where the log would not have it, or the person may not.
 */
export async function addAfterwards(
  scope: Scope,
  { visitId, body }: z.infer<typeof AfterwardsSchema>,
  now: Date,
): Promise<void> {
  // The desk keeps no queue: each entry is the first of a device of its own.
  const op = { opId: newId(), device: `desk-${newId()}`, seq: 1, at: now.toISOString(), body };
  const [result] = await postOperations(scope, visitId, [op], now);
  if (result && result.result !== "applied")
    throw new Refused(
      422,
      result.code ?? "refused",
      SAYS[result.code ?? ""] ?? "The log does not take this. Check the figure and its unit.",
      {
        ...(result.field ? { [result.field]: [SAYS[result.code ?? ""] ?? "Check this."] } : {}),
      },
    );
}

/** Why a correction is refused, for the desk. */
const SAYS: Readonly<Record<string, string>> = {
  "too-late": "The letter is sent and seven days are over: the office or the lead corrects it now.",
  "not-author": "Somebody else made this visit: they correct it, or the office or the lead does.",
  "not-closed": "This visit is not closed: enter it at its step.",
  "bad-reading": "This cannot be a reading of that. Check the figure and its unit.",
  "more-than-tank": "There is not so much water in this tank. Check the litres.",
  "below-floor": "That would be under the floor. Check the centimetres.",
  "unknown-reading": "That reading was taken back already.",
  "unknown-note": "That note was taken back already.",
  "unknown-count": "That count was taken back already.",
};
