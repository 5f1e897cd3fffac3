import { createHash, createHmac } from "node:crypto";
import { addDays, civilOf, clockText, instantOf, longDate, MINUTES_A_DAY } from "@keel-round/core/calendar";
import { conditionOf, programmeOn } from "@keel-round/core/given";
import {
  closing,
  greeting,
  inVoice,
  type LetterContent,
  type LetterTank,
  letterFor,
  nameOf,
  USUAL_VOICE,
  withPhrases,
  wordingAfter,
} from "@keel-round/core/letter";
import { say } from "@keel-round/core/say";
import { METRIC, type Parameter } from "@keel-round/core/units";
import { visitState } from "@keel-round/core/visit";
import { and, asc, desc, eq, gt, gte, isNotNull, isNull, like, lt, lte, max, ne, or, type SQL, sql } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { writeEntries } from "../find/entries";
import { keptPlan } from "../plan/keptPlan";
import { loadPlanInputs } from "../plan/planInputs";
import { loadRound } from "../round/round";
import { business, client, letter, person, reading, site, stop, visit } from "../schema";
import { appliedOps } from "../visit/operations";

function secret(): string {
  const value = process.env.BETTER_AUTH_SECRET;
  if (!value) throw new Error("BETTER_AUTH_SECRET is not set.");
  return value;
}

/** The unguessable part of a letter's link. Derived, so that it is stored nowhere. */
export function letterToken(letterId: string): string {
  return createHmac("sha256", secret()).update(`letter:${letterId}`).digest("base64url");
}

/** What is kept of a letter's link. */
export const letterTokenHash = (letterId: string): string => hashOf(letterToken(letterId));

const hashOf = (token: string) => createHash("sha256").update(token).digest("hex");

/** Gathers what the letter of a closed stop says; null while a visit of it is still open. */
export async function letterContent(
  businessId: string,
  stopId: string,
): Promise<(LetterContent & { clientId: string; letterId: string }) | null> {
  const q = db();
  const [head] = await q
    .select({ stop, site, client, business, person })
    .from(stop)
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .innerJoin(business, eq(business.id, stop.businessId))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(and(eq(stop.businessId, businessId), eq(stop.id, stopId)));
  if (!head) return null;
  const visits = await q
    .select()
    .from(visit)
    .where(and(eq(visit.businessId, businessId), eq(visit.stopId, stopId), ne(visit.state, "off")));
  if (visits.length === 0 || visits.some((v) => v.state !== "closed")) return null;

  const on = head.stop.onDate;
  const inputs = await loadPlanInputs(
    q,
    businessId,
    visits.map((v) => ({ visitId: v.tankId, tankId: v.tankId, on })),
  );
  const [nextStop] = await q
    .select()
    .from(stop)
    .where(and(eq(stop.businessId, businessId), eq(stop.siteId, head.site.id), gt(stop.onDate, on), isNull(stop.off)))
    .orderBy(asc(stop.onDate))
    .limit(1);
  const about = nextStop ? await arrivalAt(businessId, head.stop.personId, nextStop.onDate, nextStop.id) : null;

  const wording = wordingAfter(await letterBefore(businessId, head.site.id, on), METRIC);
  const tanks: LetterTank[] = [];
  for (const v of visits) {
    const input = inputs.get(v.tankId);
    const plan = keptPlan(v.plan);
    if (!input || !plan) continue;
    const state = visitState(await appliedOps(q, businessId, v.id));
    const earlier = await q
      .select()
      .from(reading)
      .where(and(eq(reading.businessId, businessId), eq(reading.tankId, v.tankId), lt(reading.onDate, on)))
      .orderBy(desc(reading.takenAt))
      .limit(120);
    const previous: Partial<Record<Parameter, { value: number; on: string }>> = {};
    for (const r of earlier) previous[r.parameter as Parameter] ??= { value: r.value, on: r.onDate };
    tanks.push(
      letterFor({
        facts: input.facts,
        plan,
        state,
        condition: conditionOf(input),
        previous,
        tasks: programmeOn(input, true),
        on,
        phone: head.business.phone,
        units: METRIC,
        wording,
      }),
    );
  }
  const [{ last } = { last: null }] = await q
    .select({ last: max(letter.revision) })
    .from(letter)
    .where(and(eq(letter.businessId, businessId), eq(letter.stopId, stopId)));
  const { contact } = head.client;
  const written = {
    ...{ letterId: newId(), clientId: head.client.id, business: head.business.name, date: longDate(on) },
    greeting: say(greeting(contact), METRIC),
    ...{ siteName: head.site.name, tanks, signedBy: head.person.name, revision: (last ?? 0) + 1 },
    close: say(closing(nextStop ? { on: nextStop.onDate, about } : null, head.business.phone), METRIC),
  };
  const own = head.business.phrases.filter((p) => p.adopted);
  return inVoice(withPhrases(written, own), head.business.voice ?? USUAL_VOICE, nameOf(contact));
}

/** What the letter of the visit before said to a site, as plain text; empty where there was none. */
async function letterBefore(businessId: string, siteId: string, on: string): Promise<string> {
  const [before] = await db()
    .select({ plain: letter.plain })
    .from(letter)
    .innerJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .where(and(eq(letter.businessId, businessId), eq(stop.siteId, siteId), lt(stop.onDate, on)))
    .orderBy(desc(stop.onDate), desc(letter.revision))
    .limit(1);
  return before?.plain ?? "";
}

/** About when a stop is reached on its day, as the plan stands now. */
export async function arrivalAt(
  businessId: string,
  personId: string,
  on: string,
  stopId: string,
): Promise<string | null> {
  const { day } = await loadRound({ businessId, units: METRIC }, personId, on);
  const at = day.stops.find((s) => s.stop.id === stopId)?.start;
  if (at === undefined) return null;
  const minute = Math.round(at / 5) * 5;
  // A day that is laid out past midnight is moved before it comes: no owner is told such an hour.
  if (minute >= MINUTES_A_DAY) return null;
  return clockText(minute);
}

/** Stores a rendered letter. */
export async function storeLetter(
  businessId: string,
  stopId: string,
  content: LetterContent & { letterId: string; clientId: string },
  rendered: { subject: string; html: string; plain: string; pdf: Buffer },
  now: Date,
): Promise<void> {
  const [last] = await db()
    .select({ plain: letter.plain })
    .from(letter)
    .where(and(eq(letter.businessId, businessId), eq(letter.stopId, stopId)))
    .orderBy(desc(letter.revision))
    .limit(1);
  // Two tanks closed at once ask twice; only what reads differently is a new revision.
  if (last?.plain === rendered.plain) return;
  const { letterId, clientId, ...said } = content;
  await db()
    .insert(letter)
    .values({
      ...{ id: letterId, businessId, clientId, stopId, revision: content.revision },
      ...rendered,
      tokenHash: hashOf(letterToken(letterId)),
      ...{ content: said, createdAt: now, setAt: now },
    });
  await writeEntries(db(), businessId, { entity: "letter", ids: [letterId] });
  await sendByItself(businessId, letterId, now);
}

/** Sends a letter of a firm whose letters leave by themselves. */
async function sendByItself(businessId: string, letterId: string, now: Date): Promise<void> {
  const [row] = await db()
    .select({ way: business.letterWay, lettersBy: client.lettersBy, stopId: letter.stopId })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .innerJoin(business, eq(business.id, letter.businessId))
    .where(and(eq(letter.businessId, businessId), eq(letter.id, letterId)));
  if (row?.way !== "by-itself" || row.lettersBy === "none") return;
  await letGo(businessId, letterId, row.stopId, now);
}

const DAY_MS = 86_400_000;

/** A letter by the token of its link; null if there is none, it was revoked, or is older than the firm lets links work. */
export async function letterByToken(token: string, now = new Date()): Promise<typeof letter.$inferSelect | null> {
  const [row] = await db()
    .select({ letter, days: business.letterDays })
    .from(letter)
    .innerJoin(business, eq(business.id, letter.businessId))
    .where(eq(letter.tokenHash, hashOf(token)));
  if (!row || row.letter.revokedAt) return null;
  const since = row.letter.sentAt ?? row.letter.createdAt;
  return now.getTime() - since.getTime() > row.days * DAY_MS ? null : row.letter;
}

/** Takes the link of a letter back, or lets it work again. The letter itself stays. */
export async function setRevoked(scope: Scope, letterId: string, revoked: boolean, now: Date): Promise<void> {
  const row = await findLetter(scope, letterId);
  if (scope.role === "tankOwner") throw notFound("letter");
  await db()
    .update(letter)
    .set({ revokedAt: revoked ? (row.revokedAt ?? now) : null })
    .where(eq(letter.id, letterId));
}

/** An owner of tanks sees what was sent to them; the firm sees what it has written as well. */
const sentTo = (scope: Scope) => (scope.role === "tankOwner" ? isNotNull(letter.sentAt) : undefined);

/** Notes the first time a letter was opened by its link: by anybody but the firm that wrote it, and only where its client agreed. */
export async function noteOpened(
  { id: letterId, businessId }: Pick<typeof letter.$inferSelect, "id" | "businessId">,
  reader: Scope | null,
  now: Date,
): Promise<void> {
  if (reader && reader.businessId === businessId && reader.role !== "tankOwner") return;
  const [to] = await db()
    .select({ agreed: client.opensNoted })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .where(eq(letter.id, letterId));
  if (!to?.agreed) return;
  await db()
    .update(letter)
    .set({ openedAt: now })
    .where(and(eq(letter.id, letterId), isNull(letter.openedAt)));
}

/** Where letters are on their way. */
export const LETTER_STATES = ["to-read", "waiting", "sent", "opened", "not-sent"] as const;
type LetterState = (typeof LETTER_STATES)[number];

/** Which letters are looked at. */
export const LetterQuerySchema = z.object({
  /** Of a client, a site, or a word of the subject. */
  q: z.string().trim().max(120).catch(""),
  state: z.enum(LETTER_STATES).nullable().catch(null),
  year: z.coerce.number().int().min(2000).max(2200).nullable().catch(null),
  page: z.coerce.number().int().min(1).max(1000).catch(1),
});
export type LetterQuery = z.infer<typeof LetterQuerySchema>;

const ANY_LETTER: LetterQuery = { q: "", state: null, year: null, page: 1 };
const LETTERS_A_PAGE = 60;

const inState = (state: LetterState): SQL | undefined => {
  switch (state) {
    case "to-read":
      return and(isNull(letter.queuedAt), isNull(letter.sentAt));
    case "waiting":
      return and(isNotNull(letter.queuedAt), isNull(letter.sentAt), isNull(letter.sendError));
    case "sent":
      return isNotNull(letter.sentAt);
    case "opened":
      return isNotNull(letter.openedAt);
    case "not-sent":
      return and(isNotNull(letter.sendError), isNull(letter.sentAt));
  }
};

/** What a person may type into a search, as it is looked for: its signs mean themselves. */
const likeText = (q: string): string => `%${q.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`;

/** The letters of the scope, newest first, without their bodies; so many at a time, and whether older ones are left. */
export async function listLetters(scope: Scope, { q, state, year, page }: LetterQuery = ANY_LETTER) {
  const words = q.split(/\s+/).filter((w) => w !== "");
  const rows = await db()
    .select({
      id: letter.id,
      subject: letter.subject,
      revision: letter.revision,
      clientName: client.name,
      on: stop.onDate,
      createdAt: letter.createdAt,
      queuedAt: letter.queuedAt,
      sentAt: letter.sentAt,
      openedAt: letter.openedAt,
      sendError: letter.sendError,
      revokedAt: letter.revokedAt,
    })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .innerJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        eq(letter.businessId, scope.businessId),
        inSight(letter.clientId, await clientsInSight(scope)),
        sentTo(scope),
        ...words.map((w) =>
          or(like(client.name, likeText(w)), like(site.name, likeText(w)), like(letter.subject, likeText(w))),
        ),
        state ? inState(state) : undefined,
        ...(year ? [gte(stop.onDate, `${year}-01-01`), lte(stop.onDate, `${year}-12-31`)] : []),
      ),
    )
    .orderBy(desc(letter.createdAt), desc(letter.revision))
    .limit(LETTERS_A_PAGE + 1)
    .offset((page - 1) * LETTERS_A_PAGE);
  return { letters: rows.slice(0, LETTERS_A_PAGE), older: rows.length > LETTERS_A_PAGE };
}

/** The years of whose visits there are letters, the newest first. */
export async function letterYears(scope: Scope): Promise<number[]> {
  const rows = await db()
    .selectDistinct({ year: sql<number>`year(${stop.onDate})`.mapWith(Number) })
    .from(letter)
    .innerJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .where(
      and(
        eq(letter.businessId, scope.businessId),
        inSight(letter.clientId, await clientsInSight(scope)),
        sentTo(scope),
      ),
    );
  return rows.map((r) => r.year).sort((a, b) => b - a);
}

/** One letter of the scope, with its bodies. */
export async function findLetter(scope: Scope, letterId: string): Promise<typeof letter.$inferSelect> {
  const [row] = await db()
    .select()
    .from(letter)
    .where(
      and(
        eq(letter.businessId, scope.businessId),
        eq(letter.id, letterId),
        inSight(letter.clientId, await clientsInSight(scope)),
        sentTo(scope),
      ),
    );
  if (!row) throw notFound("letter");
  return row;
}

const MINUTE_MS = 60_000;

/** Minutes after the close of a visit before which its letter does not leave: a visit closed too early is reopened by then. */
const waitMinutes = (): number => Number(process.env.LETTER_WAIT_MINUTES ?? 30);

/** When a letter may leave: now, or so long after the last visit of its stop was closed. */
async function leavesAt(businessId: string, stopId: string, now: Date): Promise<Date> {
  const [row] = await db()
    .select({ closedAt: max(visit.closedAt), hour: business.letterHour, zone: business.zone })
    .from(visit)
    .innerJoin(business, eq(business.id, visit.businessId))
    .where(and(eq(visit.businessId, businessId), eq(visit.stopId, stopId)))
    .groupBy(business.id);
  const earliest = row?.closedAt ? row.closedAt.getTime() + waitMinutes() * MINUTE_MS : 0;
  const from = Math.max(now.getTime(), earliest);
  return new Date(row?.hour == null ? from : nextHour(from, row.hour, row.zone));
}

/** The first time from a moment on at which a firm's clock shows an hour. */
function nextHour(from: number, hour: number, zone: string): number {
  const { date } = civilOf(from, zone);
  const today = instantOf(date, hour * 60, zone);
  return today >= from ? today : instantOf(addDays(date, 1), hour * 60, zone);
}

/** Puts a letter into the mail, once. */
async function letGo(businessId: string, letterId: string, stopId: string, now: Date): Promise<void> {
  const queuedAt = await leavesAt(businessId, stopId, now);
  await inTransaction(async (tx) => {
    const [taken] = await tx
      .update(letter)
      .set({ queuedAt })
      .where(and(eq(letter.id, letterId), isNull(letter.queuedAt)));
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
  if (row.queuedAt) throw new Refused(409, "already-queued", "This letter is already on its way.");
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

/** Notes what became of a letter's mail. */
export async function noteMail(letterId: string, outcome: { sentAt: Date } | { sendError: string }): Promise<void> {
  await db()
    .update(letter)
    .set(
      "sentAt" in outcome
        ? { sentAt: outcome.sentAt, sendError: null }
        : { sendError: outcome.sendError.slice(0, 400) },
    )
    .where(eq(letter.id, letterId));
}
