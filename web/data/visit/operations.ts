import { byText } from "@keel-round/core/text";
import { type OpBody, PLAN_SIZE, refuseOp, type VisitOp, type VisitState, visitState } from "@keel-round/core/visit";
import { OpBodySchema, OpEnvelopeSchema } from "@keel-round/core/visit/schema";
import { and, eq, inArray, isNotNull, isNull, sql } from "drizzle-orm";
import { notFound, Refused } from "../access/define";
import { plainError } from "../access/plainError";
import type { Scope } from "../access/scope";
import { requireVisit } from "../access/sight";
import { inTransaction, isBusy, type Queries } from "../database/transaction";
import { wellFormed } from "../database/wellFormed";
import { factsOf, isAskedOn, openFinding } from "../plan/asCore";
import { animal, finding, letter, operation, stop, tank, visit } from "../schema";
import { project } from "./project";

/** What became of one operation of a batch. */
export interface OpResult {
  readonly opId: string;
  readonly result: "applied" | "already" | "waiting" | "refused";
  readonly code?: string;
  readonly field?: string;
  readonly items?: readonly string[];
}

/** What changes a visit that was closed. */
const AFTERWARDS: readonly OpBody["type"][] = ["correct", "reopen"];
/** Days that its author may put a visit right whose letter is sent. */
export const CORRECT_DAYS = 7;
const DAY_MS = 86_400_000;

/** The code of an operation that the database would not have. */
const UNSTORABLE = "unstorable";

type OperationRow = typeof operation.$inferSelect;

const asOp = (row: OperationRow): VisitOp => ({
  opId: row.opId,
  device: row.device,
  seq: row.seq,
  at: row.deviceAt,
  body: row.body as OpBody,
});

/** The applied operations of a visit, in order of arrival. */
export async function appliedOps(q: Queries, businessId: string, visitId: string): Promise<VisitOp[]> {
  const rows = await q
    .select()
    .from(operation)
    .where(and(eq(operation.businessId, businessId), eq(operation.visitId, visitId), eq(operation.status, "applied")))
    .orderBy(operation.arrival);
  return rows.map(asOp);
}

/** Same facts whatever the order of keys: how a repeated operation is told from a forged one. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(",")}]`;
  if (value && typeof value === "object") {
    const entries = Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => byText(a, b));
    return `{${entries.map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`).join(",")}}`;
  }
  return JSON.stringify(value);
}

/**
 * Takes a batch of operations of one visit. Each gets a result of its own.
 *
 * One that the database or what follows from it will not have does not hold up the others: the batch is then taken one by
 * one, and that one alone is refused and set aside.
 *
 * @throws "not found" for a visit of another business.
 */
export async function postOperations(
  scope: Scope,
  visitId: string,
  raw: readonly unknown[],
  now: Date,
): Promise<OpResult[]> {
  await requireVisit(scope, visitId);
  try {
    return await takeBatch(scope, visitId, raw, now);
  } catch (error) {
    if (error instanceof Refused || isBusy(error)) throw error;
  }
  const results: OpResult[] = [];
  for (const item of raw) results.push(...(await takeAlone(scope, visitId, item, now)));
  return results;
}

async function takeAlone(scope: Scope, visitId: string, item: unknown, now: Date): Promise<OpResult[]> {
  try {
    return await takeBatch(scope, visitId, [item], now);
  } catch (error) {
    if (error instanceof Refused || isBusy(error)) throw error;
    console.error(`operations: one of visit ${visitId} cannot be stored:`, plainError(error));
    return takeBatch(scope, visitId, [item], now, UNSTORABLE);
  }
}

/**
 * Takes a batch in one transaction.
 *
 * The conditional update on the visit row comes first: it serialises writers on one server and on a cluster. Order
 * between devices is the order of arrival; on one device it is the sequence, and what comes too early waits.
 *
 * @throws "not found" for a visit of another business.
 */
async function takeBatch(
  scope: Scope,
  visitId: string,
  raw: readonly unknown[],
  now: Date,
  refuseAs: string | null = null,
): Promise<OpResult[]> {
  return inTransaction(async (tx) => {
    const [taken] = await tx
      .update(visit)
      .set({ version: sql`${visit.version} + 1` })
      .where(and(eq(visit.id, visitId), eq(visit.businessId, scope.businessId)));
    if (taken.affectedRows === 0) throw notFound("visit");

    const log = new VisitLog(tx, scope, visitId, now, refuseAs);
    await log.load();
    const before = [...log.applied];
    const results: OpResult[] = [];
    for (const item of raw) results.push(await log.take(wellFormed(item)));
    if (log.changed) await project(tx, scope, { visitId, ops: log.applied, before, now });
    return results;
  });
}

/** The log of one visit while a batch is taken. */
class VisitLog {
  private rows: OperationRow[] = [];
  private state: VisitState = visitState([]);
  private facts: ReturnType<typeof factsOf> | null = null;
  private openBefore: ReturnType<typeof openFinding>[] = [];
  private drivenBy: string | null = null;
  private letterSent = false;
  private arrival = 0;
  applied: VisitOp[] = [];
  changed = false;

  constructor(
    private readonly tx: Queries,
    private readonly scope: Scope,
    private readonly visitId: string,
    private readonly now: Date,
    /** Refuses whatever comes with this code: it was tried and could not be stored. */
    private readonly refuseAs: string | null,
  ) {}

  async load(): Promise<void> {
    const { tx, scope, visitId } = this;
    this.rows = await tx
      .select()
      .from(operation)
      .where(and(eq(operation.businessId, scope.businessId), eq(operation.visitId, visitId)))
      .orderBy(operation.arrival);
    this.applied = this.rows.filter((r) => r.status === "applied").map(asOp);
    this.state = visitState(this.applied);
    this.arrival = Math.max(0, ...this.rows.map((r) => r.arrival));
    const [row] = await tx
      .select({ tank, stop })
      .from(visit)
      .innerJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
      .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
      .where(eq(visit.id, visitId));
    if (!row) throw notFound("visit");
    this.drivenBy = row.stop.personId;
    const [sent] = await tx
      .select({ id: letter.id })
      .from(letter)
      .where(and(eq(letter.businessId, scope.businessId), eq(letter.stopId, row.stop.id), isNotNull(letter.sentAt)))
      .limit(1);
    this.letterSent = sent !== undefined;
    const animals = await tx
      .select({ name: animal.name, count: animal.count })
      .from(animal)
      .where(and(eq(animal.businessId, scope.businessId), eq(animal.tankId, row.tank.id), isNull(animal.archivedAt)));
    this.facts = factsOf(row.tank, animals);
    const open = await tx
      .select()
      .from(finding)
      .where(
        and(
          eq(finding.businessId, scope.businessId),
          eq(finding.tankId, row.tank.id),
          inArray(finding.state, ["open", "carried"]),
        ),
      );
    const asked = open.filter((f) => f.visitId !== visitId && isAskedOn(f, row.stop.onDate));
    this.openBefore = asked.map((f) => openFinding(f, scope.zone));
  }

  async take(raw: unknown): Promise<OpResult> {
    const envelope = OpEnvelopeSchema.safeParse(raw);
    if (!envelope.success) {
      const opId = (raw as { opId?: unknown } | null)?.opId;
      return {
        opId: typeof opId === "string" ? opId : "",
        result: "refused",
        code: "malformed",
        items: [envelope.error.issues[0]?.message ?? ""],
      };
    }
    const op = envelope.data as VisitOp;
    const known = this.rows.find((r) => r.opId === op.opId);
    if (known) {
      const same =
        known.device === op.device &&
        known.seq === op.seq &&
        (known.code === UNSTORABLE || canonical(known.body) === canonical(op.body));
      if (!same) return { opId: op.opId, result: "refused", code: "payload-differs" };
      return known.status === "refused"
        ? { opId: op.opId, result: "refused", ...(known.code ? { code: known.code } : {}) }
        : { opId: op.opId, result: "already" };
    }
    const [foreign] = await this.tx.select({ opId: operation.opId }).from(operation).where(eq(operation.opId, op.opId));
    if (foreign) return { opId: op.opId, result: "refused", code: "payload-differs" };
    const expected =
      1 + Math.max(0, ...this.rows.filter((r) => r.device === op.device && r.status !== "waiting").map((r) => r.seq));
    if (this.rows.some((r) => r.device === op.device && r.seq === op.seq))
      return { opId: op.opId, result: "refused", code: "sequence-used" };
    if (op.seq > expected) {
      await this.store(op, "waiting", null);
      return { opId: op.opId, result: "waiting" };
    }
    const result = await this.judge(op);
    await this.release(op.device);
    return result;
  }

  /** Applies or refuses an operation whose turn it is. A refused one keeps its place, so that later ones need not wait. */
  private async judge(op: VisitOp): Promise<OpResult> {
    const refusal = this.refusalOf(op);
    await this.store(op, refusal ? "refused" : "applied", refusal?.code ?? null);
    if (refusal) return { opId: op.opId, result: "refused", ...refusal };
    this.applied.push(op);
    this.state = visitState(this.applied);
    this.changed = true;
    return { opId: op.opId, result: "applied" };
  }

  private refusalOf(op: VisitOp): Omit<OpResult, "opId" | "result"> | null {
    if (this.refuseAs) return { code: this.refuseAs };
    const body = OpBodySchema.safeParse(op.body);
    if (!body.success) {
      const issue = body.error.issues[0];
      return { code: "malformed", field: issue?.path.at(-1)?.toString() ?? "", items: [issue?.message ?? ""] };
    }
    if (op.body.type === "plan" && JSON.stringify(op.body.plan).length > PLAN_SIZE.most)
      return { code: "plan-too-large" };
    const refusal = this.facts && refuseOp(this.state, body.data, this.facts, this.openBefore);
    return refusal ?? (AFTERWARDS.includes(body.data.type) ? this.mayNotCorrect() : null);
  }

  /** Why somebody may not put a closed visit right: its author may until the letter is sent, or for a week; the office always. */
  private mayNotCorrect(): { readonly code: string } | null {
    const { scope, state, now } = this;
    if (scope.role === "office" || scope.role === "lead") return null;
    const author = this.drivenBy === scope.personId || this.rows.some((r) => r.personId === scope.personId);
    if (!author) return { code: "not-author" };
    const closedMs = Date.parse(state.closedAt ?? "");
    return this.letterSent && now.getTime() - closedMs > CORRECT_DAYS * DAY_MS ? { code: "too-late" } : null;
  }

  /** Lets operations go that waited for the one just taken. */
  private async release(device: string): Promise<void> {
    for (;;) {
      const last = Math.max(
        0,
        ...this.rows.filter((r) => r.device === device && r.status !== "waiting").map((r) => r.seq),
      );
      const next = this.rows.find((r) => r.device === device && r.status === "waiting" && r.seq === last + 1);
      if (!next) return;
      await this.judge(asOp(next));
    }
  }

  private async store(op: VisitOp, status: OperationRow["status"], code: string | null): Promise<void> {
    const waiting = this.rows.find((r) => r.opId === op.opId);
    this.arrival += 1;
    if (waiting) {
      await this.tx.update(operation).set({ status, code, arrival: this.arrival }).where(eq(operation.opId, op.opId));
      Object.assign(waiting, { status, code, arrival: this.arrival });
      return;
    }
    const row: OperationRow = {
      opId: op.opId,
      businessId: this.scope.businessId,
      visitId: this.visitId,
      personId: this.scope.personId,
      device: op.device,
      seq: op.seq,
      type: typeof op.body?.type === "string" ? op.body.type.slice(0, 24) : "?",
      // What could not be stored keeps its place by its kind alone.
      body: code === UNSTORABLE ? { type: op.body?.type } : op.body,
      deviceAt: op.at,
      receivedAt: this.now,
      arrival: this.arrival,
      status,
      code,
    };
    await this.tx.insert(operation).values(row);
    this.rows.push(row);
  }
}
