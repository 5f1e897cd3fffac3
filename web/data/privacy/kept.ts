import type { AnyMySqlColumn, MySqlTable } from "drizzle-orm/mysql-core";
import * as t from "../schema";

/** What stands where a person's own words stood. */
export const ERASED = "erased";

/** Rows of a table that are a person's. */
export interface Kept {
  readonly table: MySqlTable;
  /** The column that holds their id. */
  readonly by: AnyMySqlColumn;
  /** Columns with what they wrote themselves, and what an erasure leaves there; every other column is a fact, and stays. */
  readonly words: Readonly<Record<string, string | null>>;
  /** Rows that go altogether. */
  readonly goes?: true;
}

/**
 * Where a business keeps a person by their id. Every column that can hold one has its line: a test walks the schema.
 * Words in the log of visits are inside its operations (privacy/log.ts).
 */
export const KEPT: readonly Kept[] = [
  { table: t.personAway, by: t.personAway.personId, words: { why: "" } },
  { table: t.animalEvent, by: t.animalEvent.personId, words: { cause: "", remedy: "" } },
  { table: t.photo, by: t.photo.personId, words: { note: "" } },
  { table: t.accessLook, by: t.accessLook.personId, words: {} },
  { table: t.audit, by: t.audit.personId, words: { address: "" } },
  { table: t.deskChange, by: t.deskChange.personId, words: {} },
  { table: t.reading, by: t.reading.personId, words: {} },
  { table: t.readingCorrection, by: t.readingCorrection.personId, words: { why: ERASED } },
  { table: t.finding, by: t.finding.toldBy, words: { text: ERASED } },
  { table: t.letter, by: t.letter.editedBy, words: {} },
  { table: t.reportRun, by: t.reportRun.personId, words: {} },
  { table: t.ownerDay, by: t.ownerDay.personId, words: {} },
  { table: t.dayRequest, by: t.dayRequest.personId, words: { why: "" } },
  { table: t.dayRequest, by: t.dayRequest.answeredBy, words: { answerText: null } },
  { table: t.proposal, by: t.proposal.personId, words: { why: ERASED, ifNot: ERASED } },
  { table: t.proposal, by: t.proposal.answeredBy, words: {} },
  { table: t.pushSubscription, by: t.pushSubscription.personId, words: {}, goes: true },
  { table: t.series, by: t.series.personId, words: {} },
  { table: t.stop, by: t.stop.personId, words: {} },
  { table: t.roundChange, by: t.roundChange.personId, words: {} },
  { table: t.operation, by: t.operation.personId, words: {} },
  { table: t.notice, by: t.notice.personId, words: {} },
  { table: t.calendarFeed, by: t.calendarFeed.madeBy, words: {} },
  { table: t.storeMove, by: t.storeMove.personId, words: { note: "" } },
  { table: t.storeMove, by: t.storeMove.takenBackBy, words: {} },
  { table: t.storeOrder, by: t.storeOrder.orderedBy, words: {} },
  { table: t.importFile, by: t.importFile.personId, words: {} },
  { table: t.archiveImport, by: t.archiveImport.personId, words: {} },
];

/** Columns of a row that are no use to whom they are about: pages and files as bytes, and what is sealed. */
export const NOT_TOLD: readonly string[] = [
  "pdf",
  "html",
  "mark",
  "before",
  "made",
  "endpointHash",
  "p256dh",
  "auth",
  "tokenHash",
  "tokenHashBefore",
];
