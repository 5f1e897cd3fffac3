import { Matrix, solve } from "ml-matrix";
import { OutOfRangeError, requireRange } from "../issues/index.ts";
import type { Parameter } from "../units/index.ts";

/** A salt by what a finished mix of it at the wanted salinity holds. */
export interface SaltChoice {
  readonly name: string;
  readonly chemistry: Readonly<Partial<Record<Parameter, number>>>;
}

/** What a blend aims at. */
export interface SaltTarget {
  readonly parameter: Parameter;
  readonly value: number;
  /** Half of the ideal band: a miss of this much counts as one. */
  readonly half: number;
}

/** Shares of each salt, in the order they were given, and what they come to. */
export interface Blend {
  readonly shares: readonly number[];
  readonly chemistry: Readonly<Partial<Record<Parameter, number>>>;
  /** Misses in halves of the band, by parameter. */
  readonly misses: Readonly<Partial<Record<Parameter, number>>>;
}

/** All supports are tried: 63 of six salts. */
const MOST_SALTS = 6;
/** A gain smaller than this is none: the blend of fewer salts is taken. */
const TIE = 1e-9;
/** A share that is negative by rounding alone. */
const ROUNDING = -1e-12;

/**
 * The blend of salts that comes nearest to some targets: min Σ((Σ w_j·A_ij − b_i)/h_i)² with w ≥ 0 and Σw = 1.
 *
 * Exact, by trying every set of salts that may have a share. Proof: the aim is convex and the shares lie in a simplex,
 * so there is a best point; let S be the salts with a share above nothing there. On S no bound is active but Σw = 1, so
 * the point is stationary for the same aim over S under that one equation, which is the linear system solved below
 * (Karush, Kuhn and Tucker). If that system has several solutions, moving along their line keeps the aim until a share
 * of S is nothing: then a smaller set holds a best point too, and is tried as well. So the best of all sets whose
 * solution has no negative share is the best blend. Of equals the one with fewer salts is taken.
 *
 * @throws {OutOfRangeError} for no salt, more than six, a target without width, or a salt that does not say a target.
 * @example
 * blendSalts([{ name: "a", chemistry: { calcium: 400 } }, { name: "b", chemistry: { calcium: 440 } }], [{ parameter: "calcium", value: 420, half: 10 }]).shares[0]; // 0.5
 */
export function blendSalts(salts: readonly SaltChoice[], targets: readonly SaltTarget[]): Blend {
  requireRange("salts", salts.length, 1, MOST_SALTS);
  requireRange("targets", targets.length, 1, 20);
  for (const { half } of targets) requireRange("half", half, Number.MIN_VALUE, 1e6);
  const rows = targets.map(({ parameter, half }) =>
    salts.map(({ chemistry }) => {
      const value = chemistry[parameter];
      if (value === undefined) throw new OutOfRangeError({ code: "not-a-number", field: parameter, value: Number.NaN });
      return value / half;
    }),
  );
  const wanted = targets.map(({ value, half }) => value / half);
  const aim = (shares: readonly number[]) =>
    rows.reduce(
      (sum, row, i) => sum + (row.reduce((s, a, j) => s + a * (shares[j] ?? 0), 0) - (wanted[i] ?? 0)) ** 2,
      0,
    );

  let best: { shares: number[]; aim: number; salts: number } | null = null;
  for (let set = 1; set < 2 ** salts.length; set++) {
    const chosen = salts.map((_, j) => j).filter((j) => (set >> j) & 1);
    const found = stationary(rows, wanted, chosen);
    if (!found || found.some((w) => w < ROUNDING)) continue;
    const shares = salts.map((_, j) => Math.max(0, found[chosen.indexOf(j)] ?? 0));
    const miss = aim(shares);
    const better = best === null || miss < best.aim - TIE;
    const simpler = best !== null && miss <= best.aim + TIE && chosen.length < best.salts;
    if (better || simpler) best = { shares, aim: miss, salts: chosen.length };
  }
  // A single salt always solves its own system, so there is a best.
  const shares = best?.shares ?? [];
  const chemistry: Partial<Record<Parameter, number>> = {};
  const misses: Partial<Record<Parameter, number>> = {};
  for (const { parameter, value, half } of targets) {
    const got = salts.reduce((sum, s, j) => sum + (s.chemistry[parameter] ?? 0) * (shares[j] ?? 0), 0);
    chemistry[parameter] = got;
    misses[parameter] = (got - value) / half;
  }
  return { shares, chemistry, misses };
}

/** The stationary shares of some salts under Σw = 1; null where they are not unique. */
function stationary(rows: readonly number[][], wanted: readonly number[], chosen: readonly number[]): number[] | null {
  const n = chosen.length;
  const left = Matrix.zeros(n + 1, n + 1);
  const right = Matrix.zeros(n + 1, 1);
  for (let a = 0; a < n; a++) {
    for (let b = 0; b < n; b++)
      left.set(
        a,
        b,
        rows.reduce((sum, row) => sum + (row[chosen[a] ?? 0] ?? 0) * (row[chosen[b] ?? 0] ?? 0), 0),
      );
    left.set(a, n, 1);
    left.set(n, a, 1);
    right.set(
      a,
      0,
      rows.reduce((sum, row, i) => sum + (row[chosen[a] ?? 0] ?? 0) * (wanted[i] ?? 0), 0),
    );
  }
  right.set(n, 0, 1);
  try {
    const found = solve(left, right).to1DArray().slice(0, n);
    return found.every(Number.isFinite) ? found : null;
  } catch (error) {
    // The library's word for a system without a unique solution; anything else is ours.
    if ((error as Error).message.includes("singular")) return null;
    throw error;
  }
}
