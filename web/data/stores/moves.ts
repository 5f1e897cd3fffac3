import { placeKey } from "@keel-round/core/stores";
import { and, desc, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { person, site, storeItem, storeMove, tank, visit } from "../schema";
import { stockNow } from "./ledger";

const id = z.uuid("Reload the page and try again.");
/** Null is the base. */
const place = id.nullable();
const amount = z.number("Enter how much, as a number.").positive("Enter more than nothing.").max(10_000_000);

export const MoveSchema = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("delivered"),
    ...{ itemId: id, place, amount },
    lot: z.string().trim().max(60).default(""),
    expiresOn: z.iso.date("That day does not exist.").nullable().default(null),
    note: z.string().trim().max(190).default(""),
  }),
  z.object({
    kind: z.literal("counted"),
    ...{ itemId: id, place },
    amount: z
      .number("Enter how much is there, as a number.")
      .min(0, "Nothing is the least there can be.")
      .max(10_000_000),
    /** What the page said was there while somebody counted. */
    booked: z.number(),
    note: z.string().trim().max(190).default(""),
  }),
  z.object({
    kind: z.literal("moved"),
    ...{ itemId: id, place, amount },
    to: place,
    note: z.string().trim().max(190).default(""),
  }),
  z.object({
    kind: z.literal("thrown"),
    ...{ itemId: id, place, amount },
    note: z.string().trim().min(1, "Say why.").max(190),
  }),
]);
type Move = z.infer<typeof MoveSchema>;

/** A firm's item, locked: whoever books it comes one after the other. */
async function lockItem(tx: Queries, scope: Scope, itemId: string): Promise<typeof storeItem.$inferSelect> {
  if (scope.role === "tankOwner") throw notFound("item");
  const [row] = await tx
    .select()
    .from(storeItem)
    .where(and(eq(storeItem.businessId, scope.businessId), eq(storeItem.id, itemId)))
    .for("update");
  if (!row) throw notFound("item");
  return row;
}

async function requireVan(tx: Queries, scope: Scope, van: string | null): Promise<void> {
  if (van === null) return;
  const [row] = await tx
    .select({ role: person.role })
    .from(person)
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, van)));
  if (!row || row.role === "tankOwner") throw notFound("van");
}

/** Figures that a person cannot tell apart. */
const SAME = 0.005;

/**
 * Books what somebody did with an item: a delivery, a count, a move to or from a van, a throwing away.
 *
 * @throws a refusal where the stock changed while somebody counted, with what it is now.
 */
export async function addMove(scope: Scope, move: Move, { now, today }: When): Promise<void> {
  await inTransaction(async (tx) => {
    const item = await lockItem(tx, scope, move.itemId);
    if (item.archivedAt) throw new Refused(409, "archived", `${item.name} is in the archive. Bring it back first.`);
    await requireVan(tx, scope, move.place);
    const base = {
      ...{ businessId: scope.businessId, itemId: item.id, kind: move.kind, place: move.place },
      ...{ at: now, onDate: today, personId: scope.personId, note: move.note },
    };
    switch (move.kind) {
      case "delivered": {
        const { amount, lot, expiresOn } = move;
        await tx.insert(storeMove).values({ ...base, id: newId(), amount, lot, expiresOn });
        return;
      }
      case "counted": {
        const is = (await stockNow(tx, scope.businessId, [item.id])).get(item.id)?.get(placeKey(move.place)) ?? 0;
        if (Math.abs(is - move.booked) > SAME)
          throw new Refused(409, "changed", "Something was booked while you counted.", {
            amount: [`It stands at ${Number(is.toFixed(2))} ${item.unit} now. Count again, then save.`],
          });
        await tx.insert(storeMove).values({ ...base, id: newId(), amount: move.amount });
        return;
      }
      case "moved": {
        await requireVan(tx, scope, move.to);
        if (move.to === move.place)
          throw new Refused(422, "invalid", "Choose another place to move it to.", {
            to: ["Choose another place to move it to."],
          });
        const pairId = newId();
        await tx.insert(storeMove).values([
          { ...base, id: newId(), pairId, amount: -move.amount },
          { ...base, id: newId(), pairId, amount: move.amount, place: move.to },
        ]);
        return;
      }
      case "thrown":
        await tx.insert(storeMove).values({ ...base, id: newId(), amount: -move.amount });
    }
  });
}

export const TakeBackSchema = z.object({ moveId: id });

/**
 * Takes back what somebody booked by hand; it stays in the ledger, crossed out. What a visit used is corrected in its record.
 *
 * @throws a refusal for a line that a log made.
 */
export async function takeBackMove(scope: Scope, { moveId }: z.infer<typeof TakeBackSchema>, now: Date): Promise<void> {
  await inTransaction(async (tx) => {
    const [row] = await tx
      .select()
      .from(storeMove)
      .where(and(eq(storeMove.businessId, scope.businessId), eq(storeMove.id, moveId)));
    if (!row || scope.role === "tankOwner") throw notFound("line");
    await lockItem(tx, scope, row.itemId);
    if (row.cause !== "")
      throw new Refused(409, "logged", "A log made this line. Correct what was logged, and the stores follow.");
    await tx
      .update(storeMove)
      .set({ takenBackAt: now, takenBackBy: scope.personId })
      .where(
        and(
          ...[eq(storeMove.businessId, scope.businessId), isNull(storeMove.takenBackAt)],
          row.pairId ? eq(storeMove.pairId, row.pairId) : eq(storeMove.id, row.id),
        ),
      );
  });
}

/** How many lines of a ledger a page shows. */
const SHOWN = 60;

/** The newest lines of an item's ledger, with who, and where a visit took it. */
export async function ledgerOf(scope: Scope, itemId: string) {
  const rows = await db()
    .select({ move: storeMove, by: person.name, tank: tank.name, site: site.name })
    .from(storeMove)
    .leftJoin(person, and(eq(person.businessId, storeMove.businessId), eq(person.id, storeMove.personId)))
    .leftJoin(visit, and(eq(visit.businessId, storeMove.businessId), eq(visit.id, storeMove.visitId)))
    .leftJoin(tank, and(eq(tank.businessId, visit.businessId), eq(tank.id, visit.tankId)))
    .leftJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(and(eq(storeMove.businessId, scope.businessId), eq(storeMove.itemId, itemId)))
    .orderBy(desc(storeMove.at), desc(storeMove.id))
    .limit(SHOWN + 1);
  return { lines: rows.slice(0, SHOWN), more: rows.length > SHOWN };
}
export type LedgerLine = Awaited<ReturnType<typeof ledgerOf>>["lines"][number];
