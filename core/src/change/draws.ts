import { type PlanInput, type TankOnDay, tankOnDay } from "../given/index.ts";
import { requireRange } from "../issues/index.ts";
import { type Drawn, gaussian, pointsOf, type Random, seeded } from "../numeric/index.ts";
import type { Parameter } from "../units/index.ts";
import { blendOf, mixed, type Poured } from "./balance.ts";
import { lineDecides } from "./expected.ts";
import { LITRES_RELATIVE } from "./mends.ts";
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
  const tank = tankOnDay(input);
  const drawn = water.after.map((e) => ({ parameter: e.parameter, values: new Float64Array(draws) }));
  for (let done = 0, part = 1; part <= parts; part++) {
    const until = Math.round((draws * part) / parts);
    for (; done < until; done++) {
      const off = once(tank, water, random);
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
function once(tank: TankOnDay, water: WaterPlan, random: Random): (e: WaterPlan["after"][number]) => number {
  const off = (relative: number) => 1 + relative * gaussian(random);
  const systemL = tank.systemL * off(tank.volumeRelative);
  const missingL = Math.max(0, tank.missing.litres + tank.missing.sigmaL * gaussian(random));
  const planned = {
    drainedL: water.litres.value,
    sourceL: water.pourL?.value ?? 0,
    topUpL: water.freshL?.value ?? 0,
  };
  const moved = off(LITRES_RELATIVE);
  const poured = carriedOut(tank, planned, { missingL, moved, pouredTimes: off(LITRES_RELATIVE) });
  const { mode, facts, missing } = tank;
  const blend = blendOf({ systemL, missing: { ...missing, litres: poured.missingL }, mode, facts }, poured);
  return (e) =>
    mixed(blend, {
      tank: e.before + e.beforeSigma * gaussian(random),
      source: e.refill + e.refillSigma * gaussian(random),
      topUp: e.topUp,
    });
}

/** What really leaves and comes in where litres and what was missing are a little off: whatever is poured last closes the level. */
function carriedOut(
  tank: TankOnDay,
  planned: Poured,
  { missingL, moved, pouredTimes }: { readonly missingL: number; readonly moved: number; readonly pouredTimes: number },
): Poured & { readonly missingL: number } {
  const { drainedL, sourceL, topUpL } = planned;
  const leftLow = drainedL > 0 && tank.mode === "batch" ? 0 : tank.missing.litres - topUpL;
  if (drainedL <= 0 || tank.mode === "in-and-out")
    return { drainedL: drainedL * moved, sourceL: sourceL * moved, topUpL: Math.max(0, missingL - leftLow), missingL };
  const out = drainedL * moved;
  // Over a sump the display is drained from its weir and filled to it; what is missing is topped up apart.
  if (!lineDecides(tank, drainedL))
    return {
      drainedL: out,
      sourceL: sourceL + out - drainedL,
      topUpL: Math.max(0, topUpL + missingL - tank.missing.litres),
      missingL,
    };
  // Drained to a line and filled to a line, what was missing makes no difference.
  const missing = tank.missing.litres * moved;
  const room = out + missing;
  const source = topUpL > 0 ? sourceL * pouredTimes : room;
  return { drainedL: out, sourceL: source, topUpL: room - source, missingL: missing };
}
