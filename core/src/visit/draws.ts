import { requireRange } from "../issues/index.ts";
import { type Drawn, gaussian, pointsOf, type Random, seeded } from "../simulate/index.ts";
import { volumeRelative95 } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { afterExchange, effectiveShare } from "../water/index.ts";
import { Z95 } from "../worked/index.ts";
import { LITRES_RELATIVE, modeOf } from "./change.ts";
import type { PlanInput } from "./inputs.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** What was drawn so far of a plan, by parameter. */
export interface DrawnPlan {
  readonly draws: number;
  readonly after: Readonly<Partial<Record<Parameter, Drawn>>>;
}

/**
 * Draws a planned change many times, with readings, new water, litres and volume each off by what is known of them: the
 * whole balance, where the range of the plan itself is of first order.
 *
 * Works in parts, so that a worker can tell how far it is and stop between two of them.
 *
 * @param draws From 100 to a million.
 * @param seed The same seed gives the same draws.
 * @returns a generator that gives what is drawn after every part; the last one holds all.
 */
export function* drawChange(
  input: PlanInput,
  water: WaterPlan,
  draws: number,
  seed: number,
  parts = 20,
): Generator<DrawnPlan, void> {
  requireRange("draws", draws, 100, 1e6);
  const random = seeded(seed);
  const drawn = water.after.map((e) => ({ parameter: e.parameter, values: new Float64Array(draws) }));
  for (let done = 0, part = 1; part <= parts; part++) {
    const until = Math.round((draws * part) / parts);
    for (; done < until; done++) {
      const off = once(input, water, random);
      for (const [i, e] of water.after.entries()) {
        const into = drawn[i];
        if (into) into.values[done] = off(e);
      }
    }
    yield {
      draws: done,
      after: Object.fromEntries(drawn.map((d) => [d.parameter, pointsOf(d.values.slice(0, done))])),
    };
  }
}

/** One draw of the water moved, and from it of each parameter after the change. */
function once(input: PlanInput, water: WaterPlan, random: Random): (e: WaterPlan["after"][number]) => number {
  const { book } = input;
  const off = (relative: number) => 1 + relative * gaussian(random);
  const systemL = water.systemL.value * off(volumeRelative95(book) / Z95);
  const moved = off(LITRES_RELATIVE);
  const mode = modeOf(book);
  const outL = Math.min(water.litres.value * moved, mode === "batch" ? systemL : Number.POSITIVE_INFINITY);
  const share = effectiveShare(Math.max(0, outL), systemL, mode, Math.min(book.deadL ?? 0, systemL / 2));
  return (e) => {
    const before = e.before + e.beforeSigma * gaussian(random);
    const refill = e.refill + e.refillSigma * gaussian(random);
    if (e.parameter !== "salinity" || !water.saltWaterL) return afterExchange(before, refill, share);
    // Salt by mass: what evaporated comes back as fresh water, what is poured closes the level.
    const saltL = water.saltWaterL.value * moved;
    return (before * (systemL - water.missingL - outL) + refill * saltL) / systemL;
  };
}
