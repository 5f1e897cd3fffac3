import type { Cadence, Performer, Pin } from "@keel-round/core/programme";
import type { VisitPlan } from "@keel-round/core/visit";
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
import { person, site, tank } from "./desk";

/** A recurring visit of a site by one person. */
export const series = mysqlTable(
  "series",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    siteId: uuid("site_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** RFC 5545 text, expanded on floating dates. */
    rule: varchar("rule", { length: 190 }).notNull(),
    /** Where weeks and days are counted from. */
    startOn: civilDate("start_on").notNull(),
    /** First day on which it may fall, where it goes on from another series. */
    fromOn: civilDate("from_on"),
    /** Last day; null for no end. */
    untilOn: civilDate("until_on"),
    /** Times with another rhythm, or with none. */
    spells: json("spells").$type<readonly KeptSpell[] | null>(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("series_business_uq").on(t.businessId, t.id),
    foreignKey({
      name: "series_site_fk",
      columns: [t.businessId, t.siteId],
      foreignColumns: [site.businessId, site.id],
    }),
    foreignKey({
      name: "series_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** A time in which a series keeps another rhythm, as it is kept: an RFC 5545 rule, or null for no visits. */
export interface KeptSpell {
  readonly fromOn: string;
  readonly untilOn: string;
  readonly rule: string | null;
  readonly yearly: boolean;
  readonly why: string;
}

/** The tanks of a site that a series serves; one without any here serves all of them. */
export const seriesTank = mysqlTable(
  "series_tank",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    seriesId: uuid("series_id").notNull(),
    tankId: uuid("tank_id").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("series_tank_uq").on(t.seriesId, t.tankId),
    index("series_tank_business_ix").on(t.businessId, t.seriesId),
    foreignKey({
      name: "series_tank_series_fk",
      columns: [t.businessId, t.seriesId],
      foreignColumns: [series.businessId, series.id],
    }),
    foreignKey({
      name: "series_tank_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** A site on a day. One per occurrence of its series, so phone and desk cannot make two. */
export const stop = mysqlTable(
  "stop",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    siteId: uuid("site_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** Null of a visit beside any series. */
    seriesId: uuid("series_id"),
    originalOn: civilDate("original_on").notNull(),
    onDate: civilDate("on_date").notNull(),
    /** Somebody put it on another day than its series, or than the nearest on which the site is open. */
    moved: boolean("moved").notNull().default(false),
    /** Not planned: somebody skipped it, or its series does not give it any more. Null of one that is planned. */
    off: mysqlEnum("off", ["skipped", "withdrawn"]),
    offWhy: varchar("off_why", { length: 200 }),
    /** The van goes back to base after this stop and fills up. */
    refillAfter: boolean("refill_after").notNull().default(false),
    /** Stays where it is, whatever is settled. */
    locked: boolean("locked").notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("stop_business_uq").on(t.businessId, t.id),
    uniqueIndex("stop_occurrence_uq").on(t.seriesId, t.originalOn),
    index("stop_day_ix").on(t.businessId, t.onDate, t.personId),
    index("stop_site_ix").on(t.businessId, t.siteId, t.onDate),
    foreignKey({ name: "stop_site_fk", columns: [t.businessId, t.siteId], foreignColumns: [site.businessId, site.id] }),
    foreignKey({
      name: "stop_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
    foreignKey({
      name: "stop_series_fk",
      columns: [t.businessId, t.seriesId],
      foreignColumns: [series.businessId, series.id],
    }),
  ],
);

/** A tank at a stop. Changed only by operations. */
export const visit = mysqlTable(
  "visit",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    stopId: uuid("stop_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    /** Off with its stop, or since its tank is not served any more. */
    state: mysqlEnum("state", ["planned", "open", "closed", "off"]).notNull().default("planned"),
    /** Raised by the conditional update that begins every batch of operations. */
    version: int("version").notNull().default(0),
    startedAt: instant("started_at"),
    closedAt: instant("closed_at"),
    minutes: double("minutes"),
    /** The plan it was given, as a snapshot. */
    plan: json("plan").$type<PlanSnapshot | null>(),
    /** The tank's jobs as they stood before it was closed, by code: what its log moved can be worked out again. */
    tasksBefore: json("tasks_before").$type<Readonly<Record<string, TaskBefore>> | null>(),
    /** What somebody planned into it in the planner. */
    chosen: json("chosen").$type<ChosenChange | null>(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("visit_business_uq").on(t.businessId, t.id),
    uniqueIndex("visit_stop_uq").on(t.stopId, t.tankId),
    index("visit_tank_ix").on(t.businessId, t.tankId, t.onDate),
    // The lists ask for the next visit of every tank: only the days to come are read.
    index("visit_day_ix").on(t.businessId, t.onDate, t.state, t.tankId),
    foreignKey({
      name: "visit_stop_fk",
      columns: [t.businessId, t.stopId],
      foreignColumns: [stop.businessId, stop.id],
    }),
    foreignKey({
      name: "visit_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** A job as it stood before a visit moved it. */
export interface TaskBefore {
  readonly everyDays: number;
  readonly cadence: Cadence | null;
  readonly performer: Performer | null;
  readonly pin: Pin | null;
  readonly lastDoneOn: string;
  readonly begun: boolean;
  readonly lastSector: number;
  /** When it was taken out of the programme, ISO. */
  readonly removed: string | null;
}

/** A change that was planned by hand: litres, the water, and who chose it. */
export interface ChosenChange {
  readonly litres: number;
  readonly sourceId: string;
  readonly by: string;
}

/** A plan as it was, with the number of its format so that old ones can be read later. */
export interface PlanSnapshot {
  readonly format: 1;
  readonly coreVersion: number;
  readonly inputHash: string;
  readonly plan: VisitPlan;
}

/** Series, stops and visits as they stood before a change of the round. */
export interface RoundBefore {
  readonly series: readonly Omit<typeof series.$inferSelect, "businessId">[];
  readonly seriesTanks: readonly { readonly seriesId: string; readonly tankId: string }[];
  readonly stops: readonly Omit<typeof stop.$inferSelect, "businessId">[];
  readonly visits: readonly { readonly id: string; readonly stopId: string; readonly state: "planned" | "off" }[];
}

/** A change of the recurring visits of a site: what it said, and what undoes it. */
export const roundChange = mysqlTable(
  "round_change",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    siteId: uuid("site_id").notNull(),
    personId: uuid("person_id").notNull(),
    at: instant("at").notNull(),
    said: varchar("said", { length: 400 }).notNull(),
    before: json("was").$type<RoundBefore>().notNull(),
    made: json("made")
      .$type<{ readonly seriesIds: readonly string[]; readonly stopIds: readonly string[] }>()
      .notNull(),
    undoneAt: instant("undone_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("round_change_site_ix").on(t.businessId, t.siteId, t.at),
    foreignKey({
      name: "round_change_site_fk",
      columns: [t.businessId, t.siteId],
      foreignColumns: [site.businessId, site.id],
    }),
    foreignKey({
      name: "round_change_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** The log of visits. Never edited: it is the audit trail. */
export const operation = mysqlTable(
  "operation",
  {
    opId: uuid("op_id").notNull(),
    businessId: uuid("business_id").notNull(),
    visitId: uuid("visit_id").notNull(),
    personId: uuid("person_id").notNull(),
    device: varchar("device", { length: 64 }).notNull(),
    seq: int("seq").notNull(),
    type: varchar("type", { length: 24 }).notNull(),
    body: json("body").$type<unknown>().notNull(),
    /** Device time with its offset, as it was written. */
    deviceAt: varchar("device_at", { length: 40 }).notNull(),
    receivedAt: instant("received_at").notNull(),
    /** Order of arrival within the visit, which is the order between devices. */
    arrival: int("arrival").notNull(),
    status: mysqlEnum("status", ["applied", "waiting", "refused"]).notNull(),
    code: varchar("code", { length: 60 }),
  },
  (t) => [
    primaryKey({ columns: [t.opId] }),
    index("operation_visit_ix").on(t.businessId, t.visitId, t.arrival),
    uniqueIndex("operation_seq_uq").on(t.visitId, t.device, t.seq),
    foreignKey({
      name: "operation_visit_fk",
      columns: [t.businessId, t.visitId],
      foreignColumns: [visit.businessId, visit.id],
    }),
  ],
);
