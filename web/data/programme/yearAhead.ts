import { addDays } from "@keel-round/core/calendar";
import { programmeOn } from "@keel-round/core/given";
import {
  type BiologyLeft,
  biologyLeft,
  isSeldom,
  learnMinutes,
  type MergePlan,
  type MergeTask,
  type MergeVisit,
  mergeTasks,
  partsOf,
  type RotationTurn,
  restLimit,
  rotationOf,
  seldomTasks,
  type TankTask,
  taskName,
  unitOf,
  youngPhases,
} from "@keel-round/core/programme";
import { landOn, type OpenDays, seriesDates, windowOn } from "@keel-round/core/series";
import type { TankFacts } from "@keel-round/core/tank";
import { and, avg, eq, gte, inArray, isNotNull, isNull, lte } from "drizzle-orm";
import { firmHolidays, siteOpenDays } from "../database/openDays";
import type { Queries } from "../database/transaction";
import { loadPlanInputs } from "../plan/planInputs";
import { series, site, stop, tank, visit } from "../schema";
import { recurrenceOf } from "../series/rows";

/** As far as long jobs are laid out. */
const AHEAD_DAYS = 364;
/** Long jobs take no more of a stop than this, however long it is open. */
const MOST_MINUTES = 75;
const LEAST_MINUTES = 15;
/** A tank nobody has been timed at. */
const USUAL_MINUTES = 35;

/** A tank in a site's year: its programme as it stands, and what keeps its filters apart. */
export interface YearTank {
  readonly id: string;
  readonly name: string;
  readonly tasks: readonly TankTask[];
  readonly nameOf: Readonly<Record<string, string>>;
  /** Of each unit that a job opens, by the job's code. */
  readonly left: Readonly<Record<string, BiologyLeft>>;
  readonly limit: ReturnType<typeof restLimit>;
  /** What is cleaned a part at a time, with which part comes when. */
  readonly rotations: readonly {
    readonly code: string;
    readonly parts: number;
    readonly turns: readonly RotationTurn[];
  }[];
  /** The calendar of a tank that is still young. */
  readonly young: readonly {
    readonly name: string;
    readonly says: string;
    readonly from: string;
    readonly to: string;
  }[];
}

/** A year of a site's long jobs on its visits. */
export interface YearAhead {
  readonly siteId: string;
  readonly tanks: readonly YearTank[];
  readonly visits: readonly MergeVisit[];
  readonly tasks: readonly MergeTask[];
  readonly plan: MergePlan;
}

const NOTHING: MergePlan = { placements: [], overload: [], broken: [], unplaced: [] };

/** Lays the long and rare jobs of all tanks of a site onto its visits of the coming year. */
export async function loadYear(q: Queries, businessId: string, siteId: string, today: string): Promise<YearAhead> {
  const mine = and(eq(tank.businessId, businessId), eq(tank.siteId, siteId), isNull(tank.archivedAt));
  const [[place], rules, tanks, stops] = await Promise.all([
    q
      .select({
        windows: site.windows,
        dates: site.dates,
        busy: site.busy,
        holidays: site.holidays,
        setUpMinutes: site.setUpMinutes,
      })
      .from(site)
      .where(and(eq(site.businessId, businessId), eq(site.id, siteId))),
    q
      .select()
      .from(series)
      .where(and(eq(series.businessId, businessId), eq(series.siteId, siteId))),
    q.select({ id: tank.id, name: tank.name }).from(tank).where(mine),
    q
      .select({ on: stop.onDate, originalOn: stop.originalOn, off: stop.off })
      .from(stop)
      .where(
        and(
          eq(stop.businessId, businessId),
          eq(stop.siteId, siteId),
          gte(stop.onDate, today),
          lte(stop.onDate, addDays(today, AHEAD_DAYS)),
        ),
      ),
  ]);
  const ids = tanks.map((t) => t.id);
  if (!place || ids.length === 0 || (rules.length === 0 && stops.length === 0))
    return { siteId, tanks: [], visits: [], tasks: [], plan: NOTHING };
  // A visit id that no visit has: nothing of the day is left out.
  const inputs = await loadPlanInputs(
    q,
    businessId,
    ids.map((tankId) => ({ visitId: tankId, tankId, on: today })),
  );
  const usual = await usualMinutes(q, businessId, ids);
  const ordinary = place.setUpMinutes + ids.reduce((sum, id) => sum + (usual.get(id) ?? USUAL_MINUTES), 0);
  const open = siteOpenDays(place, await firmHolidays(q, businessId));
  const days = daysOf(rules, stops, open, today);
  const visits = days.map((on) => {
    const window = windowOn(open, on);
    const spare = window ? window.to - window.from - ordinary : MOST_MINUTES;
    return { on, freeMinutes: Math.min(MOST_MINUTES, Math.max(LEAST_MINUTES, spare)) };
  });
  const years = tanks.flatMap(({ id, name }) => {
    const input = inputs.get(id);
    if (!input) return [];
    const tasks = programmeOn(input, true);
    const of = (t: TankTask) => [t.code, taskName(t, input.facts)] as const;
    const merged = seldomTasks(id, tasks, input.facts, (code, job) =>
      learnMinutes(job.minutes, input.loggedMinutes[code] ?? []),
    );
    const left = tasks.flatMap((t) => {
      const unit = unitOf(t);
      return unit === null ? [] : [[t.code, biologyLeft(input.facts, unit)] as const];
    });
    return [
      {
        merged,
        tank: {
          id,
          name,
          tasks,
          nameOf: Object.fromEntries(tasks.map(of)),
          left: Object.fromEntries(left),
          limit: restLimit(tasks, input.facts),
          rotations: rotationsOf(tasks, input.facts, days),
          young: youngCalendar(input.facts, today),
        },
      },
    ];
  });
  const tasks = years.flatMap((y) => y.merged);
  return { siteId, tanks: years.map((y) => y.tank), visits, tasks, plan: mergeTasks(visits, tasks) };
}

/** Parts of a bed that come with the visits; jobs that are laid out have theirs there. */
function rotationsOf(tasks: readonly TankTask[], facts: TankFacts, days: readonly string[]): YearTank["rotations"] {
  return tasks.flatMap((t) => {
    const parts = partsOf(t, facts);
    return parts === null || isSeldom(t) ? [] : [{ code: t.code, parts, turns: rotationOf(t, parts, days) }];
  });
}

/** The stretches of a tank's first months that are not over yet. */
function youngCalendar(facts: TankFacts, today: string): YearTank["young"] {
  return youngPhases(facts)
    .map(({ name, says, fromDay, toDay }) => ({
      name,
      says,
      from: addDays(facts.startedOn, fromDay),
      to: addDays(facts.startedOn, toDay),
    }))
    .filter((p) => p.to > today);
}

/** Days of the coming year: the stops that are laid out, moved ones where they are, and after them the series. */
function daysOf(
  rows: readonly (typeof series.$inferSelect)[],
  stops: readonly { readonly on: string; readonly originalOn: string; readonly off: string | null }[],
  windows: OpenDays,
  today: string,
): string[] {
  const last = stops.reduce((max, s) => (s.originalOn > max ? s.originalOn : max), addDays(today, -1));
  const later = rows.flatMap((r) => seriesDates(recurrenceOf(r), addDays(last, 1), addDays(today, AHEAD_DAYS)));
  return [
    ...new Set([...stops.filter((s) => !s.off).map((s) => s.on), ...later.flatMap((on) => landOn(windows, on) ?? [])]),
  ].sort();
}

/** What a visit of each tank usually takes. */
async function usualMinutes(q: Queries, businessId: string, ids: readonly string[]): Promise<Map<string, number>> {
  const rows = await q
    .select({ tankId: visit.tankId, minutes: avg(visit.minutes) })
    .from(visit)
    .where(and(eq(visit.businessId, businessId), inArray(visit.tankId, [...ids]), isNotNull(visit.minutes)))
    .groupBy(visit.tankId);
  return new Map(rows.map((u) => [u.tankId, Number(u.minutes)]));
}
