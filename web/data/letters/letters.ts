import { createHash } from "node:crypto";
import { clockText, longDate, MINUTES_A_DAY } from "@keel-round/core/calendar";
import { conditionOf, programmeOn } from "@keel-round/core/given";
import {
  closing,
  greeting,
  inVoice,
  type LetterContent,
  type LetterTank,
  letterFor,
  nameOf,
  titlesFor,
  USUAL_VOICE,
  withPhrases,
  wordingAfter,
} from "@keel-round/core/letter";
import { say } from "@keel-round/core/say";
import { METRIC, type Parameter, unitsOfLocale } from "@keel-round/core/units";
import { visitState } from "@keel-round/core/visit";
import { and, asc, desc, eq, gt, isNotNull, isNull, lt, max, ne, or } from "drizzle-orm";
import { notFound } from "../access/define";
import { derivedToken } from "../access/key";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { writeEntries } from "../find/entries";
import { keptPlan } from "../plan/keptPlan";
import { loadPlanInputs } from "../plan/planInputs";
import { loadRound } from "../round/round";
import { business, client, letter, person, reading, site, stop, visit } from "../schema";
import { appliedOps } from "../visit/operations";

/** The unguessable part of a letter's link. Derived, so that it is stored nowhere. */
export const letterToken = (letterId: string): string => derivedToken(`letter:${letterId}`);

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
  const minute = nextStop ? await arrivalMinute(businessId, head.stop.personId, nextStop.onDate, nextStop.id) : null;
  const about = minute === null ? null : { clock: minute };

  const units = unitsOfLocale(head.client.locale);
  const wording = wordingAfter(await letterBefore(businessId, head.site.id, on), units);
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
        units,
        wording,
      }),
    );
  }
  const [{ last } = { last: null }] = await q
    .select({ last: max(letter.revision) })
    .from(letter)
    .where(and(eq(letter.businessId, businessId), eq(letter.stopId, stopId)));
  const next = nextStop ? { on: nextStop.onDate, about } : null;
  return {
    ...addressed(head, { on, tanks, next, revision: (last ?? 0) + 1 }),
    letterId: newId(),
    clientId: head.client.id,
  };
}

/** Who writes to whom. */
interface LetterHead {
  readonly business: Pick<typeof business.$inferSelect, "name" | "phone" | "phrases" | "voice">;
  readonly client: Pick<typeof client.$inferSelect, "contact" | "locale">;
  readonly site: Pick<typeof site.$inferSelect, "name">;
  readonly person: Pick<typeof person.$inferSelect, "name">;
}

/** What was written of the tanks of a stop as a letter: greeted, closed and in the firm's own voice. */
export function addressed(
  head: LetterHead,
  of: {
    readonly on: string;
    readonly tanks: readonly LetterTank[];
    readonly next: Parameters<typeof closing>[0];
    readonly revision: number;
  },
): LetterContent {
  const { contact, locale } = head.client;
  const units = unitsOfLocale(locale);
  const written: LetterContent = {
    ...{ business: head.business.name, date: longDate(of.on, units.locale), greeting: say(greeting(contact), units) },
    ...{ siteName: head.site.name, tanks: of.tanks, signedBy: head.person.name, revision: of.revision },
    ...{ locale, titles: titlesFor(units, of.revision) },
    close: say(closing(of.next, head.business.phone), units),
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

/** About when a stop is reached on its day, as the plan stands now: "09:30". */
export async function arrivalAt(...of: Parameters<typeof arrivalMinute>): Promise<string | null> {
  const minute = await arrivalMinute(...of);
  return minute === null ? null : clockText(minute);
}

/** The minute of the day at about which a stop is reached, as the plan stands now. */
async function arrivalMinute(businessId: string, personId: string, on: string, stopId: string): Promise<number | null> {
  const { day } = await loadRound({ businessId, units: METRIC }, personId, on);
  const at = day.stops.find((s) => s.stop.id === stopId)?.start;
  if (at === undefined) return null;
  const minute = Math.round(at / 5) * 5;
  // A day that is laid out past midnight is moved before it comes: no owner is told such an hour.
  return minute >= MINUTES_A_DAY ? null : minute;
}

/** Stores a rendered letter; null where the one before reads the same. */
export async function storeLetter(
  businessId: string,
  stopId: string,
  content: LetterContent & { letterId: string; clientId: string },
  rendered: { subject: string; html: string; plain: string; pdf: Buffer | null },
  now: Date,
): Promise<string | null> {
  const [last] = await db()
    .select({ plain: letter.plain })
    .from(letter)
    .where(and(eq(letter.businessId, businessId), eq(letter.stopId, stopId)))
    .orderBy(desc(letter.revision))
    .limit(1);
  // Two tanks closed at once ask twice; only what reads differently is a new revision.
  if (last?.plain === rendered.plain) return null;
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
  return letterId;
}

/** Keeps the PDF of a letter that was never mailed with one. */
export async function keepPdf(letterId: string, pdf: Buffer): Promise<void> {
  await db()
    .update(letter)
    .set({ pdf })
    .where(and(eq(letter.id, letterId), isNull(letter.pdf)));
}

const DAY_MS = 86_400_000;

/** A letter by the token of its link; null if there is none, it was revoked, or is older than the firm lets links work. */
export async function letterByToken(token: string, now = new Date()): Promise<typeof letter.$inferSelect | null> {
  const [row] = await db()
    .select({ letter, days: business.letterDays })
    .from(letter)
    .innerJoin(business, eq(business.id, letter.businessId))
    .where(or(eq(letter.tokenHash, hashOf(token)), eq(letter.tokenHashBefore, hashOf(token))));
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
export const sentTo = (scope: Scope) => (scope.role === "tankOwner" ? isNotNull(letter.sentAt) : undefined);

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
