import { and, desc, eq, isNotNull, isNull, like, or, type SQL, sql } from "drizzle-orm";
import { z } from "zod";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { client, letter, site, stop } from "../schema";
import { sentTo } from "./letters";

/** Where letters are on their way. */
export const LETTER_STATES = ["to-read", "waiting", "sent", "opened", "not-sent", "returned"] as const;
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

/** The day that a letter is about: of its visit, or the last one of a report. */
const ABOUT_ON = sql<string>`coalesce(${stop.onDate}, ${letter.untilOn})`.mapWith(stop.onDate);

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
      return and(isNotNull(letter.sendError), isNull(letter.sentAt), isNull(letter.returnedAt));
    case "returned":
      return isNotNull(letter.returnedAt);
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
      on: ABOUT_ON,
      isReport: sql<boolean>`${letter.stopId} is null`.mapWith(Boolean),
      createdAt: letter.createdAt,
      queuedAt: letter.queuedAt,
      sentAt: letter.sentAt,
      openedAt: letter.openedAt,
      sendError: letter.sendError,
      returnedAt: letter.returnedAt,
      revokedAt: letter.revokedAt,
    })
    .from(letter)
    .innerJoin(client, and(eq(client.businessId, letter.businessId), eq(client.id, letter.clientId)))
    .leftJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .leftJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        eq(letter.businessId, scope.businessId),
        inSight(letter.clientId, await clientsInSight(scope)),
        sentTo(scope),
        ...words.map((w) =>
          or(like(client.name, likeText(w)), like(site.name, likeText(w)), like(letter.subject, likeText(w))),
        ),
        state ? inState(state) : undefined,
        year ? sql`year(${ABOUT_ON}) = ${year}` : undefined,
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
    .selectDistinct({ year: sql<number>`year(${ABOUT_ON})`.mapWith(Number) })
    .from(letter)
    .leftJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .where(
      and(
        eq(letter.businessId, scope.businessId),
        inSight(letter.clientId, await clientsInSight(scope)),
        sentTo(scope),
      ),
    );
  return rows.map((r) => r.year).sort((a, b) => b - a);
}
