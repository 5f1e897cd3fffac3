import type { BarrelContents } from "@keel-round/core/mixing";
import { double, json, mysqlTable, primaryKey, uniqueIndex, varchar } from "drizzle-orm/mysql-core";
import { uuid } from "./columns";
import { business, edited } from "./desk";

/** A barrel of the mixing room, and what stands in it. */
export const barrel = mysqlTable(
  "barrel",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    capacityL: double("capacity_l").notNull(),
    heaterW: double("heater_w"),
    lossWPerK: double("loss_w_per_k"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    contents: json("contents").$type<BarrelContents | null>(),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("barrel_business_uq").on(t.businessId, t.id)],
);
