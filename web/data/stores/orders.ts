import { bySupplier, fileFigure, type OrderLine } from "@keel-round/core/stores";
import { guardText } from "@keel-round/core/transfer";
import { stringify } from "csv-stringify/sync";
import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { business, type OrderedLine, person, storeItem, storeMove, storeOrder } from "../schema";
import { loadStores } from "./overview";

/** A line that is proposed, with what it is of. */
export interface Proposed extends OrderLine {
  readonly itemId: string;
  readonly stock: number;
  readonly onOrder: number;
}

/** What is proposed of one supplier. */
export interface Proposal {
  readonly supplier: string;
  /** Where orders go to: of the first of its items that says so. */
  readonly email: string;
  readonly lines: readonly Proposed[];
}

/** What should be ordered today, by supplier. */
export async function proposedOrders(scope: Scope, today: string): Promise<Proposal[]> {
  const { kept } = await loadStores(scope, today);
  const lines = kept.flatMap(({ item, stock, onOrder, order }) =>
    order ? [{ ...order, item, itemId: item.id, stock: stock.total, onOrder, email: item.supplierEmail }] : [],
  );
  return bySupplier(lines).map(({ supplier, lines: its }) => ({
    supplier,
    email: its.find((l) => l.email !== "")?.email ?? "",
    lines: its,
  }));
}

const HEADINGS = ["Supplier", "Item", "Packs", "In a pack", "Amount", "Unit", "In store", "On order"];

/** The proposed orders as a table. */
export function ordersCsv(proposals: readonly Proposal[]): string {
  const rows = proposals.flatMap(({ supplier, lines }) =>
    lines.map(({ item, packs, amount, stock, onOrder }) => [
      ...[guardText(supplier), guardText(item.name), packs === null ? "" : String(packs)],
      ...[
        item.packAmount === null ? "" : fileFigure(item.packAmount),
        fileFigure(amount),
        item.unit,
        fileFigure(stock),
        fileFigure(onOrder),
      ],
    ]),
  );
  // The mark tells spreadsheets that this is UTF-8.
  return `\ufeff${stringify([HEADINGS, ...rows])}`;
}

export const OrderSchema = z.object({
  supplier: z.string().trim().max(120),
  /** Empty where somebody orders it another way. */
  email: z.union([z.literal(""), z.email("Enter an e-mail address, or leave it empty.").max(190)]),
  lines: z
    .array(
      z.object({
        itemId: z.uuid("Reload the page and try again."),
        amount: z.number("Enter how much, as a number.").positive("Enter more than nothing.").max(10_000_000),
      }),
    )
    .min(1, "Choose something to order."),
});

/** Writes down what is ordered of a supplier, and mails it where an address is given. */
export async function order(
  scope: Scope,
  { supplier, email, lines }: z.infer<typeof OrderSchema>,
  { now }: When,
): Promise<{ readonly id: string }> {
  if (scope.role === "tankOwner") throw notFound("page");
  return inTransaction(async (tx) => {
    const ids = lines.map((l) => l.itemId);
    const items = await tx
      .select()
      .from(storeItem)
      .where(and(eq(storeItem.businessId, scope.businessId), inArray(storeItem.id, ids), isNull(storeItem.archivedAt)));
    const ordered = lines.map(({ itemId, amount }): OrderedLine => {
      const item = items.find((i) => i.id === itemId);
      if (!item) throw notFound("item");
      const { name, unit, packAmount } = item;
      return { itemId, name, unit, packAmount, amount, packs: packAmount === null ? null : amount / packAmount };
    });
    const id = newId();
    await tx.insert(storeOrder).values({
      ...{ id, businessId: scope.businessId, supplier, email, lines: ordered },
      ...{ orderedAt: now, orderedBy: scope.personId },
    });
    if (email !== "") await enqueue(tx, scope.businessId, "order", { orderId: id });
    return { id };
  });
}

const orderOfFirm = (scope: Pick<Scope, "businessId">, id: string) =>
  and(eq(storeOrder.businessId, scope.businessId), eq(storeOrder.id, id));

export const OrderEndSchema = z.object({ orderId: z.uuid("Reload the page and try again."), came: z.boolean() });

/**
 * Says that an order came, which books its lines as delivered at the base, or that it was cancelled.
 *
 * @throws a refusal for one that came or was cancelled before.
 */
export async function endOrder(
  scope: Scope,
  { orderId, came }: z.infer<typeof OrderEndSchema>,
  { now, today }: When,
): Promise<void> {
  if (scope.role === "tankOwner") throw notFound("order");
  await inTransaction(async (tx) => {
    const [row] = await tx.select().from(storeOrder).where(orderOfFirm(scope, orderId)).for("update");
    if (!row) throw notFound("order");
    if (row.cameAt || row.cancelledAt)
      throw new Refused(409, "ended", row.cameAt ? "It came already." : "It was cancelled already.");
    await tx
      .update(storeOrder)
      .set(came ? { cameAt: now } : { cancelledAt: now })
      .where(orderOfFirm(scope, orderId));
    if (!came) return;
    await tx.insert(storeMove).values(
      row.lines.map(({ itemId, amount }) => ({
        ...{ id: newId(), businessId: scope.businessId, itemId, kind: "delivered" as const, place: null, amount },
        ...{ at: now, onDate: today, personId: scope.personId, note: row.supplier },
      })),
    );
  });
}

/** How many orders of the past a page shows. */
const SHOWN = 20;

/** The newest orders, with who ordered. */
export async function recentOrders(scope: Scope) {
  return db()
    .select({ order: storeOrder, by: person.name })
    .from(storeOrder)
    .innerJoin(person, and(eq(person.businessId, storeOrder.businessId), eq(person.id, storeOrder.orderedBy)))
    .where(eq(storeOrder.businessId, scope.businessId))
    .orderBy(desc(storeOrder.orderedAt))
    .limit(SHOWN);
}

/** What the mail of an order is made from; null where it was sent, cancelled or needs none. */
export async function orderMail(businessId: string, orderId: string) {
  const [row] = await db()
    .select({ order: storeOrder, by: person.name, business })
    .from(storeOrder)
    .innerJoin(person, and(eq(person.businessId, storeOrder.businessId), eq(person.id, storeOrder.orderedBy)))
    .innerJoin(business, eq(business.id, storeOrder.businessId))
    .where(orderOfFirm({ businessId }, orderId));
  return row && row.order.email !== "" && !row.order.sentAt && !row.order.cancelledAt ? row : null;
}

/** Notes that an order was mailed, or why it was not. */
export async function noteOrder(
  businessId: string,
  orderId: string,
  what: { readonly sentAt: Date; readonly sendError: null } | { readonly sendError: string },
): Promise<void> {
  await db().update(storeOrder).set(what).where(orderOfFirm({ businessId }, orderId));
}
