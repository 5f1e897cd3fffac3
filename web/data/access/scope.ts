import { METRIC, type UnitPreference } from "@keel-round/core/units";
import { and, eq } from "drizzle-orm";
import { db } from "../database/connection";
import { business, person } from "../schema";
import { sessionOf } from "./auth";

export type Role = "office" | "lead" | "technician" | "tankOwner";

/** Who works at the firm: all but the owners of tanks. */
export const STAFF: readonly Role[] = ["office", "lead", "technician"];

/** Whether a role sees every client and the rounds of everybody. */
export const seesAll = (role: Role): boolean => role === "office" || role === "lead";

/** Who asks, and for which business. Every query takes one. */
export interface Scope {
  readonly businessId: string;
  readonly businessName: string;
  readonly zone: string;
  readonly personId: string;
  readonly name: string;
  readonly role: Role;
  /** Set for an owner of tanks: they see nothing of other clients. */
  readonly clientId: string | null;
  readonly units: UnitPreference;
}

/** Who asks, and how they came in. */
export interface Entered {
  readonly scope: Scope;
  readonly sessionId: string;
  readonly userId: string;
  /** When they last showed who they are. */
  readonly signedInAt: Date;
  /** This sign-in was opened with more than a password. */
  readonly hasSecondFactor: boolean;
  /** The firm asks everybody who works there for a second factor, and this sign-in had none. */
  readonly lacksSecondFactor: boolean;
}

/** Who asks by a request's session and how they came in, or null if nobody is signed in. */
export async function enteredOf(headers: Headers): Promise<Entered | null> {
  const found = await sessionOf(headers);
  const known = found && (await personOfUser(found.user.id));
  if (!known) return null;
  const { session } = found;
  const signedInAt = session.provenAt && session.provenAt > session.createdAt ? session.provenAt : session.createdAt;
  return {
    scope: known.scope,
    ...{ sessionId: session.id, userId: found.user.id, signedInAt, hasSecondFactor: session.secondFactor === true },
    lacksSecondFactor: known.asksSecondFactor && STAFF.includes(known.scope.role) && !session.secondFactor,
  };
}

/** The scope of a request's session, or null if nobody is signed in. */
export async function scopeOf(headers: Headers): Promise<Scope | null> {
  return (await enteredOf(headers))?.scope ?? null;
}

/** The scope of a signed-in user: the business they are a person of. */
export async function scopeOfUser(userId: string): Promise<Scope | null> {
  return (await personOfUser(userId))?.scope ?? null;
}

async function personOfUser(userId: string): Promise<{ scope: Scope; asksSecondFactor: boolean } | null> {
  const [row] = await db()
    .select({
      person,
      businessName: business.name,
      zone: business.zone,
      asksSecondFactor: business.asksSecondFactor,
    })
    .from(person)
    .innerJoin(business, eq(business.id, person.businessId))
    .where(and(eq(person.userId, userId)))
    .limit(1);
  if (!row) return null;
  const scope: Scope = {
    businessId: row.person.businessId,
    businessName: row.businessName,
    zone: row.zone,
    personId: row.person.id,
    name: row.person.name,
    role: row.person.role,
    clientId: row.person.clientId,
    units: { ...METRIC, ...row.person.units },
  };
  return { scope, asksSecondFactor: row.asksSecondFactor };
}
