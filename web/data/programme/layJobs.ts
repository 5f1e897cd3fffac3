import { mergeId } from "@keel-round/core/programme";
import { and, eq, inArray, isNull } from "drizzle-orm";
import { db } from "../database/connection";
import { inTransaction, type Queries } from "../database/transaction";
import { site, tank, task } from "../schema";
import { loadYear } from "./yearAhead";

/** A job that is laid on another visit than before. */
export interface Laid {
  readonly moved: number;
  readonly jobs: number;
}

/** Lays the long jobs of a site out anew, and keeps for each the visit that it rides with next. */
export async function laySite(q: Queries, businessId: string, siteId: string, today: string): Promise<Laid> {
  const year = await loadYear(q, businessId, siteId, today);
  const next = new Map<string, string>();
  for (const p of year.plan.placements) if (!next.has(p.taskId)) next.set(p.taskId, p.on);
  const ids = year.tanks.map((t) => t.id);
  if (ids.length === 0) return { moved: 0, jobs: 0 };
  const rows = await q
    .select({ id: task.id, tankId: task.tankId, code: task.code, plannedOn: task.plannedOn })
    .from(task)
    .where(and(eq(task.businessId, businessId), inArray(task.tankId, ids), isNull(task.removedAt)));
  let moved = 0;
  for (const row of rows) {
    const on = next.get(mergeId(row.tankId, row.code)) ?? null;
    if (on === row.plannedOn) continue;
    moved += 1;
    await q.update(task).set({ plannedOn: on }).where(eq(task.id, row.id));
  }
  return { moved, jobs: next.size };
}

/** How far laying out the whole firm has come. */
export interface LayProgress {
  readonly sites: number;
  readonly of: number;
  readonly moved: number;
  readonly jobs: number;
}

/**
 * Lays the long jobs of every site of a firm out for a year, a site at a time. Stops between two sites when it is
 * cancelled; what was laid until then stays.
 */
export async function* layFirm(businessId: string, today: string, signal?: AbortSignal): AsyncGenerator<LayProgress> {
  const sites = await db()
    .selectDistinct({ id: site.id })
    .from(site)
    .innerJoin(tank, and(eq(tank.businessId, site.businessId), eq(tank.siteId, site.id), isNull(tank.archivedAt)))
    .where(and(eq(site.businessId, businessId), isNull(site.archivedAt)));
  let [done, moved, jobs] = [0, 0, 0];
  for (const { id } of sites) {
    if (signal?.aborted) return;
    const laid = await inTransaction((tx) => laySite(tx, businessId, id, today));
    done += 1;
    moved += laid.moved;
    jobs += laid.jobs;
    yield { sites: done, of: sites.length, moved, jobs };
  }
}

/** The same without anybody watching, once a night. */
export async function layAll(businessId: string, today: string): Promise<void> {
  for await (const _ of layFirm(businessId, today));
}
