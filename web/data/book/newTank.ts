import { quickStart, tankMisfits } from "@keel-round/core/tank";
import { TankKindSchema, VesselSchema } from "@keel-round/core/tank/schema";
import { misfitSentence } from "@keel-round/core/words";
import { and, eq, isNull } from "drizzle-orm";
import { z } from "zod";
import { db } from "../connection";
import { notFound, Refused } from "../define";
import { writeEntries } from "../find/entries";
import { newId } from "../ids";
import { purifierAtSite } from "../programme/follow";
import { giveProgramme } from "../programme/save";
import { deskChange, source, tank } from "../schema";
import type { Scope } from "../scope";
import { refreshStatus } from "../status";
import { inTransaction } from "../transaction";
import type { When } from "../when";
import { firmKind } from "./kinds";
import { brokenLinks } from "./links";
import { MADE } from "./records";
import { wrongWaterSentence } from "./rightWater";
import { layTankVisits } from "./tankVisits";

/** The seven questions a tank begins with. */
export const QuickStartSchema = z.object({
  siteId: z.uuid("Choose the site."),
  name: z.string().trim().min(1, "Give it a name that the owner would use.").max(120, "At most 120 characters."),
  kind: TankKindSchema,
  vessel: VesselSchema,
  sourceId: z.uuid("Choose the new water."),
  sump: z.boolean(),
  startedOn: z.iso.date("That day does not exist."),
});
type QuickStartInput = z.infer<typeof QuickStartSchema>;

/**
 * Makes a tank from seven answers: facts and bands of its kind, its programme, and a visit at every stop of its site.
 *
 * What nobody answered is marked as assumed.
 */
export async function startTank(scope: Scope, input: QuickStartInput, { now, today }: When): Promise<{ id: string }> {
  if (scope.role === "owner") throw notFound("page");
  const { siteId, name, kind, sourceId, ...answers } = input;
  if (input.startedOn > today)
    throw new Refused(422, "invalid", "That day has not come yet.", { startedOn: ["That day has not come yet."] });
  const facts = quickStart({ kind, firm: await firmKind(db(), scope.businessId, kind), ...answers });
  const misfit = tankMisfits(facts)[0];
  if (misfit)
    throw new Refused(422, "invalid", misfitSentence(misfit, scope.units), {
      vessel: [misfitSentence(misfit, scope.units)],
    });
  return inTransaction(async (tx) => {
    const broken = await brokenLinks(tx, scope, "tank", { siteId, sourceId });
    const [field, message] = Object.entries(broken)[0] ?? [];
    if (field && message) throw new Refused(404, "not-found", message, { [field]: [message] });
    const waters = await tx
      .select()
      .from(source)
      .where(and(eq(source.businessId, scope.businessId), isNull(source.archivedAt)));
    const water = waters.find((w) => w.id === sourceId);
    const wrong = water && wrongWaterSentence({ facts }, water);
    if (wrong) throw new Refused(422, "invalid", wrong, { sourceId: [wrong] });
    // Evaporation leaves the salt behind: it is replaced with fresh water, purified where there is some.
    const topUp =
      waters.find((w) => w.facts.kind === "purified") ??
      waters.find((w) => w.facts.kind === "tap" && (w.siteId === null || w.siteId === siteId));
    const id = newId();
    const filled = { siteId, sourceId, topUpSourceId: topUp?.id ?? sourceId };
    await tx.insert(tank).values({
      id,
      businessId: scope.businessId,
      ...filled,
      name,
      kind,
      facts,
    });
    await giveProgramme(
      tx,
      scope.businessId,
      { id, book: { ...facts, kind, purifierAtSite: await purifierAtSite(tx, scope.businessId, filled) } },
      today,
    );
    await tx.insert(deskChange).values({
      id: newId(),
      businessId: scope.businessId,
      personId: scope.personId,
      batchId: newId(),
      entity: "tank",
      entityId: id,
      at: now,
      field: MADE,
      old: null,
      new: name,
    });
    await layTankVisits(tx, scope.businessId, id, today);
    await writeEntries(tx, scope.businessId, { entity: "tank", ids: [id] });
    await refreshStatus(tx, scope.businessId, [id], today);
    return { id };
  });
}
