import { addDays, civilOf, instantOf } from "@keel-round/core/calendar";
import { and, eq, gt, isNotNull, isNull, max, or } from "drizzle-orm";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { inTransaction } from "../database/transaction";
import { business, client, letter, visit } from "../schema";
import { findLetter } from "./letters";

const MINUTE_MS = 60_000;

/** Minutes after the close of a visit before which its letter does not leave: a visit closed too early is reopened by then. */
const waitMinutes = (): number => Number(process.env.LETTER_WAIT_MINUTES ?? 30);

/** When a letter may leave: now, or so long after the last visit of its stop was closed; nothing closes for a report. */
async function leavesAt(businessId: string, stopId: string | null, now: Date): Promise<Date> {
  const [firm] = await db()
    .select({ hour: business.letterHour, zone: business.zone })
    .from(business)
    .where(eq(business.id, businessId));
  const [row] = stopId
    ? await db()
        .select({ closedAt: max(visit.closedAt) })
        .from(visit)
        .where(and(eq(visit.businessId, businessId), eq(visit.stopId, stopId)))
    : [];
  const earliest = row?.closedAt ? row.closedAt.getTime() + waitMinutes() * MINUTE_MS : 0;
  const from = Math.max(now.getTime(), earliest);
  return new Date(firm?.hour == null ? from : nextHour(from, firm.hour, firm.zone));
}

/** The first time from a moment on at which a firm's clock shows an hour. */
function nextHour(from: number, hour: number, zone: string): number {
  const { date } = civilOf(from, zone);
  const today = instantOf(date, hour * 60, zone);
  return today >= from ? today : instantOf(addDays(date, 1), hour * 60, zone);
}

/** Puts a letter into the mail, once. */
async function letGo(businessId: string, letterId: string, stopId: string | null, now: Date): Promise<void> {
  const queuedAt = await leavesAt(businessId, stopId, now);
  await inTransaction(async (tx) => {
    const [taken] = await tx
      .update(letter)
      .set({ queuedAt, returnedAt: null, sendError: null })
      .where(and(eq(letter.id, letterId), or(isNull(letter.queuedAt), isNotNull(letter.returnedAt))));
    if (taken.affectedRows === 1)
      await enqueue(tx, businessId, "mail", { letterId }, queuedAt.getTime() - now.getTime());
  });
}

/** Takes a letter that waits to leave out of the mail again. */
export async function callBackLetter(scope: Scope, letterId: string, now: Date): Promise<void> {
  await findLetter(scope, letterId);
  const [back] = await db()
    .update(letter)
    .set({ queuedAt: null })
    .where(and(eq(letter.id, letterId), gt(letter.queuedAt, now), isNull(letter.sentAt)));
  if (back.affectedRows === 0) throw new Refused(409, "on-its-way", "This letter is on its way already.");
}

/** Queues a letter to be mailed to its client. */
export async function queueLetter(scope: Scope, letterId: string, now: Date): Promise<void> {
  const row = await findLetter(scope, letterId);
  if (row.queuedAt && !row.returnedAt) throw new Refused(409, "already-queued", "This letter is already on its way.");
  const [to] = await db()
    .select({ name: client.name, lettersBy: client.lettersBy })
    .from(client)
    .where(and(eq(client.businessId, scope.businessId), eq(client.id, row.clientId)));
  if (to?.lettersBy === "none")
    throw new Refused(
      409,
      "not-mailed",
      `${to.name} wants letters kept here and not mailed. The desk can change that; the page can be printed.`,
    );
  if (isBeingSet(row)) throw new Refused(409, "being-set", "The page is being set anew: send it in a moment.");
  await letGo(scope.businessId, letterId, row.stopId, now);
}

/** Whether somebody has worded a letter anew and its page and PDF are not set yet. */
export const isBeingSet = ({ editedAt, setAt }: Pick<typeof letter.$inferSelect, "editedAt" | "setAt">): boolean =>
  editedAt !== null && (setAt === null || setAt < editedAt);

/** What the mail of a letter needs. */
export async function letterMail(businessId: string, letterId: string) {
  const [row] = await db()
    .select({
      letter,
      to: client.email,
      contact: client.contact,
      contacts: client.contacts,
      lettersBy: client.lettersBy,
      from: business.mailFrom,
      businessName: business.name,
    })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .innerJoin(business, eq(business.id, letter.businessId))
    .where(and(eq(letter.businessId, businessId), eq(letter.id, letterId)));
  return row ?? null;
}

/** What became of a letter's mail: it left, it was not sent yet, or the reader's mail server refused it for good. */
export type MailOutcome =
  | { readonly sentAt: Date }
  | { readonly sendError: string }
  | { readonly sendError: string; readonly returnedAt: Date };

/** Notes what became of a letter's mail. */
export async function noteMail(letterId: string, outcome: MailOutcome): Promise<void> {
  await db()
    .update(letter)
    .set(
      "sentAt" in outcome
        ? { sentAt: outcome.sentAt, sendError: null, returnedAt: null }
        : { ...outcome, sendError: outcome.sendError.slice(0, 400) },
    )
    .where(eq(letter.id, letterId));
}

/** Sends a letter where letters leave by themselves: the client's word first, then the firm's. */
export async function sendByItself(businessId: string, letterId: string, now: Date): Promise<void> {
  const [row] = await db()
    .select({ way: client.letterWay, ofFirm: business.letterWay, lettersBy: client.lettersBy, stopId: letter.stopId })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .innerJoin(business, eq(business.id, letter.businessId))
    .where(and(eq(letter.businessId, businessId), eq(letter.id, letterId)));
  if (!row || row.lettersBy === "none") return;
  if ((row.way === "as-firm" ? row.ofFirm : row.way) !== "by-itself") return;
  await letGo(businessId, letterId, row.stopId, now);
}
