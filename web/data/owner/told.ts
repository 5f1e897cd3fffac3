import { civilOf, instantOf } from "@keel-round/core/calendar";
import { kindOfNote, soundsUrgent } from "@keel-round/core/given";
import { and, asc, desc, eq, gte, inArray, isNotNull, isNull } from "drizzle-orm";
import { z } from "zod";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import type { When } from "../access/when";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { addPhoto } from "../photos/photos";
import { business, client, finding, person, photo, site, stop, tank, user, visit } from "../schema";
import { refreshStatus } from "../tanks/status";

export const ToldSchema = z.object({
  tankId: z.uuid("Reload the page and try again."),
  text: z.string().trim().min(1, "Write what you saw.").max(1000, "Enter at most 1000 characters."),
});

/**
 * Takes what an owner saw: it is a finding of the next visit, and mailed to the firm at once where it sounds as if it could not
 * wait. Told twice on one day in the same words it is told once.
 */
export async function tellFirm(
  scope: Scope,
  { tankId, text }: z.infer<typeof ToldSchema>,
  picture: Uint8Array | null,
  when: When,
): Promise<{ readonly urgent: boolean }> {
  const urgent = soundsUrgent(text);
  const before = await sameToday(scope, tankId, text, when);
  const id = before ?? newId();
  // The picture first: one that cannot be read refuses the whole, and what was typed stays in its field.
  if (picture) {
    const shown = { bytes: picture, note: text, onDate: when.today, spot: { kind: "finding", id } as const };
    await addPhoto(scope, tankId, shown, when.now);
  }
  if (before) return { urgent };
  await inTransaction(async (tx) => {
    await lockTank(tx, scope, tankId);
    await tx.insert(finding).values({
      ...{ id, businessId: scope.businessId, tankId, kind: kindOfNote(text), text, state: "open" },
      ...{ seenAt: when.now, toldBy: scope.personId },
    });
    await refreshStatus(tx, scope.businessId, [tankId], when.today);
    if (urgent) await enqueue(tx, scope.businessId, "told", { findingId: id });
  });
  return { urgent };
}

/** What the same person told of the tank today in the same words; null where they did not. */
async function sameToday({ businessId, personId, zone }: Scope, tankId: string, text: string, { today }: When) {
  const [same] = await db()
    .select({ id: finding.id })
    .from(finding)
    .where(
      and(
        ...[eq(finding.businessId, businessId), eq(finding.tankId, tankId), eq(finding.text, text)],
        ...[eq(finding.toldBy, personId), gte(finding.seenAt, new Date(instantOf(today, 0, zone)))],
        eq(finding.state, "open"),
      ),
    );
  return same?.id ?? null;
}

/** What an owner told, and what became of it. */
export interface Told {
  readonly id: string;
  readonly tankId: string;
  readonly tankName: string;
  readonly siteName: string;
  readonly by: string;
  readonly text: string;
  readonly at: Date;
  readonly state: "open" | "fixed" | "carried" | "owner";
  readonly urgent: boolean;
  /** Pictures that came with it. */
  readonly photoIds: readonly string[];
}

const BACK_DAYS = 30;

/** What owners told of the tanks in sight, the newest first; of one tank where it is named. */
export async function toldOf(scope: Scope, { now }: When, tankId?: string): Promise<Told[]> {
  const rows = await db()
    .select({ finding, tankName: tank.name, siteName: site.name, by: person.name })
    .from(finding)
    .innerJoin(tank, and(eq(tank.businessId, finding.businessId), eq(tank.id, finding.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(person, and(eq(person.businessId, finding.businessId), eq(person.id, finding.toldBy)))
    .where(
      and(
        ...[eq(finding.businessId, scope.businessId), isNotNull(finding.toldBy)],
        gte(finding.seenAt, new Date(now.getTime() - BACK_DAYS * 86_400_000)),
        inSight(site.clientId, await clientsInSight(scope)),
        ...(tankId ? [eq(finding.tankId, tankId)] : []),
      ),
    )
    .orderBy(desc(finding.seenAt), asc(finding.id))
    .limit(50);
  if (rows.length === 0) return [];
  const shots = await db()
    .select({ id: photo.id, of: photo.spotId })
    .from(photo)
    .where(
      and(
        ...[eq(photo.businessId, scope.businessId), eq(photo.spot, "finding"), isNull(photo.archivedAt)],
        inArray(
          photo.spotId,
          rows.map((r) => r.finding.id),
        ),
      ),
    );
  return rows.map(({ finding: f, ...of }) => ({
    ...{ id: f.id, tankId: f.tankId, ...of, text: f.text, at: f.seenAt, state: f.state, urgent: soundsUrgent(f.text) },
    photoIds: shots.filter((s) => s.of === f.id).map((s) => s.id),
  }));
}

/** What the mail to the firm needs: everybody of the office, and who comes next. Null where it is settled already. */
export async function toldMail(findingId: string, now: Date) {
  const [row] = await db()
    .select({ finding, tankName: tank.name, site, client, by: person.name, business })
    .from(finding)
    .innerJoin(tank, and(eq(tank.businessId, finding.businessId), eq(tank.id, finding.tankId)))
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .innerJoin(client, and(eq(client.businessId, site.businessId), eq(client.id, site.clientId)))
    .innerJoin(person, and(eq(person.businessId, finding.businessId), eq(person.id, finding.toldBy)))
    .innerJoin(business, eq(business.id, finding.businessId))
    .where(eq(finding.id, findingId));
  if (row?.finding.state !== "open") return null;
  const { businessId, tankId } = row.finding;
  const today = civilOf(now.getTime(), row.business.zone).date;
  const [next] = await db()
    .select({ personId: stop.personId })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .where(and(eq(visit.businessId, businessId), eq(visit.tankId, tankId), gte(visit.onDate, today), isNull(stop.off)))
    .orderBy(asc(visit.onDate))
    .limit(1);
  const staff = await db()
    .select({ id: person.id, role: person.role, email: user.email })
    .from(person)
    .innerJoin(user, eq(user.id, person.userId))
    .where(and(eq(person.businessId, businessId), isNull(person.leftAt)));
  const to = staff.filter((p) => p.role === "office" || p.role === "lead" || p.id === next?.personId);
  return { ...row, to: to.map((p) => p.email) };
}
