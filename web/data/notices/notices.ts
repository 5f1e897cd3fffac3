import { greeting } from "@keel-round/core/letter";
import { type Message, m, say } from "@keel-round/core/say";
import { sayOn } from "@keel-round/core/series";
import { and, asc, eq, gt, gte, inArray, isNotNull, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { business, client, notice, person, roundChange, site, stop } from "../schema";

/** A message to an owner, drafted: nobody has sent it. */
export interface NoticeDraft {
  readonly changeId: string;
  readonly kind: "moved" | "correction";
  readonly client: string;
  readonly email: string;
  readonly text: string;
}

export const AcceptSchema = z.object({
  notices: z
    .array(
      z.object({
        changeId: z.uuid("Reload the weeks and try again."),
        kind: z.enum(["moved", "correction"]),
        text: z.string().trim().min(1, "Write the message.").max(2000, "Enter at most 2000 characters."),
      }),
    )
    .min(1, "Choose at least one message.")
    .max(60, "Send at most 60 messages at once."),
});
export const NoticeSchema = z.object({ noticeId: z.uuid("Reload the weeks and try again.") });

const MINUTE_MS = 60_000;
/** Minutes that an accepted message waits, so that a slip can be taken back. */
const waitMs = (): number => Number(process.env.NOTICE_WAIT_MINUTES ?? 15) * MINUTE_MS;
const SUBJECT = "Our visit";

/** Who is written to about a change of the round: its site's client. */
const told = (q: Queries, scope: Scope, changeIds: readonly string[]) =>
  q
    .select({ change: roundChange, site: site.name, client, phone: business.phone })
    .from(roundChange)
    .innerJoin(site, and(eq(site.businessId, roundChange.businessId), eq(site.id, roundChange.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .innerJoin(business, eq(business.id, roundChange.businessId))
    .where(and(eq(roundChange.businessId, scope.businessId), inArray(roundChange.id, [...changeIds])))
    .orderBy(asc(site.name), asc(roundChange.id));

type Told = Awaited<ReturnType<typeof told>>[number];

const draft = (scope: Scope, of: Told, kind: NoticeDraft["kind"], text: Message): NoticeDraft => ({
  changeId: of.change.id,
  kind,
  client: of.client.name,
  email: of.client.email,
  text: `${say(greeting(of.client.contact), scope.units)}\n\n${say(text, scope.units)}`,
});

/** What to write to the owners of stops that some changes moved, one message each. */
export async function draftNotices(
  q: Queries,
  scope: Scope,
  changeIds: readonly string[],
  { today }: When,
): Promise<NoticeDraft[]> {
  if (changeIds.length === 0 || !seesAll(scope.role)) return [];
  const rows = await told(q, scope, changeIds);
  const stopIds = rows.flatMap((r) => r.change.before.stops.map((s) => s.id));
  const now = stopIds.length === 0 ? [] : await stopsNow(q, scope, stopIds);
  return rows.flatMap((of) => {
    const [was] = of.change.before.stops;
    const is = now.find((s) => s.id === was?.id);
    if (!was || !is) return [];
    const base = { site: of.site, phone: of.phone, was: sayOn(was.onDate, today) };
    const on = sayOn(is.on, today);
    const other = is.personId !== was.personId;
    if (is.off) return [draft(scope, of, "moved", m("weeks.tell.none", base))];
    if (is.on === was.onDate)
      return other ? [draft(scope, of, "moved", m("weeks.tell.who", { ...base, who: is.who }))] : [];
    return [
      draft(
        scope,
        of,
        "moved",
        other ? m("weeks.tell.both", { ...base, on, who: is.who }) : m("weeks.tell.day", { ...base, on }),
      ),
    ];
  });
}

const stopsNow = (q: Queries, scope: Scope, stopIds: readonly string[]) =>
  q
    .select({ id: stop.id, on: stop.onDate, off: stop.off, personId: stop.personId, who: person.name })
    .from(stop)
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(and(eq(stop.businessId, scope.businessId), inArray(stop.id, [...stopIds])));

/** Somebody of the office or a lead. */
function requireSender(scope: Scope): void {
  if (!seesAll(scope.role)) throw notFound("message");
}

/**
 * Accepts messages to owners: each waits a quarter of an hour, and is sent unless it is taken back.
 *
 * @throws a refusal for one that is on its way already, and for a client without an address.
 */
export async function acceptNotices(
  scope: Scope,
  { notices }: z.infer<typeof AcceptSchema>,
  { now }: When,
): Promise<void> {
  requireSender(scope);
  await inTransaction(async (tx) => {
    const ids = [...new Set(notices.map((n) => n.changeId))];
    await tx.select({ id: roundChange.id }).from(roundChange).where(inArray(roundChange.id, ids)).for("update");
    const rows = await told(tx, scope, ids);
    if (rows.length !== ids.length) throw notFound("change");
    const there = await tx
      .select()
      .from(notice)
      .where(and(eq(notice.businessId, scope.businessId), inArray(notice.changeId, ids), isNull(notice.takenBackAt)));
    for (const { changeId, kind, text } of notices) {
      const of = rows.find((r) => r.change.id === changeId);
      if (!of) continue;
      if (of.client.email === "")
        throw new Refused(409, "no-address", `${of.client.name} has no mail address: ring them, or enter one.`);
      if (there.some((n) => n.changeId === changeId && n.kind === kind))
        throw new Refused(409, "already-queued", `The message to ${of.client.name} is on its way already.`);
      const id = newId();
      await tx.insert(notice).values({
        ...{ id, businessId: scope.businessId, clientId: of.client.id, personId: scope.personId, changeId, kind },
        ...{ email: of.client.email, subject: SUBJECT, body: text },
        ...{ acceptedAt: now, leavesAt: new Date(now.getTime() + waitMs()) },
      });
      await enqueue(tx, scope.businessId, "notice", { noticeId: id }, waitMs());
    }
  });
}

/** Takes a message back that has not left yet. */
export async function takeBackNotice(
  scope: Scope,
  { noticeId }: z.infer<typeof NoticeSchema>,
  { now }: When,
): Promise<void> {
  requireSender(scope);
  const [back] = await db()
    .update(notice)
    .set({ takenBackAt: now })
    .where(
      and(
        eq(notice.businessId, scope.businessId),
        eq(notice.id, noticeId),
        isNull(notice.sentAt),
        isNull(notice.takenBackAt),
        gt(notice.leavesAt, now),
      ),
    );
  if (back.affectedRows === 1) return;
  const [there] = await db()
    .select({ id: notice.id })
    .from(notice)
    .where(and(eq(notice.businessId, scope.businessId), eq(notice.id, noticeId)));
  if (!there) throw notFound("message");
  throw new Refused(409, "on-its-way", "This message is on its way already.");
}

/** A message that was accepted, as the weeks show it. */
export interface NoticeLine {
  readonly id: string;
  readonly client: string;
  readonly email: string;
  readonly text: string;
  readonly leavesAt: Date;
  readonly sentAt: Date | null;
  readonly sendError: string | null;
}

const SHOWN_MS = 24 * 60 * MINUTE_MS;

/** Messages of the last day that were not taken back; those that wait come first. */
export async function listNotices(scope: Scope, now: Date): Promise<NoticeLine[]> {
  if (!seesAll(scope.role)) return [];
  return db()
    .select({
      id: notice.id,
      client: client.name,
      email: notice.email,
      text: notice.body,
      leavesAt: notice.leavesAt,
      sentAt: notice.sentAt,
      sendError: notice.sendError,
    })
    .from(notice)
    .innerJoin(client, and(eq(client.businessId, notice.businessId), eq(client.id, notice.clientId)))
    .where(
      and(
        eq(notice.businessId, scope.businessId),
        isNull(notice.takenBackAt),
        gte(notice.acceptedAt, new Date(now.getTime() - SHOWN_MS)),
      ),
    )
    .orderBy(asc(notice.sentAt), asc(notice.leavesAt), asc(client.name));
}

/** Takes the messages of a change back that have not left: it is undone. */
export async function withdrawNotices(tx: Queries, businessId: string, changeId: string, now: Date): Promise<void> {
  await tx
    .update(notice)
    .set({ takenBackAt: now })
    .where(
      and(
        eq(notice.businessId, businessId),
        eq(notice.changeId, changeId),
        isNull(notice.sentAt),
        isNull(notice.takenBackAt),
      ),
    );
}

const CORRECTED_MS = 7 * 24 * 60 * MINUTE_MS;

/** Corrections that owners are owed: they were told of a visit that was moved, and that was undone since. */
export async function owedCorrections(scope: Scope, { now, today }: When): Promise<NoticeDraft[]> {
  if (!seesAll(scope.role)) return [];
  const rows = await db()
    .select({ changeId: notice.changeId, kind: notice.kind, sentAt: notice.sentAt })
    .from(notice)
    .innerJoin(roundChange, and(eq(roundChange.businessId, notice.businessId), eq(roundChange.id, notice.changeId)))
    .where(
      and(
        eq(notice.businessId, scope.businessId),
        isNull(notice.takenBackAt),
        isNotNull(roundChange.undoneAt),
        gte(notice.acceptedAt, new Date(now.getTime() - CORRECTED_MS)),
      ),
    );
  const corrected = new Set(rows.filter((n) => n.kind === "correction").map((n) => n.changeId));
  const owed = rows.filter((n) => n.kind === "moved" && n.sentAt && !corrected.has(n.changeId)).map((n) => n.changeId);
  if (owed.length === 0) return [];
  return (await told(db(), scope, owed)).flatMap((of) => {
    const [was] = of.change.before.stops;
    if (!was) return [];
    const base = { site: of.site, phone: of.phone, was: sayOn(was.onDate, today) };
    return [draft(scope, of, "correction", m("weeks.tell.correction", base))];
  });
}

/** What the mail of a message needs; null where it was taken back, has left, or does not leave yet. */
export async function noticeMail(noticeId: string, now: Date) {
  const [row] = await db()
    .select({ notice, contact: client.contact, from: business.mailFrom, businessName: business.name })
    .from(notice)
    .innerJoin(client, and(eq(client.businessId, notice.businessId), eq(client.id, notice.clientId)))
    .innerJoin(business, eq(business.id, notice.businessId))
    .where(eq(notice.id, noticeId));
  if (!row || row.notice.sentAt || row.notice.takenBackAt || row.notice.leavesAt > now) return null;
  return row;
}

/** Notes what became of a message. */
export async function noteNotice(noticeId: string, outcome: { sentAt: Date } | { sendError: string }): Promise<void> {
  await db()
    .update(notice)
    .set("sentAt" in outcome ? { ...outcome, sendError: null } : { sendError: outcome.sendError.slice(0, 400) })
    .where(eq(notice.id, noticeId));
}
