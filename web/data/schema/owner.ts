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
import { person, tank } from "./desk";
import { stop } from "./round";

/** What was done of the owner's own list of a tank on a day; the last save of the day stands. */
export const ownerDay = mysqlTable(
  "owner_day",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    personId: uuid("person_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    /** Codes of the jobs that are ticked. */
    done: json("done").$type<readonly string[]>().notNull(),
    topUpL: double("top_up_l"),
    /** The temperature is a reading like any other. */
    readingId: uuid("reading_id"),
    at: instant("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("owner_day_uq").on(t.businessId, t.tankId, t.onDate),
    foreignKey({
      name: "owner_day_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
    foreignKey({
      name: "owner_day_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** An owner asks for another day of a visit. */
export const dayRequest = mysqlTable(
  "day_request",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    stopId: uuid("stop_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** The day of the visit when it was asked. */
    insteadOf: civilDate("instead_of").notNull(),
    /** Null where any other day will do. */
    wishedOn: civilDate("wished_on"),
    why: varchar("why", { length: 400 }).notNull().default(""),
    at: instant("at").notNull(),
    answer: mysqlEnum("answer", ["moved", "kept"]),
    answerText: varchar("answer_text", { length: 400 }),
    answeredBy: uuid("answered_by"),
    answeredAt: instant("answered_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("day_request_stop_ix").on(t.businessId, t.stopId),
    foreignKey({
      name: "day_request_stop_fk",
      columns: [t.businessId, t.stopId],
      foreignColumns: [stop.businessId, stop.id],
    }),
    foreignKey({
      name: "day_request_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** Extra work, equipment or animals that a firm proposes to an owner, and what they answered. */
export const proposal = mysqlTable(
  "proposal",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    personId: uuid("person_id").notNull(),
    what: varchar("what", { length: 120 }).notNull(),
    why: varchar("why", { length: 400 }).notNull(),
    ifNot: varchar("if_not", { length: 400 }).notNull(),
    minutes: int("minutes").notNull(),
    madeAt: instant("made_at").notNull(),
    withdrawnAt: instant("withdrawn_at"),
    answer: mysqlEnum("answer", ["agreed", "declined"]),
    answeredBy: uuid("answered_by"),
    answeredAt: instant("answered_at"),
    /** What an agreed one is on the plan. */
    findingId: uuid("finding_id"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("proposal_tank_ix").on(t.businessId, t.tankId),
    foreignKey({
      name: "proposal_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
    foreignKey({
      name: "proposal_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);
