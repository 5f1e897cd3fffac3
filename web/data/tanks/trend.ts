import { addDays, civilOf, daysBetween } from "@keel-round/core/calendar";
import { bringsOf } from "@keel-round/core/change";
import { modeOf, type PlanInput, steadyOf } from "@keel-round/core/given";
import { broughtBy, type IonsMgL } from "@keel-round/core/mixing";
import type { LoggedEvent, TimedChange, TimedDose, TimedValue } from "@keel-round/core/readings";
import type { Message } from "@keel-round/core/say";
import { type Band, courseDays, systemVolumeL } from "@keel-round/core/tank";
import {
  type DoserStep,
  doserStep,
  fallSentence,
  type PumpStep,
  pumpStep,
  type RatioInput,
  ratioSentences,
  STEP_DAYS,
  type Steady,
  spellSentences,
  spellsOf,
  type Together,
  type TrendAnswer,
  type TrendInput,
  trendOf,
  usedTogether,
} from "@keel-round/core/trend";
import { type Parameter, parameterFacts } from "@keel-round/core/units";
import { effectiveShare } from "@keel-round/core/water";
import { and, asc, eq, gte, inArray, isNull } from "drizzle-orm";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { type DoseChange, dosesBefore, dosesByHand, dosingOf, type Pump, pumpRise } from "../plan/doses";
import { isFitted } from "../plan/rates";
import { atFullLevel } from "../plan/rows";
import { reading, tankEvent, visit, waterChange } from "../schema";
import { lastsFrom } from "./kitsAhead";
import type { TankSheet } from "./tanks";

/** A reading as it is drawn. */
export interface DrawnReading extends TimedValue {
  readonly id: string;
  readonly on: string;
  readonly entered: string;
  readonly method: string;
}

/** One figure of a tank over its days; day 0 is today. */
export interface TankTrend {
  readonly parameter: Parameter;
  readonly item: string | null;
  readonly on: string;
  readonly readings: readonly DrawnReading[];
  readonly changes: readonly { readonly day: number; readonly share: number }[];
  /** Doses by hand. */
  readonly given: readonly {
    readonly day: number;
    readonly rise: number;
    readonly amount: number;
    readonly unit: string;
    readonly product: string;
  }[];
  readonly logged: readonly (LoggedEvent & { readonly on: string })[];
  /** Days of the visits that are planned. */
  readonly plannedDays: readonly number[];
  readonly steady: Steady | null;
  readonly daysAhead: number;
  /** Doses that are planned, by hand at the visit and by the owner after it. */
  readonly dosesAhead: readonly TimedDose[];
  /** Null for a figure that no mass balance holds for: it is drawn as it was read. */
  readonly answer: TrendAnswer | null;
  /** Of alkalinity and calcium: that they are used in no ratio that can be; null where they are, or it is not known. */
  readonly together: Together | null;
  /** Of alkalinity where a doser gives it: what it is to be set to; null elsewhere, and where too little is known. */
  readonly doser: DoserStep | null;
  /** When it stood beyond its band, and how far a flow fell. */
  readonly spells: readonly Message[];
  /** What it says beside another figure of the tank. */
  readonly ratios: readonly Message[];
  /** What each dosing pump that gives it is to be set to. */
  readonly pumps: readonly PumpOfTrend[];
}

/** A dosing pump that gives what is drawn. */
export interface PumpOfTrend {
  readonly id: string;
  readonly version: number;
  readonly name: string;
  readonly step: PumpStep;
  /** What it brings along a day, mg/L. */
  readonly brings: IonsMgL | null;
}

/** So far back a course is drawn, and so many visits ahead. */
const YEARS_BACK = 3;
const VISITS_AHEAD = 4;
/** Where nothing is planned. */
const USUAL_DAYS_AHEAD = 42;
const BEYOND_LAST_DAYS = 5;

/** The readings of one parameter with what happened to the water, and where it is going with the visits that are planned. */
export async function loadTrend(
  scope: Pick<Scope, "businessId" | "zone">,
  sheet: TankSheet,
  parameter: Parameter,
  today: string,
  /** Of a flow: the filter whose it is; the return's without one. */
  item: string | null = null,
): Promise<TankTrend> {
  const { input, row } = sheet;
  const since = addDays(today, -365 * YEARS_BACK);
  const q = db();
  const of = <T extends typeof reading | typeof waterChange | typeof tankEvent | typeof visit>(t: T) =>
    and(eq(t.businessId, scope.businessId), eq(t.tankId, row.id));
  const [readings, changes, events, visits, dosing, byHand] = await Promise.all([
    q
      .select({
        ...{ id: reading.id, value: atFullLevel, sigma: reading.sigma, on: reading.onDate, takenAt: reading.takenAt },
        ...{ entered: reading.entered, unit: reading.unit, method: reading.method },
        ...{ kitId: reading.kitId, kitSigma: reading.kitOffsetSigma },
      })
      .from(reading)
      .where(
        and(
          ...[of(reading), eq(reading.parameter, parameter), gte(reading.onDate, since)],
          item === null ? isNull(reading.item) : eq(reading.item, item),
        ),
      )
      .orderBy(asc(reading.takenAt), asc(reading.id)),
    q
      .select({ at: waterChange.at, share: waterChange.share, chemistry: waterChange.chemistry })
      .from(waterChange)
      .where(and(of(waterChange), gte(waterChange.onDate, since)))
      .orderBy(asc(waterChange.at), asc(waterChange.id)),
    q
      .select({ on: tankEvent.onDate, text: tankEvent.text, breaksRate: tankEvent.breaksRate })
      .from(tankEvent)
      .where(and(of(tankEvent), gte(tankEvent.onDate, since)))
      .orderBy(asc(tankEvent.onDate), asc(tankEvent.id)),
    q
      .select({ on: visit.onDate })
      .from(visit)
      .where(and(of(visit), gte(visit.onDate, today), inArray(visit.state, ["planned", "open"])))
      .orderBy(asc(visit.onDate))
      .limit(VISITS_AHEAD),
    dosingOf(q, scope.businessId, [row.id], since),
    dosesByHand(q, scope.businessId, [row.id], since),
  ]);
  const noon = Date.parse(`${today}T12:00:00Z`);
  const dayOf = (at: Date) => (at.getTime() - noon) / 86_400_000;
  const values = readings.map(({ takenAt, entered, unit, kitId, kitSigma, ...r }) => ({
    ...r,
    ...(kitId && kitSigma ? { kit: { id: kitId, sigma: kitSigma } } : {}),
    day: Math.min(0, dayOf(takenAt)),
    entered: `${entered} ${unit}`,
  }));
  const courses = courseDays(input.facts.treatment, today).map((c) => ({ ...c, breaksRate: true }));
  const logged = [...events, ...courses]
    .map((e) => ({ ...e, day: daysBetween(today, e.on) }))
    .sort((a, b) => a.day - b.day);
  const plannedDays = visits.map((v) => daysBetween(today, v.on));
  const steady = steadyFrom(input, parameter, plannedDays, values.at(-1)?.value ?? 0);
  const daysAhead = (plannedDays.at(-1) ?? USUAL_DAYS_AHEAD) + BEYOND_LAST_DAYS;
  const past = changes.flatMap((c): TimedChange[] => {
    const refill = c.chemistry[parameter];
    // Water that says nothing of a builder brings none of it; of anything else it is no drop.
    if (refill === undefined && parameterFacts[parameter].unit !== "mg/L") return [];
    return [{ day: dayOf(c.at), share: c.share, refill: refill ?? 0 }];
  });
  const given = byHand.flatMap((d) => (d.parameter === parameter ? [{ ...d, day: dayOf(d.at) }] : []));
  const dosesAhead = plannedDoses(sheet, parameter, plannedDays);
  const asked: TrendInput = {
    readings: values,
    events: {
      changes: past.filter((c) => c.day <= 0),
      given: given.filter((d) => d.day <= 0),
      ...steadyOf(input.facts, input.source, parameter, dosesBefore(input.facts, dosing, today)),
    },
    logged: logged.filter((e) => e.breaksRate),
    planned: planned(sheet, plannedDays, steady),
    plannedDoses: dosesAhead,
    daysAhead,
    band: input.facts.bands.find((b) => b.parameter === parameter) ?? null,
    steady,
  };
  const answer = isFitted(parameter) ? trendOf(asked) : null;
  const pumps = (dosing.pumps.get(row.id) ?? []).filter((p) => !p.archivedAt && p.product.raises === parameter);
  const setAt = (dosing.changes.get(row.id) ?? []).findLast((c) => c.of === "two-part")?.at;
  const set = setAt ? { at: setAt, on: civilOf(setAt.getTime(), scope.zone).date } : null;
  return {
    ...{ parameter, item, on: today, readings: values, plannedDays, steady, daysAhead, dosesAhead },
    changes: changes.map((c) => ({ day: dayOf(c.at), share: c.share })),
    given: given.map(({ day, rise, amount, unit, product }) => ({ day, rise, amount, unit, product })),
    logged: logged.map(({ day, on, text }) => ({ day, on, text })),
    answer,
    pumps: pumps.flatMap(
      (p) =>
        pumpOf(p, { answer, sheet, readings, today, changes: dosing.changes.get(row.id) ?? [], zone: scope.zone }) ??
        [],
    ),
    doser: parameter === "alkalinity" ? doserOf(answer, input.facts.dosedDkhPerDay ?? 0, readings, set, today) : null,
    spells: spellsSaid(parameter, values, asked.band, today),
    ratios: ratioSentences(parameter, { facts: input.facts, rates: input.rates, latest: latestFigures(input) }),
    together:
      parameter === "alkalinity" || parameter === "calcium"
        ? usedTogether(input.rates, input.facts.dosedDkhPerDay ?? 0)
        : null,
  };
}

/** What was before is history. */
const SPELLS_BACK_DAYS = 365;

function spellsSaid(parameter: Parameter, readings: readonly TimedValue[], band: Band | null, on: string): Message[] {
  const fall = parameter === "flow" ? fallSentence(readings, on) : null;
  const spells = band ? spellsOf(readings, band).filter((s) => s.to >= -SPELLS_BACK_DAYS) : [];
  return [...spellSentences(parameter, spells, on), ...(fall ? [fall] : [])];
}

const latestFigures = ({ readings }: PlanInput): RatioInput["latest"] =>
  Object.fromEntries(readings.map((r) => [r.parameter, r.value]));

interface AroundPump {
  readonly answer: TrendAnswer | null;
  readonly sheet: TankSheet;
  readonly readings: readonly { readonly takenAt: Date }[];
  readonly changes: readonly DoseChange[];
  readonly today: string;
  readonly zone: string;
}

/** The next step of one pump; null where too little is known of the tank, or of what it gives. */
function pumpOf(pump: Pump, { answer, sheet, readings, changes, today, zone }: AroundPump): PumpOfTrend | null {
  const { facts } = sheet.input;
  const perMl = pumpRise(pump, 1, systemVolumeL(facts));
  const left = lastsFrom(pump, today);
  const told = { id: pump.id, version: pump.version, name: pump.name };
  const brings = broughtBy(pump.product, perMl * pump.setMlPerDay);
  if (!answer || perMl <= 0) return null;
  if (!answer.enough) {
    // What it gives is what is used: there is nothing to turn.
    if (answer.reason !== "dosed") return null;
    return { ...told, step: { ok: false, reason: "right", now: pump.setMlPerDay, lastsDays: left }, brings };
  }
  const { perDay, movesPerDay } = answer.trend;
  // What everything gives together, less this pump: the others go on giving it.
  const others = movesPerDay - perDay.value - perMl * pump.setMlPerDay;
  const set = changes.findLast((c) => c.of !== "two-part" && c.of.pump === pump.id);
  const setOn = set && civilOf(set.at.getTime(), zone).date;
  return {
    ...told,
    step: pumpStep({
      perDay: { value: perDay.value + others, low: perDay.low + others, high: perDay.high + others },
      ...{ perMl, setMlPerDay: pump.setMlPerDay },
      usableMl: left === null ? undefined : Math.max(0, left) * pump.setMlPerDay,
      setDaysAgo: setOn ? daysBetween(setOn, today) : null,
      readSince: set ? readings.filter((r) => r.takenAt > set.at).length : readings.length,
      fromOn: setOn ? latest(addDays(setOn, STEP_DAYS), today) : today,
    }),
    brings,
  };
}

function doserOf(
  answer: TrendAnswer | null,
  dosedDkhPerDay: number,
  readings: readonly { readonly takenAt: Date }[],
  set: { readonly at: Date; readonly on: string } | null,
  today: string,
): DoserStep | null {
  if (!answer?.enough || dosedDkhPerDay <= 0) return null;
  return doserStep({
    ...{ perDay: answer.trend.perDay, dosedDkhPerDay },
    setDaysAgo: set && daysBetween(set.on, today),
    readSince: set ? readings.filter((r) => r.takenAt > set.at).length : readings.length,
    fromOn: set ? latest(addDays(set.on, STEP_DAYS), today) : today,
  });
}

const latest = (a: string, b: string): string => (a > b ? a : b);

/** The changes that are planned: the next as its plan has it, the later ones as the tank is changed. */
function planned({ plan, input }: TankSheet, days: readonly number[], steady: Steady | null): TimedChange[] {
  if (!steady) return [];
  const next = shareOf(input.facts, plan.water.litres.value);
  return days.map((day, i) => ({ day, share: i === 0 ? next : steady.share, refill: steady.refill }));
}

/** The dose of the next visit, and the days that the owner goes on with it: what later visits dose is decided there. */
function plannedDoses({ plan }: TankSheet, parameter: Parameter, [next]: readonly number[]): TimedDose[] {
  const dose = plan.corrections?.find((c) => c.ok && c.parameter === parameter);
  if (!dose?.ok || next === undefined) return [];
  const { rise, amount, restAmount, restDays, product } = dose;
  const perDay = restDays > 0 ? ((restAmount / restDays) * rise) / amount.value : 0;
  const rest = product.ownerGives
    ? Array.from({ length: restDays }, (_, i) => ({ day: next + i + 1, rise: perDay }))
    : [];
  return [{ day: next, rise }, ...rest];
}

/** The share of a change that takes effect. */
function shareOf(facts: PlanInput["facts"], litres: number): number {
  const systemL = systemVolumeL(facts);
  return effectiveShare(litres, systemL, modeOf(facts), facts.deadL ?? 0);
}

/** How the tank is changed from now on: its own share at the rhythm of its planned visits, with the water it gets. */
function steadyFrom(
  { facts, source }: PlanInput,
  parameter: Parameter,
  plannedDays: readonly number[],
  latest: number,
): Steady | null {
  const [first, last] = [plannedDays[0], plannedDays.at(-1)];
  if (first === undefined || last === undefined) return null;
  const intervalDays = plannedDays.length > 1 ? (last - first) / (plannedDays.length - 1) : first;
  const share = shareOf(facts, facts.practice.share * systemVolumeL(facts));
  return { share, intervalDays, refill: bringsOf(source, parameter, latest), mostShare: facts.mostShare };
}
