import { NOTICES } from "@keel-round/core/sea";
import {
  boolean,
  double,
  foreignKey,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import { civilDate, instant, uuid } from "./columns";
import { business, edited, person, source } from "./desk";

/** Where the firm collects natural sea water, and what it asks of tide and water there. */
export const quay = mysqlTable(
  "quay",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    sourceId: uuid("source_id").notNull(),
    lat: double("lat").notNull(),
    lon: double("lon").notNull(),
    /** The tide station's file, JSON text as it was pasted. */
    station: text("station").notNull(),
    pumpLPerMin: double("pump_l_per_min").notNull(),
    setUpMinutes: int("set_up_minutes").notNull(),
    aboveM: double("above_m"),
    withinMinutes: int("within_minutes"),
    lightOnly: boolean("light_only").notNull().default(true),
    earliestHour: double("earliest_hour").notNull(),
    readyMinutes: int("ready_minutes").notNull(),
    lowestPsu: double("lowest_psu").notNull(),
    warmestC: double("warmest_c").notNull(),
    keepsDays: int("keeps_days").notNull(),
    permission: varchar("permission", { length: 400 }).notNull().default(""),
    permittedUntil: civilDate("permitted_until"),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("quay_business_uq").on(t.businessId, t.id),
    foreignKey({
      name: "quay_source_fk",
      columns: [t.businessId, t.sourceId],
      foreignColumns: [source.businessId, source.id],
    }),
  ],
);

/** Sea water that was collected on a day, as whoever did it looked at it. */
export const seaLot = mysqlTable(
  "sea_lot",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    quayId: uuid("quay_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    litres: double("litres").notNull(),
    salinityPsu: double("salinity_psu"),
    temperatureC: double("temperature_c"),
    notices: mysqlEnum("notices", NOTICES).notNull(),
    permitted: boolean("permitted").notNull(),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("sea_lot_business_uq").on(t.businessId, t.id),
    index("sea_lot_day_ix").on(t.businessId, t.quayId, t.onDate),
    foreignKey({
      name: "sea_lot_quay_fk",
      columns: [t.businessId, t.quayId],
      foreignColumns: [quay.businessId, quay.id],
    }),
  ],
);

/** A message to a tank owner about a visit that was moved. It waits before it leaves, and may be taken back until then. */
export const notice = mysqlTable(
  "notice",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    clientId: uuid("client_id").notNull(),
    /** Who accepted it. */
    personId: uuid("person_id").notNull(),
    /** The change of the round that it tells of. */
    changeId: uuid("change_id").notNull(),
    kind: mysqlEnum("kind", ["moved", "correction"]).notNull(),
    email: varchar("email", { length: 190 }).notNull(),
    subject: varchar("subject", { length: 190 }).notNull(),
    body: text("body").notNull(),
    acceptedAt: instant("accepted_at").notNull(),
    leavesAt: instant("leaves_at").notNull(),
    takenBackAt: instant("taken_back_at"),
    sentAt: instant("sent_at"),
    sendError: varchar("send_error", { length: 400 }),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("notice_change_ix").on(t.businessId, t.changeId),
    index("notice_time_ix").on(t.businessId, t.leavesAt),
    foreignKey({
      name: "notice_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** A calendar that can be read at an address nobody can guess: a person's stops, or a site's visits. */
export const calendarFeed = mysqlTable(
  "calendar_feed",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    kind: mysqlEnum("kind", ["person", "site"]).notNull(),
    ofId: uuid("of_id").notNull(),
    madeBy: uuid("made_by").notNull(),
    madeAt: instant("made_at").notNull(),
    revokedAt: instant("revoked_at"),
    readAt: instant("read_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("calendar_feed_of_ix").on(t.businessId, t.kind, t.ofId),
    foreignKey({
      name: "calendar_feed_person_fk",
      columns: [t.businessId, t.madeBy],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** How long the way between two sites takes, by an imported list or by the log; base is the id of the business. */
export const road = mysqlTable(
  "road",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    fromId: uuid("from_id").notNull(),
    toId: uuid("to_id").notNull(),
    /** By the imported list, minutes; it overrides what was learnt. */
    listedMinutes: double("listed_minutes"),
    /** From the log, minutes, and from how many drives. */
    learntMinutes: double("learnt_minutes"),
    drives: int("drives").notNull().default(0),
    /** Drives that took far longer than they should, alike: a person is asked about them. */
    askedMinutes: double("asked_minutes"),
    /** Somebody put what was learnt aside: the estimate counts. */
    setAside: boolean("set_aside").notNull().default(false),
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("road_way_uq").on(t.businessId, t.fromId, t.toId)],
);
