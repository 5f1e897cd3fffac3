import { type Begin, readPlace } from "@keel-round/core/desk";
import { DEFAULT_LIMITS } from "@keel-round/core/given";
import { METRIC } from "@keel-round/core/units";
import { eq } from "drizzle-orm";
import { Refused } from "../access/define";
import { addLogin } from "../access/logins";
import { isCommon, TOO_COMMON } from "../access/passwords";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { fillKinds } from "../desk/kinds";
import { fillJobs } from "../library/firmJobs";
import { business, member, organization, person, user } from "../schema";

/** Until the firm has driven its rounds: a town's streets. */
const ROADS = { roadFactor: 1.35, speedKmH: 26 };
const DAY = { dayStartMinute: 8 * 60, dayEndMinute: 17 * 60, vanKg: 400 };

/** Whether a new business may be begun: by the office of one, and by whoever comes first to a server without any. */
export async function mayBegin(scope: Scope | null, q: Queries = db()): Promise<boolean> {
  if (scope) return scope.role === "office";
  const [any] = await q.select({ id: business.id }).from(business).limit(1);
  return !any;
}

/**
 * Begins an empty business with the person who does it as its office.
 *
 * @throws a refusal where the person may not, and where the address signs somebody in already.
 */
export async function beginBusiness(scope: Scope | null, begin: Begin, now: Date): Promise<{ userId: string }> {
  if (!(await mayBegin(scope))) throw new Refused(404, "not-found", "There is no such page here.");
  if (isCommon(begin.password)) throw new Refused(422, "common-password", TOO_COMMON, { password: [TOO_COMMON] });
  const start = readPlace(begin.start);
  if (!start) throw new Error("The schema lets only places through.");
  const businessId = newId();
  return inTransaction(async (tx) => {
    const [taken] = await tx.select({ id: user.id }).from(user).where(eq(user.email, begin.email.toLowerCase()));
    if (taken)
      throw new Refused(409, "taken", "The address signs somebody in already.", {
        email: ["This address signs somebody in already. A business of its own needs a login of its own."],
      });
    const userId = await addLogin(tx, { name: begin.person, email: begin.email, password: begin.password }, now);
    await tx.insert(organization).values({ id: businessId, name: begin.name, slug: businessId, createdAt: now });
    await tx.insert(business).values({
      id: businessId,
      name: begin.name,
      zone: begin.zone,
      phone: begin.phone,
      mailFrom: begin.mailFrom,
      ...start,
      ...ROADS,
      limits: DEFAULT_LIMITS,
    });
    await fillKinds(tx, businessId);
    await fillJobs(tx, businessId);
    await tx.insert(member).values({ id: newId(), organizationId: businessId, userId, role: "owner", createdAt: now });
    await tx.insert(person).values({
      id: newId(),
      businessId,
      userId,
      name: begin.person,
      role: "office",
      units: METRIC,
      ...DAY,
    });
    return { userId };
  });
}
