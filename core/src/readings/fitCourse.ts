import { CholeskyDecomposition, Matrix } from "ml-matrix";
import { type Course, coursesTo, type Events } from "./balance.ts";

/** A reading on a day axis (days since any origin), canonical unit. */
export interface TimedValue {
  readonly day: number;
  readonly value: number;
  readonly sigma: number;
  /** The kit whose offset was taken off it, and how well that is known, one sigma: all of its readings are off together. */
  readonly kit?: { readonly id: string; readonly sigma: number } | undefined;
}

/** A course through readings: its value at the first of them and a rate for each stretch. */
export interface CourseFit {
  readonly firstDay: number;
  readonly breaks: readonly number[];
  readonly start: number;
  /** Canonical units a day that the tank itself makes or, below zero, uses; one for each stretch. */
  readonly rates: readonly number[];
  /** Of start and rates, wider where the readings scatter more than they say. */
  readonly covariance: readonly (readonly number[])[];
  /** How far each reading lies from the course, in its own sigmas. */
  readonly misses: readonly number[];
}

/** Huber 1964: 95 % efficiency for normal errors. */
const HUBER_K = 1.345;
const MOST_ROUNDS = 12;
const SETTLED = 1e-4;
/** Parts that lie nearer to each other than that, as directions, cannot be told apart. */
const TELLS_APART = 1e-6;
/** A spread of normal values beside the middle of their sizes. */
const MAD = 1.4826;

/**
 * Huber's loss of a miss, in sigmas: a square near by, a line far off. Source: Huber, Robust estimation of a location
 * parameter, 1964.
 *
 * @example
 * huberLoss(1); // 0.5
 */
export const huberLoss = (miss: number): number => {
  const size = Math.abs(miss);
  return size <= HUBER_K ? (size * size) / 2 : HUBER_K * size - (HUBER_K * HUBER_K) / 2;
};

/**
 * The course with the least weighted misses, by iteratively reweighted least squares with Huber's weights; null where the
 * readings do not tell its parts.
 */
export const fitCourse = (
  readings: readonly TimedValue[],
  events: Events,
  breaks: readonly number[],
): CourseFit | null => courseFitter(readings, events, breaks)?.(readings.map((r) => r.value)) ?? null;

/**
 * Fits courses to readings of the same moments and errors, whatever they read: what is known to have happened between them is
 * gone through once.
 *
 * @returns null where there are too few of them.
 */
export function courseFitter(
  readings: readonly Omit<TimedValue, "value">[],
  events: Events,
  breaks: readonly number[],
): ((values: readonly number[]) => CourseFit | null) | null {
  const first = readings[0];
  const unknowns = 2 + breaks.length;
  if (!first || readings.length < unknowns) return null;
  const courses = coursesTo(
    first.day,
    readings.map((r) => r.day),
    events,
    breaks,
  );
  const sigmas = readings.map((r) => Math.max(r.sigma, 1e-9));
  // Each row in its reading's own sigmas.
  const rows = courses.map((c, i) => [c.ofStart, ...c.ofRates].map((x) => x / (sigmas[i] as number)));
  return (values) => {
    const wanted = values.map((v, i) => (v - (courses[i] as Course).known) / (sigmas[i] as number));
    let weights = rows.map(() => 1);
    let solved = normalEquations(rows, wanted, weights);
    if (!solved) return null;
    let misses = missesOf(rows, wanted, solved.values);
    for (let round = 0; round < MOST_ROUNDS; round++) {
      const next = misses.map((miss) => Math.min(1, HUBER_K / Math.max(Math.abs(miss), 1e-12)));
      if (next.every((w, i) => Math.abs(w - (weights[i] as number)) < SETTLED)) break;
      weights = next;
      solved = normalEquations(rows, wanted, weights);
      if (!solved) return null;
      misses = missesOf(rows, wanted, solved.values);
    }
    // Kits are often worse than they say: a fit that misses by more than the stated error widens its own.
    const chi2 = misses.reduce((sum, miss, i) => sum + (weights[i] as number) * miss * miss, 0);
    const inflate = Math.max(1, chi2 / Math.max(1, readings.length - unknowns));
    const [start, ...rates] = solved.values as [number, ...number[]];
    const covariance = solved.inverse.map((row) => row.map((x) => x * inflate));
    return { firstDay: first.day, breaks, start, rates, covariance, misses };
  };
}

function missesOf(rows: readonly (readonly number[])[], wanted: readonly number[], values: readonly number[]) {
  return rows.map((row, i) => {
    let told = 0;
    for (let j = 0; j < row.length; j++) told += (row[j] as number) * (values[j] as number);
    return (wanted[i] as number) - told;
  });
}

function normalEquations(
  rows: readonly (readonly number[])[],
  wanted: readonly number[],
  weights: readonly number[],
): { readonly values: number[]; readonly inverse: number[][] } | null {
  const size = rows[0]?.length ?? 0;
  const sums = Array.from({ length: size }, () => new Float64Array(size));
  const right = new Float64Array(size);
  for (let i = 0; i < rows.length; i++) {
    const row = rows[i] as readonly number[];
    const w = weights[i] as number;
    for (let a = 0; a < size; a++) {
      const x = w * (row[a] as number);
      right[a] = (right[a] as number) + x * (wanted[i] as number);
      const of = sums[a] as Float64Array;
      for (let b = 0; b <= a; b++) of[b] = (of[b] as number) + x * (row[b] as number);
    }
  }
  // Columns of one length: a start stands beside rates over a thousand days.
  const lengths = sums.map((of, a) => Math.sqrt(of[a] as number));
  if (lengths.some((length) => !(length > 0))) return null;
  const left = new Matrix(
    sums.map((_, a) =>
      sums.map(
        (_, b) =>
          (sums[Math.max(a, b)]?.[Math.min(a, b)] as number) / ((lengths[a] as number) * (lengths[b] as number)),
      ),
    ),
  );
  const factor = new CholeskyDecomposition(left);
  if (!factor.isPositiveDefinite() || !(Math.min(...factor.lowerTriangularMatrix.diagonal()) > TELLS_APART))
    return null;
  const inverse = factor
    .solve(Matrix.eye(size))
    .to2DArray()
    .map((row, a) => row.map((x, b) => x / (lengths[b] as number) / (lengths[a] as number)));
  const values = inverse.map((row) => row.reduce((sum, x, b) => sum + x * (right[b] as number), 0));
  return { values, inverse };
}

/** Values on a course, by the day: at the rate of its stretch, not above what is known of it. */
export const meansOn = (fit: CourseFit, days: readonly number[], events: Events): number[] =>
  coursesTo(fit.firstDay, days, events, fit.breaks).map(({ ofStart, ofRates, known }) => {
    let value = known + ofStart * fit.start;
    for (let j = 0; j < ofRates.length; j++) value += (ofRates[j] as number) * (fit.rates[j] as number);
    return value;
  });

/** A value on a course with its standard deviation, by the day: at the rate of its stretch, not above what is known of it. */
export function valuesOn(
  fit: CourseFit,
  days: readonly number[],
  events: Events,
): { readonly value: number; readonly sigma: number }[] {
  return coursesTo(fit.firstDay, days, events, fit.breaks).map(({ ofStart, ofRates, known }) => {
    const row = [ofStart, ...ofRates];
    const value = row.reduce((sum, x, j) => sum + x * ([fit.start, ...fit.rates][j] as number), known);
    let variance = 0;
    row.forEach((x, a) => {
      row.forEach((y, b) => {
        variance += x * y * (fit.covariance[a]?.[b] ?? 0);
      });
    });
    return { value, sigma: Math.sqrt(Math.max(0, variance)) };
  });
}

/** How much more the readings scatter about a course than they say; at least 1. */
export function scatterOf({ misses }: CourseFit): number {
  const sizes = misses.map(Math.abs).sort((a, b) => a - b);
  return Math.max(1, MAD * (sizes[Math.floor(sizes.length / 2)] ?? 0));
}
