"use server";

import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { KeepSchema, keepItem } from "@/data/desk/keepItem";
import { MergeSchema, mergeItems } from "@/data/stores/merge";
import { addMove, MoveSchema, TakeBackSchema, takeBackMove } from "@/data/stores/moves";
import { endOrder, OrderEndSchema, OrderSchema, order } from "@/data/stores/orders";

/** Books a delivery, a count, a move or a throwing away. */
export const moveAction = defineAction({
  name: "stores.move",
  roles: STAFF,
  input: MoveSchema,
  foreign: (ids) => ({
    kind: "delivered" as const,
    itemId: ids.itemId,
    place: null,
    amount: 1,
    lot: "",
    expiresOn: null,
    note: "",
  }),
  run: (scope, input) => addMove(scope, input, whenOf(scope)),
});

/** Takes back what was booked by hand. */
export const takeBackMoveAction = defineAction({
  name: "stores.take-back",
  roles: STAFF,
  input: TakeBackSchema,
  foreign: (ids) => ({ moveId: ids.moveId }),
  run: (scope, input) => takeBackMove(scope, input, whenOf(scope).now),
});

/** Makes one item of two. */
export const mergeItemsAction = defineAction({
  name: "stores.merge",
  roles: STAFF,
  input: MergeSchema,
  foreign: (ids) => ({ itemId: ids.itemId, intoId: ids.itemId }),
  run: (scope, input) => mergeItems(scope, input, whenOf(scope)),
});

/** Makes an item of something that plans take. */
export const keepItemAction = defineAction({
  name: "stores.keep",
  roles: STAFF,
  input: KeepSchema,
  run: (scope, input) => keepItem(scope, input, whenOf(scope)),
});

/** Orders from a supplier. */
export const orderAction = defineAction({
  name: "stores.order",
  roles: STAFF,
  input: OrderSchema,
  foreign: (ids) => ({ supplier: "", email: "", lines: [{ itemId: ids.itemId, amount: 1 }] }),
  run: (scope, input) => order(scope, input, whenOf(scope)),
});

/** Says that an order came, or was cancelled. */
export const endOrderAction = defineAction({
  name: "stores.end-order",
  roles: STAFF,
  input: OrderEndSchema,
  foreign: (ids) => ({ orderId: ids.orderId, came: true }),
  run: (scope, input) => endOrder(scope, input, whenOf(scope)),
});
