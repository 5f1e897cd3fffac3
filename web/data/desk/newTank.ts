import { USUAL_WATERS, type UsualWater, usualWater, type Values } from "@keel-round/core/desk";
import { quickStart, tankMisfits } from "@keel-round/core/tank";
import { TankKindSchema, VesselSchema } from "@keel-round/core/tank/schema";
import { misfitSentence } from "@keel-round/core/words";
import { and, eq, isNull, sql } from "drizzle-orm";
import { z } from "zod";
import { notFound, Refused } from "../access/define";
import type { Scope } from "../access/scope";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import { inTransaction, type Queries } from "../database/transaction";
import { writeEntries } from "../find/entries";
import { purifierAtSite } from "../programme/follow";
import { giveProgramme } from "../programme/save";
import { deskChange, source, tank } from "../schema";
import { refreshStatus } from "../tanks/status";
import { firmKind } from "./kinds";
import { brokenLinks } from "./links";
import { insertRecord, MADE } from "./records";
import { wrongWaterSentence } from "./rightWater";
import { layTankVisits } from "./tankVisits";

/** The seven questions a tank begins with. */
export const QuickStartSchema = z.object({
  siteId: z.uuid("Choose the site."),
  name: z.string().trim().min(1, "Give it a name that the owner would use.").max(120, "At most 120 characters."),
  kind: TankKindSchema,
  vessel: VesselSchema,
  /** One that is known, or one that is made with the tank, as it usually is. */
  water: z.union([z.object({ id: z.uuid() }), z.object({ make: z.enum(USUAL_WATERS) })], "Choose the new water."),
  sump: z.boolean(),
  startedOn: z.iso.date("That day does not exist."),
});
type QuickStartInput = z.infer<typeof QuickStartSchema>;

/**
 * Makes a tank from seven answers: facts and bands of its kind, its programme, and a visit at every stop of its site.
 *
 * What nobody answered is marked as assumed.
 */
export async function startTank(scope: Scope, input: QuickStartInput, when: When): Promise<{ id: string }> {
  return inTransaction((tx) => startTankIn(tx, scope, input, when));
}

/** The same as a part of a larger transaction. */
export async function startTankIn(
  tx: Queries,
  scope: Scope,
  input: QuickStartInput,
  { now, today }: When,
): Promise<{ id: string }> {
  if (scope.role === "tankOwner") throw notFound("page");
  const { siteId, name, kind, water: asked, ...answers } = input;
  if (input.startedOn > today)
    throw new Refused(422, "invalid", "That day has not come yet.", { startedOn: ["That day has not come yet."] });
  const facts = quickStart({ kind, firm: await firmKind(tx, scope.businessId, kind), ...answers });
  const misfit = tankMisfits(facts)[0];
  if (misfit)
    throw new Refused(422, "invalid", misfitSentence(misfit, scope.units), {
      vessel: [misfitSentence(misfit, scope.units)],
    });
  const batchId = newId();
  const known: Values = "id" in asked ? { siteId, sourceId: asked.id } : { siteId };
  const broken = await brokenLinks(tx, scope, "tank", known);
  const [field, message] = Object.entries(broken)[0] ?? [];
  if (field && message) throw new Refused(404, "not-found", message, { [field]: [message] });
  const sourceId = "id" in asked ? asked.id : await makeWater(tx, scope, asked.make, siteId, { now, today }, batchId);
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
    { id, facts: { ...facts, kind, purifierAtSite: await purifierAtSite(tx, scope.businessId, filled) } },
    today,
  );
  await tx.insert(deskChange).values({
    id: newId(),
    businessId: scope.businessId,
    personId: scope.personId,
    batchId,
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
}

/**
 * A water that the firm does not have yet. Salt water is made of RO water and topped up with it, so that this comes too.
 *
 * @returns the id of the water that was asked for.
 */
async function makeWater(
  tx: Queries,
  scope: Scope,
  kind: UsualWater,
  siteId: string,
  when: When,
  batchId: string,
): Promise<string> {
  const make = (of: UsualWater) => insertRecord(tx, scope, "source", usualWater(of, siteId), {}, when, batchId);
  if (kind === "mix" || kind === "natural-sea") {
    const [purified] = await tx
      .select({ id: source.id })
      .from(source)
      .where(
        and(
          eq(source.businessId, scope.businessId),
          isNull(source.archivedAt),
          eq(sql`json_value(${source.facts}, '$.kind')`, "purified"),
        ),
      )
      .limit(1);
    if (!purified) await make("purified");
  }
  return make(kind);
}
