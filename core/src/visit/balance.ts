import type { Parameter } from "../units/index.ts";
import { effectiveShare } from "../water/index.ts";
import { CEILINGS } from "./change.ts";
import { leftByConditioner } from "./disinfected.ts";
import type { WaterSource } from "./inputs.ts";
import type { TankOnDay } from "./tankOnDay.ts";

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

/** Litres of the system when all is poured; less than full where it is left low on purpose. */
export function endLitres(tank: TankOnDay, { drainedL, sourceL, topUpL }: Poured): number {
  const { systemL, missing, mode } = tank;
  return mode === "batch" ? systemL - missing.litres - drainedL + sourceL + topUpL : systemL - missing.litres + topUpL;
}

/**
 * What a change makes of a concentration, or of the temperature, in the unit of its inputs.
 *
 * Mass balance over the tank as it is found: what is left of it, what is poured of either water, over the litres at the end.
 * In and out together the tank is topped up first, and the exchange is that of a stirred tank.
 */
export function mixed(tank: TankOnDay, poured: Poured, { tank: c0, source, topUp }: Waters): number {
  const { systemL, missing, mode, book } = tank;
  const { drainedL, sourceL, topUpL } = poured;
  const found = systemL - missing.litres;
  const endL = endLitres(tank, poured);
  if (mode === "batch") return (c0 * (found - drainedL) + source * sourceL + topUp * topUpL) / endL;
  const topped = (c0 * found + topUp * topUpL) / endL;
  return topped + effectiveShare(sourceL, endL, mode, Math.min(book.deadL ?? 0, endL / 2)) * (source - topped);
}

/** The part of the water at the end that was not in the tank before, 0 to 1: poured litres, or what takes effect of them. */
export function freshShare(tank: TankOnDay, poured: Poured): number {
  return mixed(tank, poured, { tank: 0, source: 1, topUp: 1 });
}

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
