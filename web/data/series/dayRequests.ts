import { longDate } from "@keel-round/core/calendar";
import { and, asc, desc, eq, gte, inArray, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { type Scope, seesAll } from "../access/scope";
import { clientsInSight, inSight, requireStop } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { dayRequest, person, site, stop } from "../schema";
import { moveStop, plannedStop } from "./stops";

export const AskDaySchema = z.object({
  stopId: z.uuid("Reload the page and try again."),
  /** Empty where any other day will do. */
  wishedOn: z.union([z.literal(""), z.iso.date("Enter a day that exists.")]).default(""),
  why: z.string().trim().max(400, "Enter at most 400 characters.").default(""),
});

export const AnswerDaySchema = z.object({
  requestId: z.uuid("Reload the page and try again."),
  answer: z.enum(["moved", "kept"], "Choose whether it is moved."),
  text: z.string().trim().max(400, "Enter at most 400 characters.").default(""),
});

/** A request of an owner for another day. */
export interface DayRequest {
  readonly id: string;
  readonly stopId: string;
  readonly siteName: string;
  readonly by: string;
  readonly at: Date;
  readonly insteadOf: string;
  readonly wishedOn: string | null;
  readonly why: string;
  /** Where the visit stands now. */
  readonly on: string;
  readonly answer: "moved" | "kept" | null;
  readonly answerText: string | null;
}

/**
 * Asks for another day of a visit. Asked again before it was answered, the newer wish takes the place of the older.
 *
 * @throws a refusal for a visit that has begun, and for a day that is over or is the visit's own.
 */
export async function askForDay(scope: Scope, input: z.infer<typeof AskDaySchema>, when: When): Promise<void> {
  const wishedOn = input.wishedOn || null;
  if (wishedOn && wishedOn < when.today) refuse("wishedOn", "That day is over: choose a later one.");
  await inTransaction(async (tx) => {
    const { stop: now } = await plannedStop(tx, scope, input.stopId);
    if (now.off || now.onDate < when.today) throw new Refused(409, "is-off", "This visit is not planned any more.");
    if (wishedOn === now.onDate) refuse("wishedOn", `${longDate(wishedOn)} is the day it is planned for.`);
    const said = { personId: scope.personId, insteadOf: now.onDate, wishedOn, why: input.why, at: when.now };
    const [open] = await tx
      .select({ id: dayRequest.id })
      .from(dayRequest)
      .where(
        and(
          ...[eq(dayRequest.businessId, scope.businessId), eq(dayRequest.stopId, input.stopId)],
          isNull(dayRequest.answer),
        ),
      );
    if (open) await tx.update(dayRequest).set(said).where(eq(dayRequest.id, open.id));
    else
      await tx.insert(dayRequest).values({ id: newId(), businessId: scope.businessId, stopId: input.stopId, ...said });
  });
}

function refuse(field: string, message: string): never {
  throw new Refused(422, "invalid", message, { [field]: [message] });
}

const asked = (q: Queries) =>
  q
    .select({ request: dayRequest, on: stop.onDate, siteName: site.name, by: person.name })
    .from(dayRequest)
    .innerJoin(stop, and(eq(stop.businessId, dayRequest.businessId), eq(stop.id, dayRequest.stopId)))
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .innerJoin(person, and(eq(person.businessId, dayRequest.businessId), eq(person.id, dayRequest.personId)));

const told = ({ request: r, on, siteName, by }: Awaited<ReturnType<typeof asked>>[number]): DayRequest => ({
  ...{ id: r.id, stopId: r.stopId, siteName, by, at: r.at, insteadOf: r.insteadOf, wishedOn: r.wishedOn, why: r.why },
  ...{ on, answer: r.answer, answerText: r.answerText },
});

/** Requests that wait for an answer, of visits that are still to come, the soonest visit first. */
export async function openRequests(scope: Scope, { today }: When): Promise<DayRequest[]> {
  const rows = await asked(db())
    .where(
      and(
        ...[eq(dayRequest.businessId, scope.businessId), isNull(dayRequest.answer), isNull(stop.off)],
        ...[gte(stop.onDate, today), inSight(site.clientId, await clientsInSight(scope))],
      ),
    )
    .orderBy(asc(stop.onDate), asc(dayRequest.at));
  return rows.map(told);
}

/** What was asked and answered of some stops, the newest first. */
export async function requestsOf(scope: Scope, stopIds: readonly string[]): Promise<DayRequest[]> {
  if (stopIds.length === 0) return [];
  const rows = await asked(db())
    .where(and(eq(dayRequest.businessId, scope.businessId), inArray(dayRequest.stopId, [...stopIds])))
    .orderBy(desc(dayRequest.at));
  return rows.map(told);
}

/**
 * Answers a request: the visit goes to the day that was asked for or was moved to another one, or it stays. The owner reads it on
 * their page.
 *
 * @throws a refusal where it was not moved and cannot go to that day, and where it is to stay without a word why.
 */
export async function answerRequest(
  scope: Scope,
  { requestId, answer, text }: z.infer<typeof AnswerDaySchema>,
  when: When,
): Promise<void> {
  const { request, on } = await requestToAnswer(scope, requestId);
  if (answer === "kept" && text === "") refuse("text", "Say why it stays, in a few words.");
  if (answer === "moved" && on === request.insteadOf) {
    if (!request.wishedOn) throw new Refused(409, "not-moved", "The visit still stands on its day: move it first.");
    await moveStop(scope, { stopId: request.stopId, to: request.wishedOn }, when);
  }
  const [done] = await db()
    .update(dayRequest)
    .set({ answer, answerText: text || null, answeredBy: scope.personId, answeredAt: when.now })
    .where(and(eq(dayRequest.id, requestId), isNull(dayRequest.answer)));
  if (done.affectedRows === 0) throw ANSWERED;
}

const ANSWERED = new Refused(409, "answered", "Somebody has answered this already.");

async function requestToAnswer(scope: Scope, requestId: string) {
  const [row] = await asked(db()).where(and(eq(dayRequest.businessId, scope.businessId), eq(dayRequest.id, requestId)));
  if (!row || scope.role === "tankOwner") throw notFound("request");
  if (!seesAll(scope.role)) await requireStop(scope, row.request.stopId);
  if (row.request.answer) throw ANSWERED;
  return row;
}
