import type { AttentionItem } from "@keel-round/core/attention";
import { FINDING_KINDS } from "@keel-round/core/given";
import type { LetterContent } from "@keel-round/core/letter";
import type { Condition } from "@keel-round/core/readings";
import { PERIOD_KINDS, type ReportContent } from "@keel-round/core/report";
import type { TankNeeds } from "@keel-round/core/stores";
import type { TroubleCode } from "@keel-round/core/trouble";
import type { Knows } from "@keel-round/core/weeks";
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
import { civilDate, instant, mediumblob, uuid } from "./columns";
import { business, client, person, tank } from "./desk";
import { stop } from "./round";

/** What was measured: the figure as entered and the canonical one derived from it. */
export const reading = mysqlTable(
  "reading",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    /** Who entered it outside of a visit; null for one of a visit, whose log says so, and of an import. */
    personId: uuid("person_id"),
    parameter: varchar("parameter", { length: 24 }).notNull(),
    entered: varchar("entered", { length: 20 }).notNull(),
    unit: varchar("unit", { length: 20 }).notNull(),
    method: varchar("method", { length: 40 }).notNull(),
    value: double("value").notNull(),
    sigma: double("sigma").notNull(),
    /** Of a flow: the filter whose it is, by its name; null for the return's. Of hours: the piece of equipment. */
    item: varchar("item", { length: 120 }),
    /** What it was read with, where that stands in the register, and what was taken off for it. */
    kitId: uuid("kit_id"),
    kitOffset: double("kit_offset"),
    /** How well that is known, one sigma: all readings of the kit are off by it together. */
    kitOffsetSigma: double("kit_offset_sigma"),
    /** Share of the full volume that was there when it was taken: a salinity belongs to a level. */
    levelShare: double("level_share").notNull().default(1),
    takenAt: instant("taken_at").notNull(),
    onDate: civilDate("on_date").notNull(),
    /** The import that brought it in, so that it can be taken back as a whole. */
    importId: uuid("import_id"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("reading_import_ix").on(t.importId),
    index("reading_tank_ix").on(t.businessId, t.tankId, t.takenAt),
    index("reading_kit_ix").on(t.businessId, t.kitId, t.onDate),
    index("reading_visit_ix").on(t.businessId, t.visitId),
    foreignKey({
      name: "reading_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** A reading that was corrected or taken back: what stood there until then. The reading itself is what it really was. */
export const readingCorrection = mysqlTable(
  "reading_correction",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    readingId: uuid("reading_id").notNull(),
    /** Where a visit logged it: its record corrects it. */
    visitId: uuid("visit_id"),
    personId: uuid("person_id").notNull(),
    at: instant("at").notNull(),
    why: varchar("why", { length: 400 }).notNull(),
    parameter: varchar("parameter", { length: 24 }).notNull(),
    /** Whose it is, as the reading's. */
    item: varchar("item", { length: 120 }),
    takenAt: instant("taken_at").notNull(),
    entered: varchar("entered", { length: 20 }).notNull(),
    unit: varchar("unit", { length: 20 }).notNull(),
    value: double("value").notNull(),
    /** Null where it was taken back: nobody measured it. */
    nowEntered: varchar("now_entered", { length: 20 }),
    nowUnit: varchar("now_unit", { length: 20 }),
    nowValue: double("now_value"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("reading_correction_tank_ix").on(t.businessId, t.tankId, t.at),
    index("reading_correction_visit_ix").on(t.businessId, t.visitId),
    foreignKey({
      name: "reading_correction_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
    foreignKey({
      name: "reading_correction_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** Litres that were changed, with what the new water brought. */
export const waterChange = mysqlTable(
  "water_change",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    at: instant("at").notNull(),
    onDate: civilDate("on_date").notNull(),
    outL: double("out_l").notNull(),
    /** Null where nobody counted what was poured, or topped up. */
    inL: double("in_l"),
    topUpL: double("top_up_l"),
    systemL: double("system_l").notNull(),
    share: double("share").notNull(),
    chemistry: json("chemistry").$type<Partial<Record<string, number>>>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("water_change_visit_uq").on(t.visitId),
    index("water_change_tank_ix").on(t.businessId, t.tankId, t.at),
    foreignKey({
      name: "water_change_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** What was noticed, until it is fixed, carried over or handed to the owner. */
export const finding = mysqlTable(
  "finding",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    kind: mysqlEnum("kind", FINDING_KINDS).notNull(),
    text: text("text").notNull(),
    state: mysqlEnum("state", ["open", "fixed", "carried", "owner"]).notNull(),
    dueOn: civilDate("due_on"),
    seenAt: instant("seen_at").notNull(),
    /** What it takes where somebody said so. */
    minutes: double("minutes"),
    /** The owner who told it; null for what was seen on site. */
    toldBy: uuid("told_by"),
    /** It is a trouble that is looked at again, within so many days before or after its day. */
    trouble: varchar("trouble", { length: 40 }).$type<TroubleCode>(),
    giveDays: int("give_days"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("finding_tank_ix").on(t.businessId, t.tankId, t.state),
    foreignKey({
      name: "finding_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** What a job or a step took and how it was found, for minutes and intervals to learn from. */
export const stepLog = mysqlTable(
  "step_log",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    step: varchar("step", { length: 80 }).notNull(),
    onDate: civilDate("on_date").notNull(),
    /** A job that slipped for the third time was decided on: it counts anew from there. */
    outcome: mysqlEnum("outcome", ["done", "skipped", "decided"]).notNull(),
    minutes: double("minutes"),
    dirt: int("dirt"),
    intervalDays: int("interval_days"),
    reason: varchar("reason", { length: 400 }),
    sector: int("sector"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("step_log_tank_ix").on(t.businessId, t.tankId, t.onDate),
    index("step_log_step_ix").on(t.businessId, t.step, t.onDate),
    index("step_log_visit_ix").on(t.businessId, t.visitId),
    foreignKey({
      name: "step_log_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** How far a tank stood below its mark on arrival; evaporation is learnt from it. */
export const levelLog = mysqlTable(
  "level_log",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    visitId: uuid("visit_id"),
    onDate: civilDate("on_date").notNull(),
    belowCm: double("below_cm").notNull(),
    missingL: double("missing_l").notNull(),
    days: int("days"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("level_log_visit_uq").on(t.visitId),
    index("level_log_tank_ix").on(t.businessId, t.tankId, t.onDate),
    foreignKey({
      name: "level_log_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** Something that changed how fast things build up: the fit starts again from here. */
export const tankEvent = mysqlTable(
  "tank_event",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    tankId: uuid("tank_id").notNull(),
    onDate: civilDate("on_date").notNull(),
    text: varchar("text", { length: 190 }).notNull(),
    breaksRate: boolean("breaks_rate").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("tank_event_tank_ix").on(t.businessId, t.tankId, t.onDate),
    foreignKey({
      name: "tank_event_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/** One dot of the strip that shows a tank's readings against its bands. */
export interface BandDot {
  readonly parameter: string;
  readonly place: number;
  readonly standing: "ideal" | "watch" | "act";
}

/** One row a tank, rewritten in the transaction that changed its inputs; lists read nothing else. */
/** What a visit takes, as its plan says: minutes that it is done within mostly, litres on the van, and what one has to know. */
export interface VisitNeeds {
  readonly minutes: number;
  readonly load: { readonly mixL: number; readonly seaL: number; readonly purifiedL: number; readonly wasteL: number };
  readonly knows: readonly Knows[];
  /** Under treatment: after every other stop of the day. */
  readonly keptLast: boolean;
  /** What it takes from the stores, and the visits after it; missing where it was judged by an earlier version. */
  readonly takes?: TankNeeds;
}

export const tankStatus = mysqlTable(
  "tank_status",
  {
    tankId: uuid("tank_id").notNull(),
    businessId: uuid("business_id").notNull(),
    condition: mysqlEnum("condition", ["off", "drifting", "steady", "unknown"]).notNull(),
    why: json("why").$type<Condition>().notNull(),
    dots: json("dots").$type<readonly BandDot[]>().notNull(),
    systemL: double("system_l").notNull(),
    nextDueOn: civilDate("next_due_on"),
    lastVisitOn: civilDate("last_visit_on"),
    /** What the next planned visit takes; null where it was not planned yet. */
    nextVisit: json("next_visit").$type<VisitNeeds | null>(),
    /** What somebody has to see to, the most urgent first; null where it was not judged yet. */
    attention: json("attention").$type<readonly AttentionItem[] | null>(),
    judgedOn: civilDate("judged_on").notNull(),
    coreVersion: int("core_version").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.tankId] }),
    index("tank_status_condition_ix").on(t.businessId, t.condition),
    foreignKey({
      name: "tank_status_tank_fk",
      columns: [t.businessId, t.tankId],
      foreignColumns: [tank.businessId, tank.id],
    }),
  ],
);

/**
 * One letter per client and stop, or report per client and period, and per revision. It keeps its HTML and PDF: what was sent
 * stays as it was.
 */
export const letter = mysqlTable(
  "letter",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    clientId: uuid("client_id").notNull(),
    /** Null of a report. */
    stopId: uuid("stop_id"),
    /** Of a report: the days that it is about. */
    fromOn: civilDate("from_on"),
    untilOn: civilDate("until_on"),
    revision: int("revision").notNull(),
    subject: varchar("subject", { length: 190 }).notNull(),
    html: mediumtext("html").notNull(),
    plain: text("plain").notNull(),
    /** Null until somebody asks for it, of a letter that was never mailed with one. */
    pdf: mediumblob("pdf"),
    /** SHA-256 of the link's token. The token is derived from the server's secret and kept nowhere. */
    tokenHash: varchar("token_hash", { length: 64 }).notNull().unique(),
    /** Of the link under the secret before the one of today: what was mailed with it goes on working. */
    tokenHashBefore: varchar("token_hash_before", { length: 64 }).unique(),
    revokedAt: instant("revoked_at"),
    createdAt: instant("created_at").notNull(),
    queuedAt: instant("queued_at"),
    sentAt: instant("sent_at"),
    openedAt: instant("opened_at"),
    sendError: varchar("send_error", { length: 400 }),
    /** When the mail server of its reader refused it for good. */
    returnedAt: instant("returned_at"),
    /** What it is rendered from; null of one from before that was kept. */
    content: json("content").$type<LetterContent | null>(),
    /** What a report is rendered from. */
    report: json("report").$type<ReportContent | null>(),
    /** As it was written, where somebody has worded it anew. */
    original: json("original").$type<LetterContent | null>(),
    editedBy: uuid("edited_by"),
    editedAt: instant("edited_at"),
    /** When page and PDF were set; before it was edited, they are set anew. */
    setAt: instant("set_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    uniqueIndex("letter_business_uq").on(t.businessId, t.id),
    uniqueIndex("letter_revision_uq").on(t.stopId, t.clientId, t.revision),
    uniqueIndex("letter_report_uq").on(t.clientId, t.fromOn, t.untilOn, t.revision),
    index("letter_time_ix").on(t.businessId, t.createdAt),
    foreignKey({
      name: "letter_client_fk",
      columns: [t.businessId, t.clientId],
      foreignColumns: [client.businessId, client.id],
    }),
    foreignKey({
      name: "letter_stop_fk",
      columns: [t.businessId, t.stopId],
      foreignColumns: [stop.businessId, stop.id],
    }),
  ],
);

/** Reports of one period that somebody asked for: of every client, or of the firm itself, which is kept here. */
export const reportRun = mysqlTable(
  "report_run",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id").notNull(),
    personId: uuid("person_id").notNull(),
    kind: mysqlEnum("kind", PERIOD_KINDS).notNull(),
    fromOn: civilDate("from_on").notNull(),
    untilOn: civilDate("until_on").notNull(),
    state: mysqlEnum("state", ["making", "done", "cancelled", "failed"]).notNull(),
    /** Clients that are gone through, how many were, and of how many a report was made. */
    total: int("total").notNull().default(0),
    gone: int("gone").notNull().default(0),
    made: int("made").notNull().default(0),
    cancelAsked: boolean("cancel_asked").notNull().default(false),
    error: varchar("error", { length: 400 }),
    /** The firm's own. */
    html: mediumtext("html"),
    pdf: mediumblob("pdf"),
    at: instant("at").notNull(),
    doneAt: instant("done_at"),
  },
  (t) => [
    primaryKey({ columns: [t.id] }),
    index("report_run_time_ix").on(t.businessId, t.at),
    foreignKey({
      name: "report_run_person_fk",
      columns: [t.businessId, t.personId],
      foreignColumns: [person.businessId, person.id],
    }),
  ],
);

/** Work for the jobs process: claimed by a conditional update, given back when its lease runs out. */
export const job = mysqlTable(
  "job",
  {
    id: uuid("id").notNull(),
    businessId: uuid("business_id")
      .notNull()
      .references(() => business.id),
    kind: mysqlEnum("kind", [
      "letter",
      "mail",
      "import-check",
      "import-apply",
      "entry",
      "ring",
      "notice",
      "told",
      "report",
      "order",
    ]).notNull(),
    payload: json("payload")
      .$type<{
        readonly stopId?: string;
        readonly letterId?: string;
        readonly importId?: string;
        readonly noticeId?: string;
        /** The reports that are made. */
        readonly runId?: string;
        readonly orderId?: string;
        /** What an owner told, to be mailed to the firm. */
        readonly findingId?: string;
        /** Who is mailed a way in; its secret is made when the mail is. */
        readonly userId?: string;
        /** Whose browsers are rung, and for what. */
        readonly ring?: {
          readonly personId: string;
          readonly label: string;
          readonly tank: string;
          readonly visitId: string;
        };
      }>()
      .notNull(),
    runAt: instant("run_at").notNull(),
    owner: varchar("owner", { length: 64 }),
    leaseUntil: instant("lease_until"),
    attempts: int("attempts").notNull().default(0),
    doneAt: instant("done_at"),
    failedAt: instant("failed_at"),
    error: text("error"),
  },
  (t) => [primaryKey({ columns: [t.id] }), index("job_due_ix").on(t.doneAt, t.failedAt, t.runAt)],
);
