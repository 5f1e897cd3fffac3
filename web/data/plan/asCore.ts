import { addDays, civilOf } from "@keel-round/core/calendar";
import { type OpenFinding, sourceOn, type WaterSource } from "@keel-round/core/given";
import { jobOf, type TankTask } from "@keel-round/core/programme";
import { practised, type TankFacts, type TankKind } from "@keel-round/core/tank";
import type { FirmJobs } from "../library/firmJobs";
import type { finding, site, source, tank, task } from "../schema";

// Rows of the database as the core knows them.

/** The row of a source as the core knows it on a day. */
export function sourceOf(row: typeof source.$inferSelect, on: string): WaterSource {
  const water = sourceOn({ id: row.id, name: row.name, ...row.facts }, on);
  return row.siteId === null ? water : { ...water, atSite: true };
}

/** The row of a tank as the core knows it, with the animals that live in it where the plan asks for them. */
export function factsOf(row: typeof tank.$inferSelect, animals: TankFacts["animals"] = []): TankFacts {
  return practised({ id: row.id, name: row.name, kind: row.kind as TankKind, ...row.facts, animals } as TankFacts);
}

/** Tasks of the programme as the core knows them. */
export function taskOf(row: typeof task.$inferSelect, firm: FirmJobs): TankTask {
  const job = firm.jobOf(row.code);
  // A tank that takes its own time for a job has its own copy of it.
  const own = row.minutes === null ? job : { ...(job ?? jobOf(row)), minutes: row.minutes };
  return {
    code: row.code,
    ...(own ? { job: own } : {}),
    ...(row.cadence ? { cadence: row.cadence } : {}),
    ...(row.performer ? { by: row.performer } : {}),
    ...(row.plannedOn ? { plannedOn: row.plannedOn } : {}),
    ...(row.pin ? { pin: row.pin } : {}),
    everyDays: row.everyDays,
    giveDays: row.giveDays,
    ...(row.earlyDays === null ? {} : { earlyDays: row.earlyDays }),
    lastDoneOn: row.lastDoneOn,
    ...(row.begun ? { begun: true } : {}),
    slips: row.slips,
    lastSector: row.lastSector,
    ...(row.lastSkipReason ? { lastSkipReason: row.lastSkipReason } : {}),
  };
}

/** Water as it comes at a site: a tap without hot water cannot be warmed. */
export const atSite = (water: WaterSource, row: Pick<typeof site.$inferSelect, "hotWater">): WaterSource =>
  (water.kind === "tap" || water.kind === "tap-minerals") && !row.hotWater ? { ...water, canWarm: false } : water;

/** What has a window is asked for in it, not at every visit before. */
export const isAskedOn = (
  { giveDays, dueOn }: Pick<typeof finding.$inferSelect, "giveDays" | "dueOn">,
  on: string,
): boolean => giveDays === null || dueOn === null || on >= addDays(dueOn, -giveDays);

/** A row of the findings as the core knows it. */
export function openFinding(row: typeof finding.$inferSelect, zone: string): OpenFinding {
  return {
    ...{ id: row.id, kind: row.kind, text: row.text },
    ...(row.dueOn ? { dueOn: row.dueOn } : {}),
    ...(row.minutes ? { minutes: row.minutes } : {}),
    ...(row.trouble ? { trouble: row.trouble } : {}),
    ...(row.giveDays === null ? {} : { giveDays: row.giveDays }),
    ...(row.toldBy ? { toldOn: civilOf(row.seenAt.getTime(), zone).date } : {}),
  };
}
