import { METRIC } from "@keel-round/core/units";
import { EVERY_DAY, type Knows } from "@keel-round/core/weeks";
import { and, asc, count, eq, gte, isNotNull, isNull, ne, or } from "drizzle-orm";
import { z } from "zod";
import { db } from "../database/connection";
import { enqueue } from "../database/enqueue";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { account, client, member, person, series, session, signInTry, site, stop, user } from "../schema";
import { noteAudit } from "./audit";
import { notFound, Refused } from "./define";
import type { Role, Scope } from "./scope";
import type { When } from "./when";

/** Minutes of a working day and kilograms of a van, until somebody says otherwise. */
const USUAL_DAY = { dayStartMinute: 8 * 60, dayEndMinute: 17 * 60, vanKg: 400 };

const WORKS = z.enum(["office", "lead", "technician"], "Choose what they do.");

export const InviteSchema = z
  .object({
    name: z.string().trim().min(1, "Enter the person's name.").max(120, "Enter at most 120 characters."),
    email: z.email("Enter an e-mail address, such as name@firm.example.").max(190, "Enter at most 190 characters."),
    role: z.enum(["office", "lead", "technician", "tankOwner"], "Choose what they do."),
    clientId: z.uuid("Choose whose tanks they own.").nullable(),
  })
  .refine((i) => i.role !== "tankOwner" || i.clientId !== null, {
    path: ["clientId"],
    message: "Choose whose tanks they own.",
  });
const NAMED: Readonly<Record<Role, string>> = {
  office: "office",
  lead: "lead",
  technician: "technician",
  tankOwner: "owner of tanks",
};

export const RoleSchema = z.object({ personId: z.uuid("Reload the page and try again."), role: WORKS });
export const PersonSchema = z.object({ personId: z.uuid("Reload the page and try again.") });

/** A person of the firm as its office sees them. */
export interface PersonLine {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly email: string | null;
  /** Of an owner of tanks: whose. */
  readonly clientName: string | null;
  /** Whether they have set a password: an owner of tanks comes in by mailed links and needs none. */
  readonly hasPassword: boolean;
  readonly left: boolean;
  /** Their name and words were erased. */
  readonly erased: boolean;
  readonly work: {
    readonly dayStartMinute: number;
    readonly dayEndMinute: number;
    readonly vanKg: number;
    readonly vanL: number | null;
    readonly vanBarrels: number | null;
    readonly workdays: readonly number[];
    /** Null: all there is. */
    readonly knows: readonly Knows[] | null;
  };
}

/** A series, or a planned visit beside it, that somebody drives who left: it has to be handed over. */
export interface Orphan {
  readonly siteId: string;
  readonly siteName: string;
  readonly by: string;
  /** Null of a series, which is handed over as a whole. */
  readonly visit: { readonly stopId: string; readonly on: string } | null;
  /** Of the series or the stop. */
  readonly id: string;
}

/** Everybody of the firm, and what those who left have left behind. */
export async function listPeople(
  scope: Scope,
  today: string,
): Promise<{ readonly people: readonly PersonLine[]; readonly orphans: readonly Orphan[] }> {
  requireOffice(scope);
  const rows = await db()
    .select({ person, email: user.email, clientName: client.name, password: account.id })
    .from(person)
    .leftJoin(user, eq(user.id, person.userId))
    .leftJoin(account, eq(account.userId, person.userId))
    .leftJoin(client, and(eq(client.businessId, person.businessId), eq(client.id, person.clientId)))
    .where(eq(person.businessId, scope.businessId))
    .orderBy(asc(person.name));
  return {
    people: rows.map(({ person: p, email, clientName, password }) => ({
      id: p.id,
      name: p.name,
      role: p.role,
      email,
      clientName,
      hasPassword: password !== null,
      left: p.leftAt !== null,
      erased: p.erasedAt !== null,
      work: {
        dayStartMinute: p.dayStartMinute,
        dayEndMinute: p.dayEndMinute,
        vanKg: p.vanKg,
        vanL: p.vanL,
        vanBarrels: p.vanBarrels,
        workdays: p.workdays ?? EVERY_DAY,
        knows: p.knows ?? null,
      },
    })),
    orphans: await leftBehind(scope, today),
  };
}

/** What people who left still drive: their series, then the visits that no such series gives. */
async function leftBehind(scope: Scope, today: string): Promise<Orphan[]> {
  const ofSeries = await db()
    .select({ id: series.id, siteId: site.id, siteName: site.name, by: person.name })
    .from(series)
    .innerJoin(person, and(eq(person.businessId, series.businessId), eq(person.id, series.personId)))
    .innerJoin(site, and(eq(site.businessId, series.businessId), eq(site.id, series.siteId)))
    .where(
      and(
        eq(series.businessId, scope.businessId),
        isNotNull(person.leftAt),
        or(isNull(series.untilOn), gte(series.untilOn, today)),
      ),
    )
    .orderBy(asc(site.name));
  const ofStops = await db()
    .select({ id: stop.id, on: stop.onDate, siteId: site.id, siteName: site.name, by: person.name })
    .from(stop)
    .innerJoin(person, and(eq(person.businessId, stop.businessId), eq(person.id, stop.personId)))
    .innerJoin(site, and(eq(site.businessId, stop.businessId), eq(site.id, stop.siteId)))
    .leftJoin(series, and(eq(series.businessId, stop.businessId), eq(series.id, stop.seriesId)))
    .where(
      and(
        eq(stop.businessId, scope.businessId),
        isNotNull(person.leftAt),
        gte(stop.onDate, today),
        isNull(stop.off),
        // What comes of a series of theirs goes with it.
        or(isNull(series.id), ne(series.personId, stop.personId)),
      ),
    )
    .orderBy(asc(stop.onDate), asc(site.name));
  return [
    ...ofSeries.map((o) => ({ ...o, visit: null })),
    ...ofStops.map(({ on, ...o }) => ({ ...o, visit: { stopId: o.id, on } })),
  ];
}

/**
 * Adds a person and mails them a way in.
 *
 * @throws a refusal for an address that signs somebody in already, or a client that is not of this firm.
 */
export async function invitePerson(
  scope: Scope,
  input: z.infer<typeof InviteSchema>,
  { now }: When,
): Promise<{ personId: string }> {
  requireOffice(scope);
  const email = input.email.toLowerCase();
  return inTransaction(async (tx) => {
    const [taken] = await tx.select({ id: user.id }).from(user).where(eq(user.email, email));
    if (taken)
      throw new Refused(409, "taken", "This address signs somebody in already.", {
        email: ["This address signs somebody in already: enter another one."],
      });
    if (input.role === "tankOwner") await requireClient(tx, scope, input.clientId);
    const [userId, personId] = [newId(), newId()];
    await tx.insert(user).values({
      id: userId,
      name: input.name,
      email,
      // Nobody signs up by themselves: the address is the office's word, and the way in is mailed to it.
      emailVerified: true,
      createdAt: now,
      updatedAt: now,
    });
    await tx.insert(member).values({
      id: newId(),
      organizationId: scope.businessId,
      userId,
      role: input.role === "office" ? "owner" : "member",
      createdAt: now,
    });
    await tx.insert(person).values({
      id: personId,
      businessId: scope.businessId,
      userId,
      clientId: input.role === "tankOwner" ? input.clientId : null,
      name: input.name,
      role: input.role,
      units: METRIC,
      ...USUAL_DAY,
    });
    await enqueue(tx, scope.businessId, "entry", { userId });
    await noteAudit(tx, scope, { kind: "people", what: `${input.name} came as ${NAMED[input.role]}`, at: now });
    return { personId };
  });
}

async function requireClient(tx: Queries, scope: Scope, clientId: string | null): Promise<void> {
  const [row] = await tx
    .select({ id: client.id })
    .from(client)
    .where(and(eq(client.businessId, scope.businessId), eq(client.id, clientId ?? "")));
  if (!row) throw notFound("client");
}

/** Mails somebody their way in once more. */
export async function mailAgain(scope: Scope, personId: string): Promise<void> {
  requireOffice(scope);
  const row = await personOf(db(), scope, personId);
  if (!row.userId) throw new Refused(409, "left", `${row.name} has left.`);
  await enqueue(db(), scope.businessId, "entry", { userId: row.userId });
}

/**
 * Changes what somebody does at the firm.
 *
 * @throws a refusal for an owner of tanks, somebody who left, or the last person of the office.
 */
export async function changeRole(scope: Scope, input: z.infer<typeof RoleSchema>): Promise<void> {
  requireOffice(scope);
  await inTransaction(async (tx) => {
    const row = await personOf(tx, scope, input.personId);
    if (row.leftAt) throw new Refused(409, "left", `${row.name} has left.`);
    if (row.role === "tankOwner") throw new Refused(409, "owner", `${row.name} owns tanks and does not work here.`);
    if (row.role === "office" && input.role !== "office") await requireOtherOffice(tx, scope, row.id);
    await tx.update(person).set({ role: input.role }).where(eq(person.id, row.id));
    await noteAudit(tx, scope, { kind: "people", what: `${row.name} is ${NAMED[input.role]} now`, at: new Date() });
  });
}

/**
 * Lets somebody go: their sessions end with the answer, what they did stays under their name.
 *
 * @throws a refusal for the last person of the office.
 */
export async function leave(scope: Scope, personId: string, { now }: When): Promise<void> {
  requireOffice(scope);
  await inTransaction(async (tx) => {
    const row = await personOf(tx, scope, personId);
    if (row.leftAt) throw new Refused(409, "left", `${row.name} has left already.`);
    if (row.role === "office") await requireOtherOffice(tx, scope, row.id);
    await tx.update(person).set({ leftAt: now, userId: null }).where(eq(person.id, row.id));
    await noteAudit(tx, scope, { kind: "people", what: `${row.name} left`, at: now });
    if (!row.userId) return;
    await tx.delete(session).where(eq(session.userId, row.userId));
    await tx.delete(member).where(and(eq(member.userId, row.userId), eq(member.organizationId, scope.businessId)));
    const [elsewhere] = await tx.select({ n: count() }).from(person).where(eq(person.userId, row.userId));
    if (elsewhere?.n !== 0) return;
    // Sign-in, password, second factors and what was tried at it go with the last firm.
    const [known] = await tx.select({ email: user.email }).from(user).where(eq(user.id, row.userId));
    await tx.delete(signInTry).where(eq(signInTry.email, known?.email ?? ""));
    await tx.delete(user).where(eq(user.id, row.userId));
  });
}

function requireOffice(scope: Scope): void {
  if (scope.role !== "office") throw notFound("page");
}

async function personOf(q: Queries, scope: Scope, personId: string) {
  const [row] = await q
    .select()
    .from(person)
    .where(and(eq(person.businessId, scope.businessId), eq(person.id, personId)))
    .for("update");
  if (!row) throw notFound("person");
  return row;
}

async function requireOtherOffice(tx: Queries, scope: Scope, personId: string): Promise<void> {
  // All of the office are locked, so that two who go at once do not both find the other still there.
  const others = await tx
    .select({ id: person.id })
    .from(person)
    .where(
      and(
        eq(person.businessId, scope.businessId),
        eq(person.role, "office"),
        isNull(person.leftAt),
        ne(person.id, personId),
      ),
    )
    .for("update");
  if (others.length === 0)
    throw new Refused(409, "last-office", "Somebody has to be in the office: give that role to somebody else first.");
}
