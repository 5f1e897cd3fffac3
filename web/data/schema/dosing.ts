import { DOSED, type ReagentName } from "@keel-round/core/mixing";
import type { SwitchGear } from "@keel-round/core/tank";
import { type Harmed, REMEDY_GROUPS } from "@keel-round/core/treatment";
import { OF_WATER } from "@keel-round/core/units";
import {
  boolean,
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
import { business, edited, tank } from "./desk";

/** What the firm doses with: a powder by what it is made of, a liquid by its strength. */
export const product = mysqlTable(
  "product",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    raises: mysqlEnum("raises", DOSED).notNull(),
    reagent: varchar("reagent", { length: 60 }).$type<ReagentName>(),
    purityPercent: double("purity_percent").notNull(),
    /** Litres that a millilitre raises by one; null for a powder. */
    strengthLPerMl: double("strength_l_per_ml"),
    mostADay: double("most_a_day"),
    ownerGives: boolean("owner_gives").notNull().default(false),
    /** In the container, g or mL, as it was last counted. */
    leftAmount: double("left_amount"),
    leftOn: civilDate("left_on"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("product_business_uq").on(t.businessId, t.id)],
);

/** What the firm treats with, by its label: a product, or a method. */
export const remedy = mysqlTable(
  "remedy",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    group: mysqlEnum("remedy_group", REMEDY_GROUPS).notNull(),
    per100L: double("per_100_l"),
    unit: mysqlEnum("unit", ["mL", "g", "drops", "tablets"]).notNull(),
    labelPercent: double("label_percent"),
    bottlePercent: double("bottle_percent"),
    doses: int("doses").notNull(),
    everyDays: int("every_days").notNull(),
    contactDays: int("contact_days").notNull(),
    contactMinutes: double("contact_minutes"),
    changeShare: double("change_share"),
    followUpDays: int("follow_up_days").notNull(),
    harms: json("harms").$type<readonly Harmed[]>().notNull(),
    off: json("off").$type<readonly SwitchGear[]>().notNull(),
    carbonOut: boolean("carbon_out").notNull().default(true),
    prescription: boolean("prescription").notNull().default(false),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("remedy_business_uq").on(t.businessId, t.id)],
);

/** A pump that doses a product into a tank, day by day. */
export const doser = mysqlTable(
  "doser",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    tankId: uuid("tank_id").notNull(),
    productId: uuid("product_id").notNull(),
    /** What it is set to, by its own scale. */
    setMlPerDay: double("set_ml_per_day").notNull(),
    /** Into a measuring glass in a minute, and what its scale said of that. */
    measuredMl: double("measured_ml"),
    scaleMl: double("scale_ml"),
    measuredOn: civilDate("measured_on"),
    /** In its container, usable, as it was last counted. */
    leftMl: double("left_ml"),
    leftOn: civilDate("left_on"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("doser_business_uq").on(t.businessId, t.id),
    index("doser_tank_ix").on(t.businessId, t.tankId),
    foreignKey({
      name: "doser_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
    foreignKey({
      name: "doser_product_fk",
      columns: [t.businessId, t.productId],
      foreignColumns: [product.businessId, product.id],
    }),
  ],
);

/** What was poured into a tank by hand on a visit. */
export const dose = mysqlTable(
  "dose",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    /** As the log names it; the register may know it no more. */
    productId: uuid("product_id").notNull(),
    product: varchar("product", { length: 120 }).notNull(),
    parameter: mysqlEnum("parameter", DOSED).notNull(),
    amount: double("amount").notNull(),
    unit: mysqlEnum("unit", ["g", "mL"]).notNull(),
    /** What it raised the water by, canonical. */
    rise: double("rise").notNull(),
    at: instant("at").notNull(),
    onDate: civilDate("on_date").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("dose_tank_ix").on(t.businessId, t.tankId, t.at),
    index("dose_product_ix").on(t.businessId, t.productId, t.onDate),
    index("dose_visit_ix").on(t.businessId, t.visitId),
    foreignKey({
      name: "dose_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** A reading of a kit held against a reference, canonical. */
export interface Comparison {
  readonly parameter: string;
  readonly on: string;
  readonly reference: number;
  readonly read: number;
}

/** A test kit or an instrument. */
export const kit = mysqlTable(
  "kit",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    parameter: mysqlEnum("parameter", OF_WATER).notNull(),
    method: varchar("method", { length: 40 }).notNull(),
    /** What it can tell apart, canonical. */
    resolution: double("resolution"),
    lot: varchar("lot", { length: 60 }).notNull().default(""),
    openedOn: civilDate("opened_on"),
    goodDaysOpen: int("good_days_open"),
    expiresOn: civilDate("expires_on"),
    testsLeft: int("tests_left"),
    countedOn: civilDate("counted_on"),
    calibratedOn: civilDate("calibrated_on"),
    calibrateEveryDays: int("calibrate_every_days"),
    comparisons: json("comparisons").$type<readonly Comparison[]>().notNull(),
    /** How well the reference is known, 95 %, canonical. */
    referenceHalfWidth: double("reference_half_width"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("kit_business_uq").on(t.businessId, t.id)],
);
