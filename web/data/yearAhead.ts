import { addDays, occurrences, weekday } from "@keel-round/core/calendar";
import {
  learnMinutes,
  libraryTask,
  type MergePlan,
  type MergeTask,
  type MergeVisit,
  mergeTasks,
  seldomTasks,
} from "@keel-round/core/programme";
import { and, avg, eq, inArray, isNotNull, isNull } from "drizzle-orm";
import { db } from "./connection";
import { groupBy } from "./groupBy";
import { taskOf } from "./planInputs";
import { series, site, stepLog, tank, task, visit } from "./schema";
import type { Scope } from "./scope";

/** As far as long jobs are laid out. */
const AHEAD_DAYS = 364;
/** Long jobs take no more of a stop than this, however long it is open. */
const MOST_MINUTES = 75;
const LEAST_MINUTES = 15;
/** A tank nobody has been timed at. */
const USUAL_MINUTES = 35;

/** A year of a site's long jobs on its visits. */
export interface YearAhead {
  readonly visits: readonly MergeVisit[];
  readonly tasks: readonly MergeTask[];
  readonly plan: MergePlan;
}

/** Lays the long and rare jobs of all tanks of a site onto its visits of the coming year. */
export async function loadYear(scope: Scope, siteId: string, today: string): Promise<YearAhead> {
  const q = db();
  const mine = and(eq(tank.businessId, scope.businessId), eq(tank.siteId, siteId), isNull(tank.archivedAt));
  const [[place], rules, tanks] = await Promise.all([
    q
      .select({ windows: site.windows, setUpMinutes: site.setUpMinutes })
      .from(site)
      .where(and(eq(site.businessId, scope.businessId), eq(site.id, siteId))),
    q
      .select({ rule: series.rule, startOn: series.startOn })
      .from(series)
      .where(and(eq(series.businessId, scope.businessId), eq(series.siteId, siteId))),
    q.select({ id: tank.id }).from(tank).where(mine),
  ]);
  const ids = tanks.map((t) => t.id);
  if (!place || ids.length === 0 || rules.length === 0)
    return { visits: [], tasks: [], plan: { placements: [], overload: [], unplaced: [] } };
  const [rows, logged, usual] = await Promise.all([
    q
      .select()
      .from(task)
      .where(and(eq(task.businessId, scope.businessId), inArray(task.tankId, ids), isNull(task.removedAt))),
    q
      .select({ tankId: stepLog.tankId, step: stepLog.step, minutes: stepLog.minutes })
      .from(stepLog)
      .where(and(eq(stepLog.businessId, scope.businessId), inArray(stepLog.tankId, ids), isNotNull(stepLog.minutes)))
      .orderBy(stepLog.onDate),
    q
      .select({ tankId: visit.tankId, minutes: avg(visit.minutes) })
      .from(visit)
      .where(and(eq(visit.businessId, scope.businessId), inArray(visit.tankId, ids), isNotNull(visit.minutes)))
      .groupBy(visit.tankId),
  ]);
  const took = new Map(usual.map((u) => [u.tankId, Number(u.minutes)]));
  const ordinary = place.setUpMinutes + ids.reduce((sum, id) => sum + (took.get(id) ?? USUAL_MINUTES), 0);
  const days = rules.flatMap((r) => occurrences(r.rule, r.startOn, today, addDays(today, AHEAD_DAYS)));
  const visits = [...new Set(days)].sort().map((on) => {
    const window = place.windows[String(weekday(on))];
    const spare = window ? window.to - window.from - ordinary : MOST_MINUTES;
    return { on, freeMinutes: Math.min(MOST_MINUTES, Math.max(LEAST_MINUTES, spare)) };
  });
  const minutes = groupBy(logged, (l) => `${l.tankId} ${l.step}`);
  const byTank = groupBy(rows, (r) => r.tankId);
  const tasks = ids.flatMap((id) =>
    seldomTasks(id, (byTank.get(id) ?? []).map(taskOf), (code) =>
      learnMinutes(
        libraryTask(code).minutes,
        (minutes.get(`${id} ${code}`) ?? []).flatMap((m) => (m.minutes === null ? [] : [m.minutes])),
      ),
    ),
  );
  return { visits, tasks, plan: mergeTasks(visits, tasks) };
}
