import { MOVE_KINDS, STORE_KINDS, STORE_UNITS, type StoreUnit } from "@keel-round/core/stores";
import {
  double,
  foreignKey,
  index,
  int,
  json,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import { civilDate, instant, uuid } from "./columns";
import { business, edited, person } from "./desk";

/** A thing that is kept in the stores. */
export const storeItem = mysqlTable(
  "store_item",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    kind: mysqlEnum("kind", STORE_KINDS).notNull(),
    /** Once chosen it stays: the ledger is counted in it. */
    unit: mysqlEnum("unit", STORE_UNITS).notNull(),
    packAmount: double("pack_amount"),
    minimum: double("minimum"),
    perUse: double("per_use").notNull().default(1),
    supplier: varchar("supplier", { length: 120 }).notNull().default(""),
    supplierEmail: varchar("supplier_email", { length: 190 }).notNull().default(""),
    leadDays: int("lead_days").notNull().default(7),
    shelf: varchar("shelf", { length: 60 }).notNull().default(""),
    instead: varchar("instead", { length: 190 }).notNull().default(""),
    /** What else plans and logs call it. */
    knownAs: json("known_as").$type<readonly { readonly name: string }[]>().notNull(),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("store_item_business_uq").on(t.businessId, t.id)],
);

/** One line of an item's ledger. Lines are added and taken back, and never changed. */
export const storeMove = mysqlTable(
  "store_move",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    itemId: uuid("item_id").notNull(),
    kind: mysqlEnum("kind", MOVE_KINDS).notNull(),
    /** Null at the base, else the person whose van it is. */
    place: uuid("place"),
    /** Signed, in the item's unit; of a count what was there. */
    amount: double("amount").notNull(),
    planned: double("planned"),
    at: instant("at").notNull(),
    onDate: civilDate("on_date").notNull(),
    /** What it was booked for: a visit, a barrel, upkeep, each by its id; empty where somebody entered it. */
    cause: varchar("cause", { length: 120 }).notNull().default(""),
    visitId: uuid("visit_id"),
    personId: uuid("person_id"),
    lot: varchar("lot", { length: 60 }).notNull().default(""),
    expiresOn: civilDate("expires_on"),
    note: varchar("note", { length: 190 }).notNull().default(""),
    /** Both halves of a move between places. */
    pairId: uuid("pair_id"),
    takenBackAt: instant("taken_back_at"),
    takenBackBy: uuid("taken_back_by"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("store_move_item_ix").on(t.businessId, t.itemId, t.place, t.at),
    index("store_move_cause_ix").on(t.businessId, t.cause),
    index("store_move_visit_ix").on(t.businessId, t.visitId),
    foreignKey({
      name: "store_move_item_fk",
      columns: [t.businessId, t.itemId],
      foreignColumns: [storeItem.businessId, storeItem.id],
    }),
    foreignKey({
      name: "store_move_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** One line of an order, as it was ordered. */
export interface OrderedLine {
  readonly itemId: string;
  readonly name: string;
  readonly unit: StoreUnit;
  readonly packs: number | null;
  readonly packAmount: number | null;
  readonly amount: number;
}

/** What was ordered from a supplier, until it comes. */
export const storeOrder = mysqlTable(
  "store_order",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    supplier: varchar("supplier", { length: 120 }).notNull(),
    /** Where it was mailed to; empty where somebody ordered it another way. */
    email: varchar("email", { length: 190 }).notNull().default(""),
    lines: json("lines").$type<readonly OrderedLine[]>().notNull(),
    orderedAt: instant("ordered_at").notNull(),
    orderedBy: uuid("ordered_by").notNull(),
    sentAt: instant("sent_at"),
    sendError: varchar("send_error", { length: 400 }),
    cameAt: instant("came_at"),
    cancelledAt: instant("cancelled_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("store_order_business_uq").on(t.businessId, t.id),
    foreignKey({
      name: "store_order_person_fk",
      columns: [t.businessId, t.orderedBy],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);
