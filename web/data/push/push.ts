import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { Agent } from "node:https";
import { and, eq, isNull } from "drizzle-orm";
import { v5 } from "uuid";
import webpush from "web-push";
import { z } from "zod";
import { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { requireVisit } from "../access/sight";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { job, pushSubscription } from "../schema";

/** What ringing needs of the installation; null where it is not set up, and clocks ring in the page alone. */
function settings() {
  const { VAPID_PUBLIC_KEY, VAPID_PRIVATE_KEY, VAPID_SUBJECT, PUSH_HOSTS, PUSH_CA } = process.env;
  if (!VAPID_PUBLIC_KEY || !VAPID_PRIVATE_KEY || !VAPID_SUBJECT || !PUSH_HOSTS) return null;
  return {
    keys: { publicKey: VAPID_PUBLIC_KEY, privateKey: VAPID_PRIVATE_KEY, subject: VAPID_SUBJECT },
    hosts: PUSH_HOSTS.split(",").map((h) => h.trim()),
    ca: PUSH_CA,
  };
}

/** The key that a browser subscribes with; null where nobody is rung. */
export const pushKey = (): string | null => settings()?.keys.publicKey ?? null;

export const SubscriptionSchema = z.object({
  endpoint: z.url({ protocol: /^https$/ }).max(1000),
  keys: z.object({ p256dh: z.base64url().max(200), auth: z.base64url().max(100) }),
});

/** Whether an address is one of the services that may be written to: nobody makes this server call elsewhere. */
const isAllowed = (endpoint: string, hosts: readonly string[]): boolean => {
  const { hostname } = new URL(endpoint);
  return hosts.some((h) => hostname === h || hostname.endsWith(`.${h}`));
};

/**
 * Remembers a browser of whoever asks; the same browser once, for who used it last.
 *
 * @throws a refusal where ringing is not set up, or the address is of a service that is not let in.
 */
export async function subscribe(scope: Scope, given: z.infer<typeof SubscriptionSchema>, now: Date): Promise<void> {
  const set = settings();
  if (!set) throw new Refused(409, "not-set-up", "Ringing a closed phone is not set up here.");
  if (!isAllowed(given.endpoint, set.hosts))
    throw new Refused(422, "other-service", "This browser is rung by a service that is not let in here.");
  const { endpoint, keys } = given;
  const whose = { businessId: scope.businessId, personId: scope.personId, ...keys, createdAt: now };
  await db()
    .insert(pushSubscription)
    .values({
      id: newId(),
      endpoint,
      endpointHash: createHash("sha256").update(endpoint).digest("hex"),
      ...whose,
    })
    .onDuplicateKeyUpdate({ set: whose });
}

export const RingSchema = z.object({
  id: z.string().min(1).max(160),
  label: z.string().trim().min(1).max(200),
  tank: z.string().max(200),
  visitId: z.uuid(),
  endsAt: z.iso.datetime({ offset: true }),
});

/** The job of one clock of one person: started anew it is the same one. */
const jobOf = (scope: Scope, clock: string): string => v5(`${scope.personId} ${clock}`, scope.businessId);

/** Longer than anything on a visit goes on by itself. */
const LONGEST_MS = 24 * 3_600_000;

/**
 * Has a person's browsers rung when a clock of one of their visits ends.
 *
 * @throws a refusal for a visit that is not theirs, or an end that is days away.
 */
export async function setRing(scope: Scope, ring: z.infer<typeof RingSchema>, now: Date): Promise<void> {
  const runAt = new Date(ring.endsAt);
  if (runAt.getTime() > now.getTime() + LONGEST_MS) throw new Refused(422, "too-far", "A clock ends within a day.");
  await requireVisit(scope, ring.visitId);
  const { id, endsAt: _, ...words } = ring;
  const due = {
    runAt,
    payload: { ring: { ...words, personId: scope.personId } },
    owner: null,
    leaseUntil: null,
    attempts: 0,
    doneAt: null,
    failedAt: null,
    error: null,
  };
  await db()
    .insert(job)
    .values({ id: jobOf(scope, id), businessId: scope.businessId, kind: "ring", ...due })
    .onDuplicateKeyUpdate({ set: due });
}

/** A clock was stopped: nobody is rung for it. */
export async function dropRing(scope: Scope, clock: string): Promise<void> {
  await db()
    .delete(job)
    .where(
      and(
        eq(job.businessId, scope.businessId),
        eq(job.id, jobOf(scope, clock)),
        eq(job.kind, "ring"),
        isNull(job.doneAt),
      ),
    );
}

/** Later than this it would only frighten: the sheet says itself how long ago it ended. */
const LATEST_MS = 10 * 60_000;
/** Seconds that a service keeps it for a phone without a network. */
const KEPT_S = 300;
/** The browser is gone for good. */
const GONE: readonly (number | undefined)[] = [404, 410];

/**
 * Rings every browser of a person. One that is gone is forgotten; a service that is away is tried again.
 *
 * @throws what a service answered, so that the job is tried again.
 */
export async function ringNow(due: typeof job.$inferSelect, now: Date): Promise<void> {
  const set = settings();
  const { ring } = due.payload;
  if (!set || !ring || now.getTime() > due.runAt.getTime() + LATEST_MS) return;
  const browsers = await db()
    .select()
    .from(pushSubscription)
    .where(and(eq(pushSubscription.businessId, due.businessId), eq(pushSubscription.personId, ring.personId)));
  const message = JSON.stringify({
    title: `${ring.label}: ended`,
    body: ring.tank,
    url: `/visit?visit=${ring.visitId}`,
  });
  const options = {
    vapidDetails: set.keys,
    TTL: KEPT_S,
    urgency: "high" as const,
    timeout: 10_000,
    ...(set.ca ? { agent: new Agent({ ca: readFileSync(set.ca) }) } : {}),
  };
  for (const { id, endpoint, p256dh, auth } of browsers) {
    try {
      await webpush.sendNotification({ endpoint, keys: { p256dh, auth } }, message, options);
    } catch (error) {
      if (!(error instanceof webpush.WebPushError) || !GONE.includes(error.statusCode)) throw error;
      await db().delete(pushSubscription).where(eq(pushSubscription.id, id));
    }
  }
}
