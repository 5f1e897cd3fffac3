import { leftByConditioner, type TankOnDay, type WaterSource } from "../given/index.ts";
import type { Parameter } from "../units/index.ts";
import { effectiveShare } from "../water/index.ts";
import { CEILINGS } from "./mends.ts";

/** What is poured into a tank for one change: water of its source, and the water that tops it up. */
export interface Poured {
  /** Drained from where the water stands, L. In and out together: run through after topping up. */
  readonly drainedL: number;
  readonly sourceL: number;
  readonly topUpL: number;
}

/** A figure of one substance, or of the temperature, in the tank and in both waters. */
export interface Waters {
  readonly tank: number;
  readonly source: number;
  readonly topUp: number;
}

/** As much of a tank as its balance depends on. */
export type Stirred = Pick<TankOnDay, "systemL" | "missing" | "mode" | "facts">;

/** Litres of the system when all is poured; less than full where it is left low on purpose. */
export function endLitres({ systemL, missing, mode }: Stirred, { drainedL, sourceL, topUpL }: Poured): number {
  return mode === "batch" ? systemL - missing.litres - drainedL + sourceL + topUpL : systemL - missing.litres + topUpL;
}

/** The parts of the water at the end by where they come from, each 0 to 1, together 1. */
export interface Blend {
  readonly tank: number;
  readonly source: number;
  readonly topUp: number;
}

/**
 * What the water of a tank is made of once all is poured.
 *
 * Mass balance over the tank as it is found: what is left of it, what is poured of either water, over the litres at the end.
 * In and out together the tank is topped up first, and the exchange is that of a stirred tank.
 */
export function blendOf(tank: Stirred, poured: Poured): Blend {
  const foundL = tank.systemL - tank.missing.litres;
  const { drainedL, sourceL, topUpL } = poured;
  const endL = endLitres(tank, poured);
  if (tank.mode === "batch") return { tank: (foundL - drainedL) / endL, source: sourceL / endL, topUp: topUpL / endL };
  const source = effectiveShare(sourceL, endL, tank.mode, Math.min(tank.facts.deadL ?? 0, endL / 2));
  return { tank: (foundL / endL) * (1 - source), source, topUp: (topUpL / endL) * (1 - source) };
}

/** A concentration, or the temperature, of blended water, in the unit of its inputs. */
export const mixed = (blend: Blend, waters: Waters): number =>
  blend.tank * waters.tank + blend.source * waters.source + blend.topUp * waters.topUp;

/** Waters that hold nothing but what is told of them. */
const EMPTY: readonly WaterSource["kind"][] = ["purified"];

/**
 * What a water brings of a substance: what is known of it, nothing of what it is free of, and else as much as the tank holds,
 * so that an unknown figure neither raises nor lowers.
 */
export function bringsOf(source: WaterSource, parameter: Parameter, tankValue: number): number {
  const known = source.chemistry[parameter];
  // Chloramine is broken into ammonia, which stays in the water unless the conditioner binds it.
  const freed = parameter === "ammonia" ? leftByConditioner(source).freedMgL : 0;
  if (known !== undefined) return known + freed;
  if (freed > 0) return freed;
  if (CEILINGS.includes(parameter) || EMPTY.includes(source.kind)) return 0;
  return parameter === "salinity" && source.kind !== "mix" && source.kind !== "natural-sea" ? 0 : tankValue;
}
