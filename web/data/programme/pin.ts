import { daysBetween, sayDay } from "@keel-round/core/calendar";
import { beyondWindowDays, dueOn, mergeId, mergeTasks, performerOf } from "@keel-round/core/programme";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import { lockTank } from "../access/locks";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction } from "../database/transaction";
import { deskChange, person, task } from "../schema";
import { laySite } from "./layJobs";
import { loadYear } from "./yearAhead";

/** The visit that somebody puts a job on; null gives it back to the plan. */
export const PinSchema = z.object({
  tankId: z.uuid("Reload the sheet and try again."),
  code: z.string().min(1).max(60),
  on: z.iso.date("That day does not exist.").nullable(),
  reason: z.string().trim().max(400).optional(),
});

/**
 * Puts a job on a visit, or gives it back to the plan; the site's other long jobs make room.
 *
 * @throws a refusal for a day without a visit, and for one that breaks a rule or its window as long as no reason is given.
 */
export async function pinJob(
  scope: Scope,
  { tankId, code, on, reason }: z.infer<typeof PinSchema>,
  { now, today }: When,
): Promise<void> {
  await inTransaction(async (tx) => {
    const tank = await lockTank(tx, scope, tankId);
    const [row] = await tx
      .select()
      .from(task)
      .where(
        and(
          eq(task.businessId, scope.businessId),
          eq(task.tankId, tank.id),
          eq(task.code, code),
          isNull(task.removedAt),
        ),
      );
    if (!row) throw notFound("job");
    const year = await loadYear(tx, scope.businessId, tank.siteId, today);
    const of = year.tanks.find((t) => t.id === tank.id)?.tasks.find((t) => t.code === code);
    if (!of || performerOf(of) !== "technician") throw notFound("job");
    if (on !== null) {
      if (!year.visits.some((v) => v.on === on))
        throw new Refused(422, "no-visit", `There is no visit on ${sayDay(on)}.`, { on: ["Choose a day of a visit."] });
      const id = mergeId(tank.id, code);
      const { broken } = mergeTasks(
        year.visits,
        year.tasks.map((t) => (t.id === id ? { ...t, pinnedOn: on } : t)),
      );
      const remedy = year.tasks.find((t) => t.id === id)?.notBefore;
      const breaks =
        (remedy !== undefined && on < remedy) ||
        broken.some((b) => [b.taskId, b.otherId].includes(id) && [b.on, b.otherOn].includes(on));
      const outside = beyondWindowDays(of, daysBetween(dueOn(of), on)) > 0;
      if ((breaks || outside) && !reason)
        throw new Refused(
          422,
          "reason-needed",
          breaks ? "This breaks a rule: say why it is right here." : "This lies outside its window: say why.",
          { reason: ["Say why in a few words."] },
        );
    }
    const [me] = await tx.select({ name: person.name }).from(person).where(eq(person.id, scope.personId));
    const pin = on === null ? null : { on, by: me?.name ?? "", ...(reason ? { reason } : {}) };
    await tx.update(task).set({ pin }).where(eq(task.id, row.id));
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "tank",
      entityId: tank.id,
      at: now,
      field: `job:${code}:visit`,
      old: row.pin ? row.pin.on : "as planned",
      new: on === null ? "as planned" : `${on}${reason ? `, ${reason}` : ""}`,
    });
    await laySite(tx, scope.businessId, tank.siteId, today);
  });
}
