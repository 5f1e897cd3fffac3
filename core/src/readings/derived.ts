import { daysBetween } from "../calendar/civil.ts";
import { median } from "../numeric/index.ts";
import type { Parameter } from "../units/index.ts";
import { CO2_RELATIVE, co2MgL, freeAmmoniaMgL } from "../water/index.ts";

/** What is worked out of what was logged on one day, as a series of its own. */
export type Derived = "free-ammonia" | "co2" | "evaporation" | "running";

/** A reading, canonical. */
export interface DatedReading {
  readonly parameter: Parameter;
  readonly value: number;
  readonly sigma: number;
  /** Civil date. */
  readonly on: string;
}

/** A day's figure with what it was worked out of; the range holds 19 of 20. */
export interface DerivedPoint {
  readonly on: string;
  /** mg/L, of ammonia as NH3; of evaporation L a day; of what runs h a day. */
  readonly value: number;
  readonly low: number;
  readonly high: number;
  /** What it leans on; a temperature or salinity that nobody read that day is the tank's own. */
  readonly from: Readonly<Partial<Record<Parameter, number>>>;
  readonly assumed: readonly Parameter[];
  /** Of evaporation: how far below its mark it stood, after how long. */
  readonly stood?: Pick<LoggedLevel, "belowCm" | "days">;
  /** Of what runs: what its hour meter showed, and how many days after the reading before. */
  readonly meter?: { readonly hours: number; readonly days: number };
}

/** How far a tank stood below its mark on arrival. */
export interface LoggedLevel {
  /** Civil date. */
  readonly on: string;
  readonly belowCm: number;
  /** What that is in litres. */
  readonly missingL: number;
  /** Since the visit before, when it stood at its mark; more than none. */
  readonly days: number;
}

/** What a tank is kept at, where a day has no reading of it. */
export interface KeptAt {
  readonly targetC: number;
  readonly targetPsu: number;
}

const Z95 = 1.959964;

/** The readings of each day, the last of a parameter counting. */
function byDay(readings: readonly DatedReading[]): [string, Map<Parameter, DatedReading>][] {
  const days = new Map<string, Map<Parameter, DatedReading>>();
  for (const r of readings) days.set(r.on, (days.get(r.on) ?? new Map()).set(r.parameter, r));
  return [...days].sort(([a], [b]) => (a < b ? -1 : 1));
}

const bounded = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/**
 * Free ammonia of each day on which total ammonia and pH were read, mg/L as NH3.
 *
 * Its range is of first order in both readings: a tenth of pH is nearly a quarter of it.
 */
export function freeAmmoniaSeries(readings: readonly DatedReading[], kept: KeptAt): DerivedPoint[] {
  return byDay(readings).flatMap(([on, day]) => {
    const [total, ph] = [day.get("ammonia"), day.get("ph")];
    if (!total || !ph) return [];
    const temperatureC = bounded(day.get("temperature")?.value ?? kept.targetC, -2, 50);
    const salinityPsu = bounded(day.get("salinity")?.value ?? kept.targetPsu, 0, 60);
    const at = (totalMgL: number, phAt: number) =>
      freeAmmoniaMgL(Math.max(0, totalMgL), { ph: bounded(phAt, 0, 14), temperatureC, salinityPsu });
    const value = at(total.value, ph.value);
    const sigma = Math.hypot(
      at(total.value + total.sigma, ph.value) - value,
      at(total.value, ph.value + ph.sigma) - value,
    );
    return [
      {
        ...{ on, value, low: Math.max(0, value - Z95 * sigma), high: value + Z95 * sigma },
        from: { ammonia: total.value, ph: ph.value, temperature: temperatureC, salinity: salinityPsu },
        assumed: (["temperature", "salinity"] as const).filter((p) => !day.has(p)),
      },
    ];
  });
}

/** Carbon dioxide of each day on which KH and pH were read, mg/L: an estimate of fresh water without other buffers. */
export function co2Series(readings: readonly DatedReading[]): DerivedPoint[] {
  return byDay(readings).flatMap(([on, day]) => {
    const [kh, ph] = [day.get("alkalinity"), day.get("ph")];
    if (!kh || !ph || kh.value <= 0) return [];
    const value = co2MgL(bounded(kh.value, 0, 40), bounded(ph.value, 4, 10));
    const relative = Math.hypot(CO2_RELATIVE / Z95, kh.sigma / kh.value, Math.LN10 * ph.sigma);
    return [
      {
        ...{ on, value, low: Math.max(0, value * (1 - Z95 * relative)), high: value * (1 + Z95 * relative) },
        from: { alkalinity: kh.value, ph: ph.value },
        assumed: [],
      },
    ];
  });
}

/** A ruler at a wet pane is read within this, cm. */
const READ_CM = 0.3;

/**
 * What evaporated and was not topped up by itself, L a day, between each visit and the one before.
 *
 * Its range is that of the ruler: a tank that loses little stands no further below its mark than can be read.
 *
 * @example
 * evaporationSeries([{ on: "2026-11-20", belowCm: 2, missingL: 7, days: 7 }])[0]?.value; // 1
 */
export function evaporationSeries(levels: readonly LoggedLevel[]): DerivedPoint[] {
  const perCm = levels.flatMap((l) => (l.belowCm > 0 ? [l.missingL / l.belowCm] : []));
  const litresPerCm = perCm.length > 0 ? Math.max(...perCm) : 0;
  return levels.flatMap(({ on, belowCm, missingL, days }) => {
    if (days <= 0) return [];
    const [value, off] = [missingL / days, (litresPerCm * READ_CM) / days];
    return [
      { on, value, low: Math.max(0, value - off), high: value + off, from: {}, assumed: [], stood: { belowCm, days } },
    ];
  });
}

/**
 * Hours a day that a piece of equipment ran, between each reading of its hour meter and the one before.
 *
 * Its range is that of a meter that shows whole hours. Two readings of a day are one, the later; a meter that shows less than
 * before is another one or was set back, and begins anew.
 *
 * @param readings Of one piece, the earlier first.
 * @example
 * runningSeries([{ on: "2026-11-01", hours: 100 }, { on: "2026-11-11", hours: 180 }])[0]?.value; // 8
 */
export function runningSeries(readings: readonly { readonly on: string; readonly hours: number }[]): DerivedPoint[] {
  const days = [...new Map(readings.map((r) => [r.on, r])).values()];
  return days.flatMap(({ on, hours }, i) => {
    const before = days[i - 1];
    if (!before || hours < before.hours) return [];
    const gone = daysBetween(before.on, on);
    const at = (ran: number) => bounded(ran / gone, 0, 24);
    const ran = hours - before.hours;
    return [
      {
        ...{ on, value: at(ran), low: at(ran - 1), high: at(ran + 1), from: {}, assumed: [] },
        meter: { hours, days: gone },
      },
    ];
  });
}

/** What a piece of equipment does of late, usually, and did most; null for the last where that is nothing out of the way. */
export interface RunningSaid {
  readonly nowPerDay: number;
  readonly usualPerDay: number;
  readonly most: { readonly on: string; readonly perDay: number } | null;
}

/** So many times what is usual is out of the way. */
const MUCH_MORE = 1.5;
const FEWEST_TOLD = 3;

/** What its running hours tell; null where it was read too seldom to know what is usual. */
export function runningSaid(points: readonly DerivedPoint[]): RunningSaid | null {
  const last = points.at(-1);
  if (!last || points.length < FEWEST_TOLD) return null;
  const usualPerDay = median(points.map((p) => p.value));
  const most = points.reduce((a, b) => (b.value > a.value ? b : a));
  return {
    ...{ nowPerDay: last.value, usualPerDay },
    most: most.value > MUCH_MORE * usualPerDay ? { on: most.on, perDay: most.value } : null,
  };
}
