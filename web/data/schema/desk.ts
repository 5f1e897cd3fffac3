import type { Retention, Windows } from "@keel-round/core/desk";
import type { DailyLimits, SourceFacts } from "@keel-round/core/given";
import type { Phrase, Voice } from "@keel-round/core/letter";
import type { Cadence, FirmJob, Pin } from "@keel-round/core/programme";
import type { BusyHours, OpenDate } from "@keel-round/core/series";
import type { KeptFacts, KindFacts as LibraryKind } from "@keel-round/core/tank";
import type { UnitPreference } from "@keel-round/core/units";
import { PHOTO_SPOTS } from "@keel-round/core/visit";
import type { Knows, Weights } from "@keel-round/core/weeks";
import {
  boolean,
  double,
  foreignKey,
  index,
  int,
  json,
  mediumtext,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  text,
  uniqueIndex,
  varchar,
} from "drizzle-orm/mysql-core";
import { organization, user } from "./auth";
import { civilDate, instant, mediumblob, uuid } from "./columns";

type KindFacts = Omit<LibraryKind, "label">;

/** Columns of what is edited at the desk. */
export const edited = {
  /** Raised by every edit at the desk; a save that names an older one is stale. */
  version: int("version").notNull().default(1),
  archivedAt: instant("archived_at"),
};

/** What the firm sets for itself. Its id is the organization's. */
export const business = mysqlTable("business", {
  id: uuid("id")
    .primaryKey()
    .references(() => organization.id),
  name: varchar("name", { length: 120 }).notNull(),
  zone: varchar("zone", { length: 60 }).notNull(),
  phone: varchar("phone", { length: 40 }).notNull(),
  mailFrom: varchar("mail_from", { length: 190 }).notNull(),
  lat: double("lat").notNull(),
  lon: double("lon").notNull(),
  roadFactor: double("road_factor").notNull(),
  speedKmH: double("speed_km_h").notNull(),
  limits: json("limits").$type<DailyLimits>().notNull(),
  /** The last day the recurring stops are laid out to. */
  laidOutTo: civilDate("laid_out_to"),
  /** Days for which the link of a letter works. */
  letterDays: int("letter_days").notNull().default(365),
  /** Public holidays, by date. */
  holidays: json("holidays").$type<readonly Holiday[]>().notNull().default([]),
  /** The firm's own map, GeoJSON text; null without one. */
  map: mediumtext("map"),
  /** How letters speak; null for the usual voice. */
  voice: json("voice").$type<Voice | null>(),
  /** The firm's mark above its letters, a PNG; null without one. */
  mark: mediumblob("mark"),
  /** What was said in the firm's own words, how often, and whether it is said so from now on. */
  phrases: json("phrases").$type<readonly FirmPhrase[]>().notNull().default([]),
  /** Letters leave when somebody sends them, or by themselves. */
  letterWay: mysqlEnum("letter_way", ["by-hand", "by-itself"]).notNull().default("by-hand"),
  /** The hour at which letters leave; null for at once. */
  letterHour: int("letter_hour"),
  /** What a settled round is weighed by, where the firm has set it. */
  weights: json("weights").$type<Partial<Weights> | null>(),
  /** Everybody who works here signs in with a second factor. */
  asksSecondFactor: boolean("asks_second_factor").notNull().default(false),
  /** How long what is kept about people is kept; null for the usual times. */
  retention: json("retention").$type<Retention | null>(),
});

/** A phrase of the firm's own. */
export interface FirmPhrase extends Phrase {
  readonly times: number;
  /** Null until it was decided on. */
  readonly adopted: boolean | null;
}

/** A public holiday. */
export interface Holiday {
  readonly on: string;
  readonly name: string;
}

/** Somebody at a client beside the one who is written to first. */
export interface Contact {
  readonly name: string;
  readonly role: string;
  readonly phone: string;
  readonly email: string;
  /** Gets a copy of every letter. */
  readonly letters: boolean;
}

export const client = mysqlTable(
  "client",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    contact: varchar("contact", { length: 120 }).notNull(),
    email: varchar("email", { length: 190 }).notNull(),
    phone: varchar("phone", { length: 40 }).notNull().default(""),
    lettersBy: mysqlEnum("letters_by", ["mail-pdf", "mail-link", "none"]).notNull().default("mail-pdf"),
    /** Whether their letters leave by themselves; as the firm's do where nothing is said. */
    letterWay: mysqlEnum("letter_way", ["as-firm", "by-hand", "by-itself"]).notNull().default("as-firm"),
    /** Language, dates, numbers and units of what they are written: a BCP 47 tag. */
    locale: varchar("locale", { length: 20 }).notNull().default("en-GB"),
    /** Whether they agreed that it is noted when a letter is opened. */
    opensNoted: boolean("opens_noted").notNull().default(false),
    notes: text("notes").notNull().default(""),
    contacts: json("contacts").$type<readonly Contact[]>().notNull().default([]),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("client_business_uq").on(t.businessId, t.id)],
);

export const person = mysqlTable(
  "person",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    userId: uuid("user_id").references(() => user.id),
    /** An owner of tanks belongs to a client. */
    clientId: uuid("client_id"),
    name: varchar("name", { length: 120 }).notNull(),
    role: mysqlEnum("role", ["office", "lead", "technician", "tankOwner"]).notNull(),
    units: json("units").$type<UnitPreference>().notNull(),
    dayStartMinute: int("day_start_minute").notNull(),
    dayEndMinute: int("day_end_minute").notNull(),
    vanKg: double("van_kg").notNull(),
    /** Litres and barrels that the van takes; null where only its weight counts. */
    vanL: double("van_l"),
    vanBarrels: int("van_barrels"),
    /** What the van carries on any day. */
    vanKit: json("van_kit").$type<readonly string[]>().notNull().default([]),
    /** How much slower than the firm's usual this person works, learnt from the log; 1 as long as nothing is known. */
    pace: double("pace").notNull().default(1),
    /** Days of the week on which they work, 1 for Monday; null for all. */
    workdays: json("workdays").$type<readonly number[] | null>(),
    /** What they do; null for all there is. */
    knows: json("knows").$type<readonly Knows[] | null>(),
    /** When they left the firm. Their name stays on what they did. */
    leftAt: instant("left_at"),
    /** When their name and words were erased; what they measured and did stays. */
    erasedAt: instant("erased_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("person_business_uq").on(t.businessId, t.id),
    uniqueIndex("person_user_uq").on(t.businessId, t.userId),
    foreignKey({
      name: "person_client_fk",
      columns: [t.businessId, t.clientId],
      foreignColumns: [client.businessId, client.id],
    }),
  ],
);

/** When somebody is not there: ill, on holiday, their van in repair. */
export const personAway = mysqlTable(
  "person_away",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    fromOn: civilDate("from_on").notNull(),
    untilOn: civilDate("until_on").notNull(),
    why: varchar("why", { length: 120 }).notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("person_away_ix").on(t.businessId, t.personId, t.untilOn),
    foreignKey({
      name: "person_away_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

export const site = mysqlTable(
  "site",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    clientId: uuid("client_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    address: varchar("address", { length: 190 }).notNull(),
    lat: double("lat").notNull(),
    lon: double("lon").notNull(),
    windows: json("windows").$type<Windows>().notNull(),
    /** Days on which it is closed, or open at other hours. */
    dates: json("dates").$type<readonly OpenDate[]>().notNull().default([]),
    /** When somebody else works there: nobody comes then. */
    busy: json("busy").$type<readonly BusyHours[]>().notNull().default([]),
    /** Closed on the firm's public holidays; null where nobody was asked. */
    holidays: boolean("holidays"),
    drain: mysqlEnum("drain", ["sewer", "septic", "garden"]).notNull(),
    access: text("access").notNull(),
    /** Minutes to unload, reach the tank and load again. */
    setUpMinutes: int("set_up_minutes").notNull(),
    bucketL: double("bucket_l").notNull(),
    askFor: varchar("ask_for", { length: 120 }).notNull().default(""),
    parking: varchar("parking", { length: 190 }).notNull().default(""),
    stairs: int("stairs"),
    pets: varchar("pets", { length: 190 }).notNull().default(""),
    drainDistanceM: double("drain_distance_m"),
    drainDropM: double("drain_drop_m"),
    tapDistanceM: double("tap_distance_m"),
    /** Null where nobody was asked yet, as after an import: then none is counted on. */
    hotWater: boolean("hot_water"),
    floors: varchar("floors", { length: 190 }).notNull().default(""),
    /** Door and alarm codes, encrypted; each look is a row of `accessLook`. */
    accessCodes: varchar("access_codes", { length: 1000 }),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("site_business_uq").on(t.businessId, t.id),
    foreignKey({
      name: "site_client_fk",
      columns: [t.businessId, t.clientId],
      foreignColumns: [client.businessId, client.id],
    }),
  ],
);

/** Water that tanks are filled with: a site's tap, the purifier, the sea, a mix. */
export const source = mysqlTable(
  "source",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    name: varchar("name", { length: 120 }).notNull(),
    /** The one site it comes from; null for water that the firm brings. */
    siteId: uuid("site_id"),
    facts: json("facts").$type<SourceFacts>().notNull(),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("source_business_uq").on(t.businessId, t.id),
    foreignKey({
      name: "source_site_fk",
      columns: [t.businessId, t.siteId],
      foreignColumns: [site.businessId, site.id],
    }),
  ],
);

/** What the firm begins a tank of a kind with: its own copy of the library's figures. */
export const tankKind = mysqlTable(
  "tank_kind",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    code: varchar("code", { length: 40 }).notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    facts: json("facts").$type<KindFacts>().notNull(),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("tank_kind_code_uq").on(t.businessId, t.code)],
);

/** A salt's figure, moved by verified batches. */
export const saltBatch = mysqlTable(
  "salt_batch",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    sourceId: uuid("source_id").notNull(),
    visitId: uuid("visit_id"),
    at: instant("at").notNull(),
    litres: double("litres").notNull(),
    grams: double("grams").notNull(),
    measuredPsu: double("measured_psu").notNull(),
    /** Grams per litre that this batch alone gives, and what the salt was planned with afterwards. */
    batchGPerL: double("batch_g_per_l").notNull(),
    learntGPerL: double("learnt_g_per_l").notNull(),
    /** A person confirmed that an unlikely figure is right. */
    confirmed: boolean("confirmed").notNull(),
    questioned: boolean("questioned").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("salt_batch_visit_uq").on(t.visitId),
    index("salt_batch_source_ix").on(t.businessId, t.sourceId, t.at),
    foreignKey({
      name: "salt_batch_source_fk",
      columns: [t.businessId, t.sourceId],
      foreignColumns: [source.businessId, source.id],
    }),
  ],
);

/** When a job that belongs to the firm's own purifier was last done, and what was measured with it. */
export const purifierJob = mysqlTable(
  "purifier_job",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    sourceId: uuid("source_id").notNull(),
    code: varchar("code", { length: 60 }).notNull(),
    lastDoneOn: civilDate("last_done_on").notNull(),
    tdsMgL: double("tds_mg_l"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("purifier_job_uq").on(t.businessId, t.sourceId, t.code),
    foreignKey({
      name: "purifier_job_source_fk",
      columns: [t.businessId, t.sourceId],
      foreignColumns: [source.businessId, source.id],
    }),
  ],
);

/** A job of the programme library as the firm has it: its own copy of a library job, or one of its own. */
export const firmJob = mysqlTable(
  "firm_job",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    code: varchar("code", { length: 60 }).notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    facts: json("facts").$type<FirmJob>().notNull(),
    ...edited,
  },
  (t) => [primaryKey({ columns: [t.id] }), uniqueIndex("firm_job_code_uq").on(t.businessId, t.code)],
);

export const tank = mysqlTable(
  "tank",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    siteId: uuid("site_id").notNull(),
    sourceId: uuid("source_id").notNull(),
    topUpSourceId: uuid("top_up_source_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    kind: varchar("kind", { length: 40 }).notNull(),
    facts: json("facts").$type<KeptFacts>().notNull(),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("tank_business_uq").on(t.businessId, t.id),
    index("tank_site_ix").on(t.businessId, t.siteId),
    foreignKey({ name: "tank_site_fk", columns: [t.businessId, t.siteId], foreignColumns: [site.businessId, site.id] }),
    foreignKey({
      name: "tank_source_fk",
      columns: [t.businessId, t.sourceId],
      foreignColumns: [source.businessId, source.id],
    }),
    foreignKey({
      name: "tank_top_up_fk",
      columns: [t.businessId, t.topUpSourceId],
      foreignColumns: [source.businessId, source.id],
    }),
  ],
);

/** Animals counted together. What happens to them is in `animalEvent`; the count follows from it. */
export const animal = mysqlTable(
  "animal",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    count: int("count").notNull(),
    hazard: mysqlEnum("hazard", ["sting", "spine", "bite", "toxin"]),
    since: civilDate("since"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    /** Place in the tank's list, the first named first. */
    position: int("position").notNull().default(0),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("animal_business_uq").on(t.businessId, t.id),
    index("animal_tank_ix").on(t.businessId, t.tankId),
    foreignKey({
      name: "animal_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** What happened to a group of animals. Losses are data. */
export const animalEvent = mysqlTable(
  "animal_event",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    animalId: uuid("animal_id").notNull(),
    personId: uuid("person_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    kind: mysqlEnum("kind", ["added", "born", "lost", "moved-out", "counted"]).notNull(),
    /** How many; of a count, how many there are. */
    number: int("number").notNull(),
    countAfter: int("count_after").notNull(),
    /** How many there were before; null of events of earlier versions. */
    countBefore: int("count_before"),
    /** The visit whose log says so; null of what was entered at the desk. */
    visitId: uuid("visit_id"),
    cause: varchar("cause", { length: 190 }).notNull().default(""),
    /** What was done about a loss. */
    remedy: varchar("remedy", { length: 190 }).notNull().default(""),
    at: instant("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("animal_event_ix").on(t.businessId, t.animalId, t.onDate),
    foreignKey({
      name: "animal_event_animal_fk",
      columns: [t.businessId, t.animalId],
      foreignColumns: [animal.businessId, animal.id],
    }),
  ],
);

/** Equipment of a tank and the rules of its life. */
export const equipment = mysqlTable(
  "equipment",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    name: varchar("name", { length: 120 }).notNull(),
    kind: varchar("kind", { length: 24 }).notNull(),
    installedOn: civilDate("installed_on").notNull(),
    hoursPerDay: double("hours_per_day"),
    serviceEveryDays: int("service_every_days"),
    lastServicedOn: civilDate("last_serviced_on"),
    meterHours: double("meter_hours"),
    meterOn: civilDate("meter_on"),
    replaceAfterDays: int("replace_after_days"),
    replaceAfterHours: int("replace_after_hours"),
    watts: double("watts"),
    notes: varchar("notes", { length: 400 }).notNull().default(""),
    ...edited,
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("equipment_business_uq").on(t.businessId, t.id),
    index("equipment_tank_ix").on(t.businessId, t.tankId),
    foreignKey({
      name: "equipment_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** A picture of a tank. Its file lies under the business by this id; the row says what it must be. */
export const photo = mysqlTable(
  "photo",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    personId: uuid("person_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    at: instant("at").notNull(),
    note: varchar("note", { length: 190 }).notNull().default(""),
    /** Where it was taken in; null for one that was added at the desk. */
    visitId: uuid("visit_id"),
    spot: mysqlEnum("spot", PHOTO_SPOTS).notNull().default("tank"),
    /** The step, the finding or the group of animals that it shows; empty for the tank. */
    spotId: varchar("spot_id", { length: 80 }).notNull().default(""),
    width: int("width").notNull(),
    height: int("height").notNull(),
    bytes: int("bytes").notNull(),
    sha256: varchar("sha256", { length: 64 }).notNull(),
    /** Who agreed that the picture is shown to others, and when; null where nobody did. */
    useAgreedBy: varchar("use_agreed_by", { length: 120 }),
    useAgreedOn: civilDate("use_agreed_on"),
    archivedAt: instant("archived_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("photo_tank_ix").on(t.businessId, t.tankId, t.onDate),
    foreignKey({
      name: "photo_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
    foreignKey({
      name: "photo_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** Who looked at the codes of a site, and when. Never edited. */
export const accessLook = mysqlTable(
  "access_look",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    siteId: uuid("site_id").notNull(),
    personId: uuid("person_id").notNull(),
    at: instant("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("access_look_site_ix").on(t.businessId, t.siteId, t.at),
    foreignKey({
      name: "access_look_site_fk",
      columns: [t.businessId, t.siteId],
      foreignColumns: [site.businessId, site.id],
    }),
  ],
);

/** A job of a tank's programme. Its code names a job of the library or of the firm. */
export const task = mysqlTable(
  "task",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    code: varchar("code", { length: 60 }).notNull(),
    everyDays: int("every_days").notNull(),
    giveDays: int("give_days").notNull(),
    /** Where it may come other days early than late. */
    earlyDays: int("early_days"),
    lastDoneOn: civilDate("last_done_on").notNull(),
    /** Nobody is known to have done it: the day is only where counting began. */
    begun: boolean("begun").notNull().default(false),
    slips: int("slips").notNull().default(0),
    lastSkipReason: varchar("last_skip_reason", { length: 400 }),
    lastSector: int("last_sector").notNull().default(0),
    /** This tank's own, where they differ from the job's. */
    cadence: json("cadence").$type<Cadence | null>(),
    performer: mysqlEnum("performer", ["technician", "owner"]),
    minutes: double("minutes"),
    /** The visit that somebody put it on, and the one it was laid on with the other long jobs of its site. */
    pin: json("pin").$type<Pin | null>(),
    plannedOn: civilDate("planned_on"),
    /** Taken out of the programme; kept, so that it can come back with its history. */
    removedAt: instant("removed_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("task_code_uq").on(t.businessId, t.tankId, t.code),
    foreignKey({ name: "task_tank_fk", columns: [t.businessId, t.tankId], foreignColumns: [tank.businessId, tank.id] }),
  ],
);

/** Who changed what at the desk: old and new, written in the transaction of the change. */
export const deskChange = mysqlTable(
  "desk_change",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** The save, import or undo that this was a part of: undone as one. */
    batchId: uuid("batch_id").notNull(),
    entity: varchar("entity", { length: 40 }).notNull(),
    entityId: uuid("entity_id").notNull(),
    at: instant("at").notNull(),
    field: varchar("field", { length: 80 }).notNull(),
    old: json("old").$type<unknown>(),
    new: json("new").$type<unknown>(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("desk_change_entity_ix").on(t.businessId, t.entityId, t.at),
    index("desk_change_batch_ix").on(t.businessId, t.batchId),
    index("desk_change_time_ix").on(t.businessId, t.at),
    foreignKey({
      name: "desk_change_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);
