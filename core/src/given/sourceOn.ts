import { daysBetween } from "../calendar/civil.ts";
import type { Parameter } from "../units/index.ts";
import type { Basis, WaterSource } from "./inputs.ts";

/** One measurement of a source, canonical. */
export interface SourceMeasurement {
  readonly on: string;
  readonly parameter: Parameter;
  readonly value: number;
}

/** A source as it is kept: what the label or the supplier's sheet says, and what was measured over time. */
export interface SourceFacts extends Omit<WaterSource, "id" | "name" | "known" | "refused"> {
  readonly measured?: readonly SourceMeasurement[];
}

/** Days that a measurement is trusted: general practice, shortest where the sea or a supplier changes the water. */
const TRUST_DAYS: Readonly<Record<WaterSource["kind"], number>> = {
  "natural-sea": 30,
  tap: 90,
  "tap-minerals": 90,
  purified: 180,
  remineralised: 180,
  mix: 365,
};

/** Measurements as many days apart in the year speak of the same season. */
const SEASON_DAYS = 45;

/** Relative 95 % half-width of a source's figure, by why it is believed. */
const SOURCE_RELATIVE_95: Readonly<Record<Basis, number>> = { fresh: 0.1, season: 0.2, old: 0.3, stated: 0.3 };

/** Days between two dates' places in the year, at most half of one. */
function seasonDistance(a: string, b: string): number {
  const apart = Math.abs(
    daysBetween(`2001${a.slice(4)}`.replace("02-29", "02-28"), `2001${b.slice(4)}`.replace("02-29", "02-28")),
  );
  return Math.min(apart, 365 - apart);
}

/** The measurement that speaks for a day: the newest one while it is trusted, else the newest of the season, else the newest. */
function speaksFor(measured: readonly SourceMeasurement[], on: string, trustDays: number) {
  const newest = (rows: readonly SourceMeasurement[]) =>
    rows.reduce<SourceMeasurement | null>((best, m) => (best === null || m.on >= best.on ? m : best), null);
  const latest = newest(measured);
  if (!latest) return null;
  if (daysBetween(latest.on, on) <= trustDays) return { ...latest, basis: "fresh" as const };
  const seasonal = newest(measured.filter((m) => seasonDistance(m.on, on) <= SEASON_DAYS));
  return seasonal ? { ...seasonal, basis: "season" as const } : { ...latest, basis: "old" as const };
}

/**
 * A source as it is taken to be on a day.
 *
 * Each figure comes from the measurement that speaks for the day; what was never measured stays as the label or the
 * supplier says. A measured temperature is how cold the water comes. Measurements after the day do not count.
 */
export function sourceOn(source: SourceFacts & Pick<WaterSource, "id" | "name">, on: string): WaterSource {
  const { measured = [], ...water } = source;
  const chemistry: Partial<Record<Parameter, number>> = { ...water.chemistry };
  const known: Partial<Record<Parameter, { on: string; basis: Basis }>> = {};
  for (const parameter of new Set(measured.map((m) => m.parameter))) {
    const rows = measured.filter((m) => m.parameter === parameter && m.on <= on);
    const found = speaksFor(rows, on, TRUST_DAYS[water.kind]);
    if (!found) continue;
    chemistry[parameter] = found.value;
    known[parameter] = { on: found.on, basis: found.basis };
  }
  const { temperature, ...rest } = chemistry;
  return { ...water, chemistry: rest, coldC: temperature ?? water.coldC, known };
}

/** Why a figure of a source is believed. A purifier's zero and a mix's label are stated by their makers. */
export function basisOf(source: WaterSource, parameter: Parameter): Basis {
  return source.known?.[parameter]?.basis ?? "stated";
}

/** Relative one-sigma uncertainty of a source's figure. */
export function sourceRelative(source: WaterSource, parameter: Parameter): number {
  const basis = basisOf(source, parameter);
  // What is made by weight or by a membrane is as it is stated, within the same tenth as a fresh measurement.
  const made = basis === "stated" && !TESTED.includes(source.kind);
  return SOURCE_RELATIVE_95[made ? "fresh" : basis] / 1.96;
}

/** What a tap has to be tested for before it is relied on: measured by season, and trust expires. */
export interface SourceTest {
  readonly parameters: readonly Parameter[];
  /** Date of the newest measurement; null if it never was. */
  readonly lastOn: string | null;
}

/** Waters that come as they are. */
const TESTED: readonly WaterSource["kind"][] = ["tap", "tap-minerals", "natural-sea"];

/** What a supplier keeps its water clean with, and what that leaves: asked of every tap that is conditioned. */
const DISINFECTED: readonly Parameter[] = ["chlorine", "chloramine", "ammonia"];
const drawn = ({ kind, conditioner }: WaterSource): boolean =>
  (kind === "tap" || kind === "tap-minerals") && conditioner !== undefined;

/** The test that a source asks for on a day, null while it is trusted. Made water is verified by the batch instead. */
export function sourceTest(source: WaterSource): SourceTest | null {
  if (!TESTED.includes(source.kind)) return null;
  const asked = new Set([...(Object.keys(source.chemistry) as Parameter[]), ...(drawn(source) ? DISINFECTED : [])]);
  const parameters = [...asked].filter((p) => basisOf(source, p) !== "fresh");
  if (parameters.length === 0) return null;
  const dates = Object.values(source.known ?? {}).map((k) => k.on);
  return { parameters, lastOn: dates.length > 0 ? dates.reduce((a, b) => (a > b ? a : b)) : null };
}
