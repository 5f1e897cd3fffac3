import { requireRange } from "../issues/index.ts";

/** A barrel of mixed salt water. */
export interface Barrel {
  readonly litres: number;
  /** Litres that it holds at most. */
  readonly capacityL: number;
  readonly salinityPsu: number;
}

/** What puts a barrel right: nothing, salt, fresh water, or room for fresh water first. */
export type BarrelFix =
  | { readonly kind: "right" }
  | { readonly kind: "salt"; readonly grams: number }
  | { readonly kind: "fresh"; readonly litres: number; readonly afterL: number }
  | { readonly kind: "draw-then-fresh"; readonly drawL: number; readonly litres: number; readonly afterL: number };

/** Grams per litre of a salt are told at this salinity. */
const AT_PSU = 35;

/**
 * How to bring a barrel to a wanted salinity.
 *
 * Too weak: g = V·k·(St − S)/35. Too strong: V·(S/St − 1) litres of fresh water; where that does not fit, d = V − Vc·St/S
 * is drawn first and the barrel filled up. By volume, mixing is taken as without contraction (error below 1.3 %).
 *
 * @param wantedPsu From 0.1 to 45.
 * @param gramsPerLitre Of the salt, verified, at 35.
 * @param nearPsu A barrel within this of the wanted salinity is right.
 * @throws {OutOfRangeError} for a barrel that holds more than it can, or no salt to compute with.
 * @example
 * fixBarrel({ litres: 100, capacityL: 200, salinityPsu: 33 }, 35, 38); // 217.14 g
 */
export function fixBarrel(barrel: Barrel, wantedPsu: number, gramsPerLitre: number, nearPsu = 0.1): BarrelFix {
  const { litres, capacityL, salinityPsu } = barrel;
  requireRange("capacityL", capacityL, 0.1, 1e5);
  requireRange("litres", litres, 0.1, capacityL);
  requireRange("salinityPsu", salinityPsu, 0, 60);
  requireRange("wantedPsu", wantedPsu, 0.1, 45);
  requireRange("gramsPerLitre", gramsPerLitre, 1, 100);
  if (Math.abs(wantedPsu - salinityPsu) <= nearPsu) return { kind: "right" };
  if (salinityPsu < wantedPsu)
    return { kind: "salt", grams: (litres * gramsPerLitre * (wantedPsu - salinityPsu)) / AT_PSU };
  const finishedL = (litres * salinityPsu) / wantedPsu;
  if (finishedL <= capacityL) return { kind: "fresh", litres: finishedL - litres, afterL: finishedL };
  const drawL = litres - (capacityL * wantedPsu) / salinityPsu;
  return { kind: "draw-then-fresh", drawL, litres: capacityL - (litres - drawL), afterL: capacityL };
}
