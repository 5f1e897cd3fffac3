import { addDays, daysBetween } from "../calendar/civil.ts";
import type { TankOnDay } from "../given/index.ts";
import { ownPerDayOf } from "../readings/index.ts";
import { dailyToHold } from "../water/index.ts";
import { bringsOf } from "./balance.ts";
import { CEILINGS } from "./mends.ts";

/** What a machine exchanges every day, and how long its two vessels last. */
export interface AutoExchange {
  /** Litres a day that it should be set to. */
  readonly litresPerDay: number;
  /** What it is set to; null where nobody has said. */
  readonly setLPerDay: number | null;
  /** New water to fill in until the next visit, L: no more than the vessel holds. */
  readonly fillL: number;
  /** Whole days that a full vessel of new water, and an empty one for the waste, last. */
  readonly newDays: number;
  readonly wasteDays: number;
  /** The day that the first of them is at its end. */
  readonly lastsUntil: string;
  /** Whether both last until the next visit. */
  readonly lasts: boolean;
}

/** A machine is set to tenths of a litre. */
const STEP_L = 0.1;

/**
 * The automatic exchange of a tank that has one; null of any other.
 *
 * So many litres a day as hold every figure that builds up at the upper edge of its band; where none builds up, the tank's own
 * share spread over the days to the next visit.
 */
export function autoExchangeOf(tank: TankOnDay): AutoExchange | null {
  const { facts, input, known, systemL } = tank;
  const machine = facts.autoExchange;
  if (!machine) return null;
  const days = Math.max(1, daysBetween(input.on, input.nextVisitOn));
  const holding = facts.bands.flatMap(({ parameter, idealHigh }) => {
    const rate = input.rates[parameter];
    const value = known[parameter]?.value;
    if (!CEILINGS.includes(parameter) || !rate?.enough || value === undefined) return [];
    const refill = bringsOf(input.source, parameter, value);
    return dailyToHold(idealHigh, refill, ownPerDayOf(rate), systemL) ?? [];
  });
  const own = (facts.practice.share * systemL) / days;
  const wanted = holding.length > 0 ? Math.max(...holding) : own;
  const litresPerDay = Math.max(STEP_L, Math.ceil(wanted / STEP_L - 1e-9) * STEP_L);
  const newDays = Math.floor(machine.newWaterL / litresPerDay + 1e-9);
  const wasteDays = Math.floor(machine.wasteL / litresPerDay + 1e-9);
  const least = Math.min(newDays, wasteDays);
  return {
    litresPerDay,
    setLPerDay: machine.litresPerDay ?? null,
    fillL: Math.min(machine.newWaterL, litresPerDay * days),
    newDays,
    wasteDays,
    lastsUntil: addDays(input.on, least),
    lasts: least >= days,
  };
}
