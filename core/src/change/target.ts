import { daysBetween } from "../calendar/civil.ts";
import type { TankOnDay } from "../given/index.ts";
import { risingRoot } from "../numeric/index.ts";
import type { Band } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { bringsOf, mixed } from "./balance.ts";
import { mostL } from "./limits.ts";
import { CEILINGS, FLOORS } from "./mends.ts";
import type { PourPlan } from "./pour.ts";

/** A figure outside its band that a change of water is for, and what the change is to bring it to. */
export interface Target {
  readonly parameter: Parameter;
  readonly side: "high" | "low";
  readonly value: number;
  readonly sigma: number;
  /** The edge of the band that is passed. */
  readonly edge: number;
  /** Well inside it, so that it lasts until the next visit. */
  readonly trough: number;
  readonly refill: number;
}

/** Every figure of a tank outside its band on the side that changes of water mend. */
export function targetsOf(tank: TankOnDay): Target[] {
  return tank.facts.bands.flatMap((band) => {
    const known = tank.known[band.parameter];
    if (!known) return [];
    const high = CEILINGS.includes(band.parameter) && known.value > band.idealHigh;
    const low = FLOORS.includes(band.parameter) && known.value < band.idealLow;
    if (!high && !low) return [];
    const refill = bringsOf(tank.input.source, band.parameter, known.value);
    const { value, sigma } = known;
    const side = high ? ("high" as const) : ("low" as const);
    return [
      {
        parameter: band.parameter,
        side,
        value,
        sigma,
        edge: high ? band.idealHigh : band.idealLow,
        trough: troughOf(tank, band, side),
        refill,
      },
    ];
  });
}

/** Middle of the band, or lower by what builds up until the next visit; the same upwards for what is used up. */
function troughOf({ input }: TankOnDay, band: Band, side: Target["side"]): number {
  const low = Math.max(0, band.idealLow);
  const high = band.idealHigh;
  const rate = input.rates[band.parameter];
  const moves = rate?.enough ? rate.perDay * Math.max(0, daysBetween(input.on, input.nextVisitOn)) : 0;
  return side === "high"
    ? Math.max(low, Math.min((low + high) / 2, high - Math.max(0, moves)))
    : Math.min(high, Math.max((low + high) / 2, low + Math.max(0, -moves)));
}

/** Litres to drain that bring a target to a value with what is poured for them; null where this water cannot. */
export function litresFor(tank: TankOnDay, pours: PourPlan, target: Target, value: number): number | null {
  const { parameter, side, value: now, refill } = target;
  const waters = { tank: now, source: refill, topUp: bringsOf(tank.input.topUpSource, parameter, now) };
  const short = (litres: number) => {
    const after = mixed(pours.of(litres).blend, waters);
    return side === "high" ? value - after : after - value;
  };
  const most = mostL(tank);
  // The source has to lie beyond the value; a display that cannot be emptied so far is another matter.
  if (side === "high" ? refill >= value : refill <= value) return null;
  if (short(most) < 0) return most;
  return short(0) >= 0 ? 0 : risingRoot(short, 0, most);
}
