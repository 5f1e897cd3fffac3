import { asksFor, type Job } from "@keel-round/core/programme";
import type { TankKind } from "@keel-round/core/tank";
import { and, eq, inArray } from "drizzle-orm";
import type { When } from "../access/when";
import { newId } from "../database/ids";
import type { Queries } from "../database/transaction";
import { jobsOfKind } from "../library/firmJobs";
import { source, type tank, task } from "../schema";
import { begun } from "./save";

type TankRow = Pick<typeof tank.$inferSelect, "kind" | "facts" | "siteId" | "sourceId" | "topUpSourceId">;

/** What a change of a tank did to its programme: whether a job is in it now. */
export interface Followed {
  readonly code: string;
  readonly active: boolean;
}

/** Whether a purifier of the tank's own site makes some of its water. The firm's own is upkept once, for all tanks. */
export async function purifierAtSite(
  q: Queries,
  businessId: string,
  { siteId, sourceId, topUpSourceId }: Pick<TankRow, "siteId" | "sourceId" | "topUpSourceId">,
): Promise<boolean> {
  const waters = await q
    .select({ facts: source.facts })
    .from(source)
    .where(
      and(
        eq(source.businessId, businessId),
        eq(source.siteId, siteId),
        inArray(source.id, [...new Set([sourceId, topUpSourceId])]),
      ),
    );
  return waters.some((w) => w.facts.kind === "purified" || w.facts.kind === "remineralised");
}

/** The jobs of a kind of tank that what stands there asks for. */
async function jobsAsked(q: Queries, businessId: string, row: TankRow): Promise<Map<string, Job>> {
  const facts = { ...row.facts, purifierAtSite: await purifierAtSite(q, businessId, row) };
  const jobs = await jobsOfKind(q, businessId, row.kind as TankKind);
  return new Map(jobs.filter(({ job }) => asksFor(job, facts)).map(({ code, job }) => [code, job]));
}

/**
 * Jobs follow what hangs on a tank: those that a change of it asks for begin, those that it no longer asks for rest.
 *
 * What somebody put in or took out by hand and the change says nothing of stays as it is.
 */
export async function followTank(
  tx: Queries,
  businessId: string,
  tankId: string,
  before: TankRow,
  after: TankRow,
  { now, today }: When,
): Promise<Followed[]> {
  const [had, has] = [await jobsAsked(tx, businessId, before), await jobsAsked(tx, businessId, after)];
  const added = [...has].filter(([code]) => !had.has(code));
  const gone = [...had.keys()].filter((code) => !has.has(code));
  const mine = and(eq(task.businessId, businessId), eq(task.tankId, tankId));
  const present = new Map((await tx.select().from(task).where(mine)).map((t) => [t.code, t]));
  const followed: Followed[] = [];
  for (const [code, job] of added) {
    const row = present.get(code);
    if (row?.removedAt === null) continue;
    if (row)
      await tx
        .update(task)
        .set({ removedAt: null })
        .where(and(mine, eq(task.id, row.id)));
    else await tx.insert(task).values({ id: newId(), businessId, tankId, ...begun(code, job, today) });
    followed.push({ code, active: true });
  }
  for (const code of gone) {
    if (present.get(code)?.removedAt !== null) continue;
    await tx
      .update(task)
      .set({ removedAt: now })
      .where(and(mine, eq(task.code, code)));
    followed.push({ code, active: false });
  }
  return followed;
}

/** Whether a change of a tank can ask for other jobs. */
export const asksAnew = (changed: readonly string[]): boolean =>
  changed.some((key) =>
    ["kind", "gear", "sump", "topUp", "lidded", "filterUnits", "sourceId", "topUpSourceId", "siteId"].includes(
      key.split(".")[0] ?? key,
    ),
  ) || changed.includes("display.substrate");
