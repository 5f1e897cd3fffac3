import { addDays } from "@keel-round/core/calendar";
import { BIOLOGICAL_REST_DAYS, codeOfMergeId } from "@keel-round/core/programme";
import { wearOf } from "@keel-round/core/upkeep";
import { and, asc, eq, inArray, isNull, like } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { clientsInSight, inSight } from "../access/sight";
import { db } from "../database/connection";
import { groupBy } from "../database/groupBy";
import { equipment, site, tank } from "../schema";
import { loadYear } from "./yearAhead";

/** Weeks that the firm's frieze shows. */
export const FIRM_DAYS = 84;
const PAGE_SITES = 14;

/** A site's coming weeks: what rides with each visit, and what wears out. */
export interface SiteUpkeep {
  readonly siteId: string;
  readonly name: string;
  readonly tankId: string;
  readonly visits: readonly {
    readonly on: string;
    readonly minutes: number;
    readonly freeMinutes: number;
    readonly jobs: readonly { readonly name: string; readonly late: boolean }[];
  }[];
  readonly wears: readonly { readonly on: string; readonly name: string }[];
  /** Four weeks in which a tank's other filters are left alone. */
  readonly rests: readonly { readonly from: string; readonly to: string; readonly says: string }[];
  /** Rules that the plan does not keep, and jobs that find no visit. */
  readonly broken: number;
  readonly unplaced: number;
}

export interface FirmUpkeep {
  readonly sites: readonly SiteUpkeep[];
  readonly total: number;
  readonly pages: number;
}

/** The coming weeks of some sites of the firm, a page at a time, by name. */
export async function loadFirmUpkeep(
  scope: Scope,
  { today, page, q }: { readonly today: string; readonly page: number; readonly q: string },
): Promise<FirmUpkeep> {
  const clients = await clientsInSight(scope);
  const all = await db()
    .selectDistinct({ id: site.id, name: site.name })
    .from(site)
    .innerJoin(tank, and(eq(tank.businessId, site.businessId), eq(tank.siteId, site.id), isNull(tank.archivedAt)))
    .where(
      and(
        eq(site.businessId, scope.businessId),
        isNull(site.archivedAt),
        inSight(site.clientId, clients),
        q ? like(site.name, `%${q.replace(/[%_\\]/g, "\\$&")}%`) : undefined,
      ),
    )
    .orderBy(asc(site.name));
  const sites = all.slice((page - 1) * PAGE_SITES, page * PAGE_SITES);
  const last = addDays(today, FIRM_DAYS);
  const years = [];
  for (const { id, name } of sites) years.push({ name, year: await loadYear(db(), scope.businessId, id, today) });
  const tankIds = years.flatMap(({ year }) => year.tanks.map((t) => t.id));
  const gear =
    tankIds.length === 0
      ? []
      : await db()
          .select()
          .from(equipment)
          .where(
            and(
              eq(equipment.businessId, scope.businessId),
              inArray(equipment.tankId, tankIds),
              isNull(equipment.archivedAt),
            ),
          );
  const gearOf = groupBy(gear, (g) => g.tankId);
  return {
    total: all.length,
    pages: Math.max(1, Math.ceil(all.length / PAGE_SITES)),
    sites: years.flatMap(({ name, year }) => {
      const [first] = year.tanks;
      if (!first) return [];
      // Only where a tank has another filter to leave alone.
      const units = new Map(
        year.tasks.map((t) => [
          t.id,
          t.unit !== undefined && year.tasks.some((o) => o.tankId === t.tankId && o.unit && o.unit !== t.unit),
        ]),
      );
      const minutesOf = new Map(year.tasks.map((t) => [t.id, t.minutes]));
      const nameOf = (id: string) => {
        const of = year.tanks.find((t) => id.startsWith(`${t.id} `));
        const job = of?.nameOf[codeOfMergeId(id)] ?? codeOfMergeId(id);
        return year.tanks.length > 1 ? `${job}, ${of?.name}` : job;
      };
      const byVisit = groupBy(
        year.plan.placements.filter((p) => p.on <= last),
        (p) => p.on,
      );
      return [
        {
          siteId: year.siteId,
          name,
          tankId: first.id,
          visits: year.visits
            .filter((v) => v.on <= last)
            .map(({ on, freeMinutes }) => {
              const turns = byVisit.get(on) ?? [];
              return {
                on,
                freeMinutes,
                minutes: turns.reduce((sum, t) => sum + (minutesOf.get(t.taskId) ?? 0), 0),
                jobs: turns.map((t) => ({ name: nameOf(t.taskId), late: t.lateDays > 0 })),
              };
            }),
          wears: year.tanks.flatMap((t) =>
            (gearOf.get(t.id) ?? []).flatMap((g) => {
              const on = wearOf(g, today).replaceDueOn;
              return on && on <= last ? [{ on: on < today ? today : on, name: `${g.name}, ${t.name}` }] : [];
            }),
          ),
          rests: year.plan.placements
            .filter((p) => units.get(p.taskId) && p.on <= last)
            .map((p) => ({ from: p.on, to: addDays(p.on, BIOLOGICAL_REST_DAYS), says: nameOf(p.taskId) })),
          broken: year.plan.broken.filter((b) => b.on <= last || b.otherOn <= last).length,
          unplaced: year.plan.unplaced.length,
        },
      ];
    }),
  };
}
