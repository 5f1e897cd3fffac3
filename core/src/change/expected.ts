import { sourceRelative, type TankOnDay } from "../given/index.ts";
import type { Band } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { q, worked, Z95 } from "../worked/index.ts";
import { blendOf, bringsOf, mixed, type Poured, type Stirred, type Waters } from "./balance.ts";
import { LITRES_RELATIVE } from "./mends.ts";
import type { Pour } from "./pour.ts";
import type { Expected } from "./waterPlan.ts";

/** Salt water is measured before any of it goes in: a meter is right within half a ppt, 95 %. */
const METER_SIGMA_PPT = 0.5 / Z95;

/** How well the new water's figure of a substance is known, one sigma, in its unit. */
export function refillSigmaOf(tank: TankOnDay, parameter: Parameter, refill: number): number {
  return parameter === "salinity" && tank.salt
    ? METER_SIGMA_PPT
    : Math.abs(refill) * sourceRelative(tank.input.source, parameter);
}

/**
 * Whether what is missing is drained to a line and filled to a line, so that a mistake about it leaves no trace: the line
 * stands where it stands.
 */
export const lineDecides = ({ mode, place, facts }: TankOnDay, drainedL: number): boolean =>
  drainedL > 0 && mode === "batch" && (place === "sump" || !facts.sump);

/**
 * What each parameter of the bands will be once all is poured, with its range.
 *
 * First order in the reading, both waters, the litres of the drain and of the pour, the system's volume and what was missing.
 * Whatever is poured last closes the level, so that a litre too much of one water is a litre less of the other.
 */
export function expectedAfter(tank: TankOnDay, pour: Pour): Expected[] {
  const { facts, known, input } = tank;
  const rows: Expected[] = [];
  for (const band of facts.bands) {
    const value = known[band.parameter];
    if (!value || band.parameter === "ph" || band.parameter === "temperature") continue;
    const refill =
      band.parameter === "salinity" && pour.sourcePsu !== null
        ? pour.sourcePsu
        : bringsOf(input.source, band.parameter, value.value);
    const topUp = bringsOf(input.topUpSource, band.parameter, value.value);
    const refillSigma = refillSigmaOf(tank, band.parameter, refill);
    const waters = { tank: value.value, source: refill, topUp };
    rows.push({
      parameter: band.parameter,
      before: value.value,
      beforeSigma: value.sigma,
      refill,
      refillSigma,
      topUp,
      after: worked(
        "reading-after",
        mixed(pour.blend, waters),
        unitOf(band),
        {
          before: q(value.value, unitOf(band)),
          "taken out": q(pour.drainedL, "L"),
          "new water": q(refill, unitOf(band)),
          "of it": q(pour.sourceL, "L"),
          ...(pour.topUpL > 0 ? { "topping up": q(topUp, unitOf(band)), "of that": q(pour.topUpL, "L") } : {}),
        },
        sigmaAfter(tank, pour, waters, { before: value.sigma, refill: refillSigma }),
      ),
    });
  }
  return rows;
}

function sigmaAfter(
  tank: TankOnDay,
  pour: Pour,
  waters: Waters,
  sigmas: { readonly before: number; readonly refill: number },
): number {
  const { missing, systemL, volumeRelative, mode, facts } = tank;
  const { blend, drainedL, sourceL, topUpL } = pour;
  const now = mixed(blend, waters);
  /** Change of the result where other litres are poured, or into another tank. */
  const by = (poured: Poured, of: Stirred = tank) => mixed(blendOf(of, poured), waters) - now;
  const batch = mode === "batch" && drainedL > 0;
  const decided = lineDecides(tank, drainedL);
  const terms = [
    sigmas.before * blend.tank,
    sigmas.refill * blend.source,
    by(pour, { systemL: systemL * (1 + volumeRelative), missing, mode, facts }),
  ];
  if (batch && decided) {
    // What closes the level: the topping up, or the new water where nothing is topped up.
    const more = (drainedL + missing.litres) * LITRES_RELATIVE;
    const closed = topUpL > 0 ? { sourceL, topUpL: topUpL + more } : { sourceL: sourceL + more, topUpL };
    terms.push(by({ drainedL: drainedL + more, ...closed }));
  }
  if (batch && decided && topUpL > 0) {
    const more = sourceL * LITRES_RELATIVE;
    terms.push(by({ drainedL, sourceL: sourceL + more, topUpL: topUpL - more }));
  }
  // Over a sump the display is drained from its weir and filled to its weir.
  if (batch && !decided) {
    const more = drainedL * LITRES_RELATIVE;
    terms.push(by({ drainedL: drainedL + more, sourceL: sourceL + more, topUpL }));
  }
  if (!batch && sourceL > 0) terms.push(by({ drainedL, sourceL: sourceL * (1 + LITRES_RELATIVE), topUpL }));
  if (!decided && missing.sigmaL > 0) {
    const more = { ...missing, litres: missing.litres + missing.sigmaL };
    terms.push(by({ drainedL, sourceL, topUpL: topUpL + missing.sigmaL }, { systemL, missing: more, mode, facts }));
  }
  return Math.hypot(...terms);
}

function unitOf(band: Band): string {
  return band.parameter === "alkalinity"
    ? "dKH"
    : band.parameter === "gh"
      ? "dGH"
      : band.parameter === "salinity"
        ? "ppt"
        : band.parameter === "ammonia"
          ? "mg/L N"
          : "mg/L";
}
