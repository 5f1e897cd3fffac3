import type { PlanInput } from "@keel-round/core/given";
import { amountOf, itemFinder, loggedUses, plannedUses, type Use } from "@keel-round/core/stores";
import type { VisitPlan, VisitState } from "@keel-round/core/visit";
import { and, eq, isNull } from "drizzle-orm";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { barrel, storeItem, storeMove } from "../schema";
import { firmItems } from "./items";
import { stockNow } from "./ledger";

/** What something took, and when. */
export interface Booking {
  /** What it is booked for, such as "visit 0192…": what was booked for it before is part of its sum. */
  readonly cause: string;
  readonly at: Date;
  readonly on: string;
  readonly visitId: string | null;
  readonly personId: string | null;
  /** Whose van may have it; null where it comes from the base. */
  readonly van: string | null;
  readonly uses: readonly Use[];
  /** What its plan would have taken. */
  readonly planned: readonly Use[];
}

interface Sum {
  amount: number;
  planned: number;
}

/** Less than this is a rounding error of a sum. */
const LEAST = 1e-6;

/**
 * Takes what something used off the stores: the difference to what was booked for it before, so that saying it twice takes it off
 * once, and a correction books what it changes. From the van where that has some of it, else from the base.
 */
export async function bookUses(tx: Queries, businessId: string, booking: Booking): Promise<void> {
  const booked = await tx
    .select()
    .from(storeMove)
    .where(
      and(...[eq(storeMove.businessId, businessId), eq(storeMove.cause, booking.cause)], isNull(storeMove.takenBackAt)),
    );
  if (booking.uses.length === 0 && booking.planned.length === 0 && booked.length === 0) return;
  const items = await firmItems(tx, businessId);
  const sums = new Map<string, Sum>();
  const find = itemFinder(items);
  const add = (uses: readonly Use[], field: keyof Sum) => {
    for (const use of uses) {
      const item = find(use.name);
      const amount = item && amountOf(use, item);
      if (!item || amount === null) continue;
      const sum = sums.get(item.id) ?? { amount: 0, planned: 0 };
      sum[field] += amount;
      sums.set(item.id, sum);
    }
  };
  add(booking.uses, "amount");
  add(booking.planned, "planned");
  const ids = [...new Set([...sums.keys(), ...booked.map((b) => b.itemId)])];
  const stock = booking.van === null ? new Map() : await stockNow(tx, businessId, ids);
  const lines = ids.flatMap((itemId) => {
    const before = booked.filter((b) => b.itemId === itemId);
    const had = (of: (b: (typeof before)[number]) => number) => before.reduce((sum, b) => sum + of(b), 0);
    const { amount, planned } = sums.get(itemId) ?? { amount: 0, planned: 0 };
    const [more, morePlanned] = [amount + had((b) => b.amount), planned - had((b) => b.planned ?? 0)];
    if (Math.abs(more) < LEAST && Math.abs(morePlanned) < LEAST) return [];
    const inVan = (stock.get(itemId)?.get(booking.van ?? "") ?? 0) > 0;
    // A correction goes back to where it was taken from.
    const [first] = before;
    return [
      {
        ...{ id: newId(), businessId, itemId, kind: "used" as const, amount: 0 - more, planned: morePlanned },
        place: first ? first.place : inVan ? booking.van : null,
        ...{ at: first?.at ?? booking.at, onDate: first?.onDate ?? booking.on, cause: booking.cause },
        ...{ visitId: booking.visitId, personId: booking.personId },
      },
    ];
  });
  if (lines.length > 0) await tx.insert(storeMove).values(lines);
}

/** A visit, with what its log and its plan say it took. */
export interface VisitTook {
  readonly visitId: string;
  readonly on: string;
  readonly state: VisitState;
  readonly plan: VisitPlan | null;
  readonly input: Pick<PlanInput, "source" | "topUpSource" | "facts" | "readings" | "kits">;
  readonly personId: string;
  readonly van: string | null;
}

/** Books what a visit took once it is closed, and back where it is open again or was a mistake. */
export async function bookVisit(tx: Queries, businessId: string, took: VisitTook): Promise<void> {
  const { visitId, on, state, plan, input, personId, van } = took;
  if (!(await keepsStores(tx, businessId))) return;
  const closed = state.closedAt !== null;
  const mixes = closed && (await mixesAtBase(tx, businessId));
  const atVisit = (uses: readonly Use[]) => uses.filter((u) => !(mixes && u.mixed));
  await bookUses(tx, businessId, {
    ...{ cause: `visit ${visitId}`, visitId, on, personId, van },
    at: new Date(state.closedAt ?? 0),
    uses: closed ? atVisit(loggedUses({ ...input, state, plan, on })) : [],
    planned: closed && plan ? atVisit(plannedUses(plan, input)) : [],
  });
}

/** Whether salt water is mixed in barrels of the firm's own: then its salt is taken off when a barrel is filled. */
async function mixesAtBase(tx: Queries, businessId: string): Promise<boolean> {
  const [one] = await tx
    .select({ id: barrel.id })
    .from(barrel)
    .where(and(eq(barrel.businessId, businessId), isNull(barrel.archivedAt)))
    .limit(1);
  return one !== undefined;
}

/** A firm without stores books nothing. */
async function keepsStores(tx: Queries, businessId: string): Promise<boolean> {
  const [one] = await tx
    .select({ id: storeItem.id })
    .from(storeItem)
    .where(eq(storeItem.businessId, businessId))
    .limit(1);
  return one !== undefined;
}
