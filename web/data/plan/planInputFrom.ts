import { addDays } from "@keel-round/core/calendar";
import { DEFAULT_LIMITS, minutesForWater, type PlanInput } from "@keel-round/core/given";
import { kitOnDay } from "@keel-round/core/kits";
import { windowOn } from "@keel-round/core/series";
import { courseDays, type TankFacts } from "@keel-round/core/tank";
import type { Parameter } from "@keel-round/core/units";
import { siteOpenDays } from "../database/openDays";
import type { animal, finding, site } from "../schema";
import { atSite, factsOf, isAskedOn, openFinding, sourceOf, taskOf } from "./asCore";
import { dosesBefore, givenOf, withPumps } from "./doses";
import { ratesOf } from "./rates";
import type { PlanRows, VisitToPlan } from "./rows";
import { asCollected } from "./seaLots";

/** Library weight of a tank's evaporation against logged levels. */
const EVAPORATION_WEIGHT = 2;
const LOGGED_LEVELS = 6;
const LOGGED_STEPS = 12;
/** A van that carries so many kilograms of water carries this many litres of the heaviest. */
const SALT_KG_PER_L = 1.025;
/** Where the recurring stops are not laid out yet, the next visit is taken to be this far off. */
const FALLBACK_INTERVAL_DAYS = 7;

/**
 * What one visit is planned from, out of the rows that were read; null where its tank is gone.
 *
 * What this visit itself logged is left out: it comes from the operation log, on the phone and here alike.
 */
export function planInputFrom(rows: PlanRows, v: VisitToPlan): PlanInput | null {
  const row = rows.tanks.get(v.tankId);
  if (!row) return null;
  const own = rows.ofVisit.get(v.visitId);
  const others = <R extends { readonly visitId: string | null }>(list: readonly R[] | undefined): R[] =>
    (list ?? []).filter((r) => r.visitId !== v.visitId);
  const earlier = <R extends { readonly visitId: string | null; readonly onDate: string }>(
    list: readonly R[] | undefined,
  ): R[] => others(list).filter((r) => r.onDate <= v.on);
  const readings = earlier(rows.readings.get(v.tankId));
  const changes = earlier(rows.changes.get(v.tankId));
  const hours = readings.flatMap((r) =>
    r.parameter === "hours" ? [{ item: r.item, value: r.value, on: r.onDate }] : [],
  );
  const meters = rows.evidence.meters(v.tankId, v.on, hours);
  const byHand = earlier(rows.byHand.get(v.tankId));
  const kept = factsOf(row.tank, (rows.animals.get(v.tankId) ?? []).map(animalGroup));
  const facts = {
    ...withPumps(kept, rows.dosing.pumps.get(v.tankId)),
    evaporationLPerDay: evaporation(
      row.tank.facts.evaporationLPerDay,
      earlier(rows.levels.get(v.tankId)),
      rows.topUps.get(v.tankId) ?? [],
    ),
  };
  const dates = rows.neighbours.get(v.tankId) ?? [];
  const chosen = own?.chosen ?? null;
  const source = sourceOf(rows.chosenWaters.get(chosen?.sourceId ?? "") ?? row.source, v.on);
  const water = asCollected(atSite(source, row.site), rows.seaLots, v.on);
  const input: PlanInput = {
    facts,
    readings: readings.map((r) => ({
      parameter: r.parameter as Parameter,
      value: r.value,
      sigma: r.sigma,
      on: r.onDate,
      ...(r.item ? { item: r.item } : {}),
      ...(r.kitId ? { kit: r.kitId } : {}),
    })),
    rates: ratesOf(facts, water, {
      ...{ readings, changes, on: v.on },
      events: [
        ...(rows.events.get(v.tankId) ?? []),
        ...courseDays(facts.treatment, v.on).map((c) => ({ onDate: c.on, text: c.text })),
      ],
      ...{ doses: dosesBefore(facts, rows.dosing, v.on), byHand },
    }),
    tasks: (rows.tasks.get(v.tankId) ?? [])
      .filter((t) => (rows.carriers.get(`${row.site.id} ${t.code}`) ?? v.tankId) === v.tankId)
      .map((t) => taskOf(t, rows.firmJobs)),
    evidence: {
      ...rows.evidence.of(v.tankId, v.on, hours),
      dirt: earlier(rows.steps.get(v.tankId)).flatMap((s) =>
        s.dirt === null ? [] : [{ job: s.step, on: s.onDate, dirt: s.dirt }],
      ),
    },
    ...(meters.length > 0 ? { meters } : {}),
    source: water,
    topUpSource: sourceOf(row.topUp, v.on),
    ...(rows.kits.length > 0 ? { kits: rows.kits.map((k) => kitOnDay(k, v.on)) } : {}),
    ...(rows.products.length > 0 ? { products: rows.products } : {}),
    ...(rows.remedies.length > 0 ? { remedies: rows.remedies } : {}),
    ...(byHand.length > 0 ? { dosed: givenOf(byHand) } : {}),
    // A firm that set its limits before one of them was known has the usual one.
    limits: { ...DEFAULT_LIMITS, ...rows.limits },
    findings: others(rows.findings.get(v.tankId))
      .filter((f) => isAskedOn(f, v.on))
      .map((f) => openFinding(f, rows.zone)),
    ...toldTroubles(others(rows.findings.get(v.tankId)).filter((f) => isAskedOn(f, v.on))),
    on: v.on,
    nextVisitOn: dates.find((d) => d.onDate > v.on)?.onDate ?? addDays(v.on, FALLBACK_INTERVAL_DAYS),
    lastVisitOn: dates.findLast((d) => d.onDate < v.on && d.state === "closed")?.onDate ?? null,
    ...lastChange(facts, row.source.facts.conditioner?.bindsAmmonia === true, changes),
    belowMarkCm: null,
    ...(chosen ? { chosen } : {}),
    litresOnBoard: own ? own.vanKg / SALT_KG_PER_L : null,
    loggedMinutes: minutesByStep(others(rows.steps.get(v.tankId))),
    personFactor: own?.pace ?? 1,
    site: siteOf(row.site, underTreatment(facts, others(rows.findings.get(v.tankId)), v.on)),
  };
  const window = windowOn(siteOpenDays(row.site, rows.holidays), v.on);
  return {
    ...input,
    minutesForWater: window
      ? minutesForWater(input, window.to - window.from, row.site.setUpMinutes, own?.tanks ?? 1)
      : null,
  };
}

const animalGroup = ({
  id,
  name,
  count,
  hazard,
}: Pick<typeof animal.$inferSelect, "id" | "name" | "count" | "hazard">) => ({
  id,
  name,
  count,
  ...(hazard ? { hazard } : {}),
});

/** Troubles that somebody told from the desk: what is done about them is done on the next visit. */
function toldTroubles(findings: readonly (typeof finding.$inferSelect)[]): Pick<PlanInput, "troubles"> {
  const told = findings.flatMap(({ id, trouble, visitId }) => (trouble && !visitId ? [{ id, trouble }] : []));
  return told.length > 0 ? { troubles: told } : {};
}

/** Half of the tank's own share or more is a change; less is a topping up. */
const A_CHANGE = 0.5;

/** When the tank was changed last, and when a conditioner that binds ammonia went in with that. */
function lastChange(
  facts: TankFacts,
  binds: boolean,
  changes: readonly { readonly onDate: string; readonly share: number }[],
): Pick<PlanInput, "lastChangeOn" | "boundOn"> {
  const last = changes.findLast((c) => c.share >= A_CHANGE * facts.practice.share)?.onDate ?? null;
  return { lastChangeOn: last, boundOn: binds ? (changes.at(-1)?.onDate ?? null) : null };
}

/** What a plan needs to know of the site. */
function siteOf(row: typeof site.$inferSelect, hygieneLast: boolean): PlanInput["site"] {
  const { drain, bucketL, floors, pets, parking, stairs, drainDistanceM, drainDropM, tapDistanceM } = row;
  return {
    drain,
    bucketL,
    hygieneLast,
    ...(row.hotWater === null ? { askHotWater: true as const } : {}),
    ...(floors ? { floors } : {}),
    ...(pets ? { pets } : {}),
    ...(drainDistanceM === null ? {} : { drainDistanceM }),
    ...(drainDropM === null ? {} : { drainDropM }),
    ...(tapDistanceM === null ? {} : { tapDistanceM }),
    ...(stairs === null ? {} : { stairs }),
    ...(parking ? { parking } : {}),
  };
}

/**
 * Whether a tank is being treated on a day: it is then visited last. Until the days of its course are over, and from then until somebody
 * has answered its follow-up.
 */
function underTreatment(
  { treatment }: Pick<TankFacts, "treatment">,
  findings: readonly (typeof finding.$inferSelect)[],
  on: string,
): boolean {
  if (treatment === undefined || on < treatment.startedOn) return false;
  // What has a window and is no trouble is the follow-up of a course.
  return on <= treatment.followUpOn || findings.some((f) => f.giveDays !== null && f.trouble === null);
}

/** What steps took by anybody's usual pace: who is slow by nature does not make the work longer. */
function minutesByStep(
  rows: readonly { step: string; minutes: number | null; pace: number | null }[],
): Record<string, number[]> {
  const by: Record<string, number[]> = {};
  for (const { step, minutes, pace } of rows) {
    if (minutes === null) continue;
    const list = by[step] ?? [];
    list.push(minutes / (pace ?? 1));
    by[step] = list;
  }
  for (const [step, list] of Object.entries(by)) by[step] = list.slice(-LOGGED_STEPS);
  return by;
}

/** Litres a day: the tank's own figure with weight two, and each logged level with what its owner had topped up. */
function evaporation(
  ownLPerDay: number,
  levels: readonly { readonly onDate: string; readonly missingL: number; readonly days: number | null }[],
  topUps: readonly { readonly on: string; readonly litres: number | null }[],
): number {
  const logged = levels.slice(0, LOGGED_LEVELS).flatMap(({ onDate, missingL, days }) => {
    if (!days || days <= 0) return [];
    const since = addDays(onDate, -days);
    const poured = topUps.filter((t) => t.on > since && t.on <= onDate);
    return [(missingL + poured.reduce((sum, t) => sum + (t.litres ?? 0), 0)) / days];
  });
  return (EVAPORATION_WEIGHT * ownLPerDay + logged.reduce((a, b) => a + b, 0)) / (EVAPORATION_WEIGHT + logged.length);
}
