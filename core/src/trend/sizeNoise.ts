import { CholeskyDecomposition, Matrix } from "ml-matrix";
import type { Random } from "../numeric/index.ts";
import { type CourseFit, coursesTo, type Events, type TimedValue, valuesOn } from "../readings/index.ts";

/** How far the sizes of changes are from what was booked, and the readings from what they say. */
export interface Noise {
  /** Relative, one sigma of a single change. */
  readonly sizes: number;
  /** Times the readings' own sigmas. */
  readonly readings: number;
}

const SIZES = [0, 0.03, 0.06, 0.1, 0.15, 0.2, 0.27, 0.35] as const;
const READINGS = [0.7, 0.85, 1, 1.2, 1.5, 2, 3] as const;
/** Misses have to hang together so clearly before sizes are doubted, log likelihood. */
const EARNED = 0.15;
const AS_BOOKED: Noise = { sizes: 0, readings: 1 };
/** A reading without any error of its own is none. */
const LEAST_SIGMA = 1e-9;
/** Just before and after a change, days. */
const MOMENT = 1e-6;

/**
 * What may have been wrong with the sizes of the changes, by the misses of a fit: a change that was smaller than booked leaves
 * all readings after it too high, ever less with each further change. Misses that hang together so are told from those of
 * a kit by the likelihood of a state that decays with the changes and is pushed by each of them (Kalman 1960).
 *
 * @returns draws from what is left possible.
 */
export function noiseOf(fit: CourseFit, readings: readonly TimedValue[], events: Events): (random: Random) => Noise {
  const steps = stepsOf(fit, readings, events);
  const logOf = (noise: Noise) => logLikelihood(steps, noise);
  const grid = SIZES.flatMap((sizes) => READINGS.map((of): Noise => ({ sizes, readings: of })));
  const logs = grid.map(logOf);
  const most = Math.max(...logs);
  const asBooked = Math.max(...logs.filter((_, i) => grid[i]?.sizes === 0));
  // Where nothing tells its parts apart nothing is doubted either.
  if (!(most - asBooked >= EARNED)) return () => AS_BOOKED;
  const weights = logs.map((l) => Math.exp(l - most));
  const all = weights.reduce((a, b) => a + b, 0);
  const draw = (random: Random): Noise => {
    let left = random() * all;
    const at = weights.findIndex((w) => {
      left -= w;
      return left <= 0;
    });
    return grid[Math.max(0, at)] as Noise;
  };
  // Of few readings it is told too small as easily as too large, and only the first misleads: the larger of two draws.
  return (random) => {
    const [a, b] = [draw(random), draw(random)];
    return a.sizes > b.sizes ? a : b;
  };
}

/** A reading's miss with what a start and each rate would add to it, or a change with what is left of a state after it. */
type Step =
  | { readonly kind: "reading"; readonly row: readonly number[]; readonly sigma: number }
  | { readonly kind: "change"; readonly keeps: number; readonly moves: number };

function stepsOf(fit: CourseFit, readings: readonly TimedValue[], events: Events): Step[] {
  const changes = events.changes.filter((c) => c.day >= fit.firstDay);
  const before = valuesOn(
    fit,
    changes.map((c) => c.day - MOMENT),
    events,
  );
  const courses = coursesTo(
    fit.firstDay,
    readings.map((r) => r.day),
    events,
    fit.breaks,
  );
  const q = events.machine?.sharePerDay ?? 0;
  const all = [
    ...readings.map((r, i) => ({
      day: r.day,
      step: {
        ...{ kind: "reading" as const, sigma: Math.max(r.sigma, LEAST_SIGMA) },
        row: [(fit.misses[i] ?? 0) * r.sigma, courses[i]?.ofStart ?? 0, ...(courses[i]?.ofRates ?? [])],
      },
    })),
    ...changes.map((c, i) => ({
      day: c.day + MOMENT,
      step: { kind: "change" as const, keeps: 1 - c.share, moves: c.share * ((before[i]?.value ?? 0) - c.refill) },
    })),
  ].sort((a, b) => a.day - b.day);
  // A machine thins a mistake out between the steps as well.
  return all.flatMap(({ day, step }, i): Step[] => {
    const days = i === 0 ? 0 : day - (all[i - 1]?.day ?? day);
    return q > 0 && days > 0 ? [{ kind: "change", keeps: Math.exp(-q * days), moves: 0 }, step] : [step];
  });
}

/**
 * Log likelihood of the misses, up to a constant, whatever start and rates they were fitted with: those took what they could
 * of a drift (restricted likelihood, Patterson and Thompson 1971).
 */
function logLikelihood(steps: readonly Step[], { sizes, readings }: Noise): number {
  const width = steps.find((s) => s.kind === "reading")?.row.length ?? 1;
  const mean = Array.from({ length: width }, () => 0);
  const squares = Matrix.zeros(width, width);
  let [variance, log] = [0, 0];
  for (const step of steps) {
    if (step.kind === "change") {
      for (let j = 0; j < width; j++) mean[j] = (mean[j] as number) * step.keeps;
      variance = variance * step.keeps * step.keeps + (sizes * step.moves) ** 2;
      continue;
    }
    const total = variance + (readings * step.sigma) ** 2;
    const off = step.row.map((x, j) => x - (mean[j] as number));
    for (let a = 0; a < width; a++)
      for (let b = 0; b < width; b++)
        squares.set(a, b, squares.get(a, b) + ((off[a] as number) * (off[b] as number)) / total);
    log -= 0.5 * Math.log(total);
    const gain = variance / total;
    for (let j = 0; j < width; j++) mean[j] = (mean[j] as number) + gain * (off[j] as number);
    variance *= 1 - gain;
  }
  const unknown = squares.subMatrix(1, width - 1, 1, width - 1);
  if (!Number.isFinite(log)) return Number.NEGATIVE_INFINITY;
  const factor = new CholeskyDecomposition(unknown);
  if (!factor.isPositiveDefinite()) return Number.NEGATIVE_INFINITY;
  const toward = squares.subMatrix(1, width - 1, 0, 0);
  const taken = toward.transpose().mmul(factor.solve(toward)).get(0, 0);
  const tells = factor.lowerTriangularMatrix.diagonal().reduce((sum, d) => sum + Math.log(d), 0);
  return log - tells - 0.5 * (squares.get(0, 0) - taken);
}
