import { duration } from "@keel-round/core/calendar";
import { programmeOn } from "@keel-round/core/given";
import { type OwnerTank, pageFor } from "@keel-round/core/letter";
import { type OwnerGroup, ownerList } from "@keel-round/core/programme";
import { say, textOf } from "@keel-round/core/say";
import type { TankFacts } from "@keel-round/core/tank";
import { andList } from "@keel-round/core/text";
import { courseCalendar, thingsOf } from "@keel-round/core/treatment";
import { litresText, toShown, type UnitPreference } from "@keel-round/core/units";
import { and, asc, desc, eq, gte, isNotNull, isNull, sql } from "drizzle-orm";
import { notFound } from "../access/define";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import type { When } from "../access/when";
import { feedOf } from "../calendar/feed";
import { db } from "../database/connection";
import { arrivalAt, letterToken } from "../letters/letters";
import { business, letter, person, photo, site, stop, tank, visit } from "../schema";
import { type DayRequest, requestsOf } from "../series/dayRequests";
import { loadTank, type TankSheet } from "../tanks/tanks";
import { ownerDays } from "./days";
import { type Proposal, proposalsOf } from "./proposals";
import { type Told, toldOf } from "./told";

/** The next visit of a tank that nobody has begun, as its owner reads it. */
export interface NextVisit {
  readonly stopId: string;
  readonly on: string;
  readonly about: string | null;
  readonly who: string;
  /** "About 40 minutes. We plan to change about 97 L." */
  readonly says: string;
}

/** Everything on an owner's page. */
export interface OwnerPage {
  readonly firm: { readonly name: string; readonly phone: string };
  readonly tanks: readonly { readonly id: string; readonly name: string; readonly siteName: string }[];
  readonly tankId: string;
  readonly siteId: string;
  readonly siteName: string;
  readonly tank: OwnerTank;
  /** The newest picture of the tank of each of the last months, the older first. */
  readonly months: readonly { readonly month: string; readonly photoId: string }[];
  readonly next: NextVisit | null;
  readonly calendar: string | null;
  readonly requests: readonly DayRequest[];
  readonly list: readonly OwnerGroup[];
  /** The course of treatment the tank is under, with its days from today on. */
  readonly course: {
    readonly name: string;
    readonly days: readonly { readonly on: string; readonly says: string }[];
    /** What stays off and out, and until when. */
    readonly off: { readonly things: string; readonly until: string } | null;
  } | null;
  readonly today: {
    readonly on: string;
    readonly done: readonly string[];
    /** As it stands in its field, in the owner's units. */
    readonly topUp: string;
    readonly temperature: string;
    readonly saved: boolean;
  };
  readonly letters: readonly {
    readonly path: string;
    readonly on: string;
    readonly subject: string;
    readonly siteName: string;
  }[];
  readonly proposals: readonly Proposal[];
  readonly told: readonly Told[];
}

const MONTHS = 4;
/** Nobody is told minutes closer than that. */
const FIVE = 5;
const LETTERS = 60;

/**
 * An owner's page of one of their tanks.
 *
 * @throws "not found" for a tank that is not theirs.
 */
export async function loadOwnerPage(scope: Scope, tankId: string, when: When): Promise<OwnerPage> {
  const tanks = await ownTanks(scope);
  const chosen = tanks.find((t) => t.id === tankId);
  if (!chosen) throw notFound("tank");
  const sheet = await loadTank(scope, chosen.id, when.today);
  const [firm, next, months, letters, proposals, told, days] = await Promise.all([
    firmOf(scope.businessId),
    nextVisit(scope, sheet, when),
    byMonth(scope.businessId, chosen.id),
    sentLetters(scope),
    proposalsOf(scope, chosen.id),
    toldOf(scope, when, chosen.id),
    ownerDays(scope, chosen.id, when.today),
  ]);
  const today = days.find((d) => d.on === when.today);
  const feed = await feedOf(scope, { kind: "site", ofId: sheet.site.id });
  return {
    ...{
      firm,
      tanks,
      tankId: chosen.id,
      siteId: sheet.site.id,
      siteName: chosen.siteName,
      next,
      months,
      letters,
      proposals,
      told,
    },
    tank: pageFor(sheet.input, isMending(sheet), scope.units),
    calendar: feed?.path ?? null,
    requests: await requestsOf(scope, next ? [next.stopId] : []),
    list: ownerList(programmeOn(sheet.input, true)),
    course: courseFor(sheet.input.facts, when.today, scope.units),
    today: {
      on: when.today,
      done: today?.done ?? [],
      topUp: today?.topUpL == null ? "" : String(Number(toShown(today.topUpL, "L", scope.units).toFixed(2))),
      temperature: today?.entered ?? "",
      saved: today !== undefined,
    },
  };
}

/** The tank that an owner's page opens with; null where they have none. */
export const firstTankOf = async (scope: Scope): Promise<string | null> => (await ownTanks(scope))[0]?.id ?? null;

/** The tanks of the owner's client. */
async function ownTanks(scope: Scope) {
  return db()
    .select({ id: tank.id, name: tank.name, siteName: site.name })
    .from(tank)
    .innerJoin(site, and(eq(site.businessId, tank.businessId), eq(site.id, tank.siteId)))
    .where(
      and(
        ...[eq(tank.businessId, scope.businessId), isNull(tank.archivedAt)],
        inSight(site.clientId, await clientsInSight(scope)),
      ),
    )
    .orderBy(asc(site.name), asc(tank.name));
}

async function firmOf(businessId: string) {
  const [row] = await db()
    .select({ name: business.name, phone: business.phone })
    .from(business)
    .where(eq(business.id, businessId));
  if (!row) throw notFound("firm");
  return row;
}

/** The course a tank is under, as its owner reads it; null where it is under none. */
function courseFor({ treatment }: TankFacts, today: string, units: UnitPreference): OwnerPage["course"] {
  if (!treatment || today < treatment.startedOn || today > treatment.followUpOn) return null;
  const things = thingsOf(treatment).map((thing) => textOf(thing, units));
  const until = treatment.backOn ?? null;
  return {
    name: treatment.name,
    days: courseCalendar(treatment)
      .filter((d) => d.on >= today)
      .map(({ on, says }) => ({ on, says: say(says, units) })),
    off: until !== null && until > today && things.length > 0 ? { things: andList(things), until } : null,
  };
}

/** Whether the last visit did something about what is wrong. */
function isMending({ changes, visits }: TankSheet): boolean {
  const last = visits.find((v) => v.state === "closed");
  return last !== undefined && changes.some((c) => c.onDate >= last.on);
}

async function nextVisit(scope: Scope, { row, plan }: TankSheet, { today }: When): Promise<NextVisit | null> {
  const [found] = await db()
    .select({ stopId: stop.id, on: stop.onDate, personId: person.id, who: person.name })
    .from(visit)
    .innerJoin(stop, and(eq(stop.businessId, visit.businessId), eq(stop.id, visit.stopId)))
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .where(
      and(
        ...[
          eq(visit.businessId, scope.businessId),
          eq(visit.tankId, row.id),
          gte(stop.onDate, today),
          eq(visit.state, "planned"),
          isNull(stop.off),
        ],
      ),
    )
    .orderBy(asc(stop.onDate))
    .limit(1);
  if (!found) return null;
  const { stopId, on, personId, who } = found;
  const litres = plan.water.decision === "change" ? plan.water.litres.value : 0;
  const changes = litres > 0 ? ` We plan to change about ${litresText(litres, scope.units)}.` : "";
  return {
    ...{ stopId, on, who },
    about: await arrivalAt(scope.businessId, personId, on, stopId),
    says: `${who}, about ${duration(FIVE * Math.round(plan.minutes / FIVE))}.${changes}`,
  };
}

/** The newest picture of the whole tank of each month. */
async function byMonth(businessId: string, tankId: string) {
  const rows = await db()
    .select({ id: photo.id, on: photo.onDate })
    .from(photo)
    .where(
      and(
        ...[eq(photo.businessId, businessId), eq(photo.tankId, tankId), eq(photo.spot, "tank")],
        isNull(photo.archivedAt),
      ),
    )
    .orderBy(desc(photo.onDate), desc(photo.at))
    .limit(200);
  const newest = new Map<string, string>();
  for (const { id, on } of rows) if (!newest.has(on.slice(0, 7))) newest.set(on.slice(0, 7), id);
  return [...newest]
    .slice(0, MONTHS)
    .map(([month, photoId]) => ({ month, photoId }))
    .reverse();
}

/** The letters that were sent to the owner's client and can still be opened. */
async function sentLetters(scope: Scope) {
  const rows = await db()
    .select({
      ...{ id: letter.id, subject: letter.subject, siteName: sql<string>`coalesce(${site.name}, '')` },
      on: sql<string>`coalesce(${stop.onDate}, ${letter.untilOn})`.mapWith(stop.onDate),
    })
    .from(letter)
    .leftJoin(stop, and(eq(stop.businessId, letter.businessId), eq(stop.id, letter.stopId)))
    .leftJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .where(
      and(
        ...[eq(letter.businessId, scope.businessId), isNotNull(letter.sentAt), isNull(letter.revokedAt)],
        inSight(letter.clientId, await clientsInSight(scope)),
      ),
    )
    .orderBy(desc(sql`coalesce(${stop.onDate}, ${letter.untilOn})`), desc(letter.revision))
    .limit(LETTERS);
  return rows.map(({ id, ...of }) => ({ ...of, path: `/letter/${letterToken(id)}` }));
}
