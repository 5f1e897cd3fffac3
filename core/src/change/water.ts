import { leaningOn, oddToday, type PlanInput, type TankOnDay, tankOnDay, withBed } from "../given/index.ts";
import { type Asked, decide } from "./decide.ts";
import { figuresOf, LEAST_POUR_L } from "./figures.ts";
import { brokenOnTheDay, limitsIn, mostL } from "./limits.ts";
import { ammoniaLimit, freeAmmonia, wouldPoison } from "./poison.ts";
import { type PourPlan, pourPlan } from "./pour.ts";
import { isUrgent, urgent } from "./urgency.ts";
import type { FreeAmmonia, Limit, WaterPlan, WaterReason } from "./waterPlan.ts";

/**
 * Plans the water change of a visit: how much, from where to where, with what, and what it will be afterwards.
 *
 * Follows the tank's policy, raised where a reading is outside its band, held down by every limit, and refused where
 * it would harm. Pure: the same input gives the same plan, so taking a reading back restores the earlier one.
 *
 * @throws {OutOfRangeError} for a tank without volume.
 */
export const planWater = (input: PlanInput): WaterPlan => waterOn(withBed(tankOnDay(input)));

/** The same of a tank that was looked at, with its bed. */
export function waterOn(tank: TankOnDay): WaterPlan {
  const { input } = tank;
  const odd = oddToday(input);
  if (!odd) return planFor(tank);
  const others = input.readings.filter((r) => !(r.parameter === odd.parameter && r.on === input.on && !r.after));
  const plan = planFor(leaningOn(tank, others));
  return {
    ...plan,
    decision: plan.decision === "change" ? "postpone" : plan.decision,
    reasons: [...urgent(plan.reasons), { code: "retest", ...odd }, ...plan.reasons.filter((r) => !isUrgent(r))],
  };
}

/** More than this is not raised to in one change where two will do, 0 to 1. */
const HALF = 0.5;

/** The plan's litres are whole, of a small tank halves. */
const stepOf = (systemL: number): number => (systemL < 80 ? 0.5 : 1);
/** Down to a whole step; what misses one by less than a twentieth is that one, as far as nothing holds it back. */
function down(litres: number, step: number, mostL: number): number {
  const near = Math.floor(litres / step + 0.05) * step;
  return near <= mostL + 1e-9 ? near : Math.floor(litres / step + 1e-9) * step;
}

function planFor(tank: TankOnDay): WaterPlan {
  const { input, systemL } = tank;
  const pours = pourPlan(tank);
  const asked = decide(tank, pours);
  const limits = limitsIn(tank, pours);
  const ceilingL = limits[0]?.maxL ?? systemL;
  const held = asked.wantedL > ceilingL + 1e-9 ? (limits[0] ?? null) : null;
  // Two equal changes do what one may not, or what would take more than half of the tank.
  const wantedL =
    asked.halfL !== undefined && (held || asked.wantedL > HALF * systemL)
      ? Math.min(asked.halfL, ceilingL)
      : Math.min(asked.wantedL, ceilingL);
  // A person's own figure is theirs to the tenth; the plan's are whole.
  const litres = input.chosen && asked.decision === "change" ? wantedL : down(wantedL, stepOf(systemL), ceilingL);
  if (asked.decision !== "change") return noChange(tank, pours, asked, limits);
  const broken = litres < LEAST_POUR_L ? (limits[0] ?? null) : brokenOnTheDay(tank, pours, litres);
  if (litres < LEAST_POUR_L || broken) {
    const reasons = broken ? [{ code: "held", limit: broken } as const, ...asked.reasons] : asked.reasons;
    return noChange(tank, pours, { ...asked, decision: "postpone", reasons }, limits, held ?? broken);
  }
  const pour = pours.of(litres);
  const ammonia = freeAmmonia(tank, pour);
  const rise = ammonia && !ammonia.bound ? wouldPoison(ammonia, input.limits.freeAmmoniaMgL) : null;
  if (rise && ammonia) return poisoned(tank, pours, asked, limits, ammonia, rise);
  return figuresOf(tank, pours, pour, { ...asked, limits, held, ammonia });
}

/** A change that would set ammonia free: forbidden, or put off until the pH that was taken at its worst is known. */
function poisoned(
  tank: TankOnDay,
  pours: PourPlan,
  asked: Asked,
  limits: readonly Limit[],
  ammonia: FreeAmmonia,
  rise: NonNullable<ReturnType<typeof wouldPoison>>,
): WaterPlan {
  const limit = ammoniaLimit(rise.limit);
  const emergency = urgent(asked.reasons);
  const untested = ammonia.assumed[0];
  // What is known to be dangerous now is told first; a source that nobody tested is tested before any of it is poured.
  const reason: WaterReason =
    untested && emergency.length === 0
      ? { code: "ph-first", of: untested === "ph" ? "tank" : "source", worst: rise.after, limit: rise.limit }
      : rise;
  const decision = reason.code === "ph-first" ? ("unknown" as const) : ("forbid" as const);
  return {
    ...noChange(tank, pours, { ...asked, decision, reasons: [reason, ...asked.reasons] }, [limit, ...limits], limit),
    freeAmmonia: ammonia,
  };
}

/** Nothing is changed today; what evaporated is topped up, unless that alone would poison. */
function noChange(
  tank: TankOnDay,
  pours: PourPlan,
  asked: Asked,
  limits: readonly Limit[],
  held: Limit | null = null,
): WaterPlan {
  const pour = pours.of(0);
  const ammonia = freeAmmonia(tank, pour);
  const harms = ammonia && !ammonia.bound && wouldPoison(ammonia, tank.input.limits.freeAmmoniaMgL);
  return figuresOf(tank, pours, harms ? pours.none : pour, { ...asked, limits, held, ammonia: null });
}

/**
 * The plan for so many litres, whoever chose them: what they would make of the tank, and which limit they break.
 *
 * @param litres From 0 to what the tank can be drained of; more is taken as all of it.
 * @throws {OutOfRangeError} for a tank without volume.
 */
export function planChange(given: PlanInput, litres: number): WaterPlan {
  const tank = withBed(tankOnDay(given));
  const { input } = tank;
  const pours = pourPlan(tank);
  const chosen = Math.min(mostL(tank), Math.max(0, litres));
  const pour = pours.of(chosen);
  const limits = limitsIn(tank, pours);
  const ammonia = freeAmmonia(tank, pour);
  const rise = chosen > 0 && ammonia && !ammonia.bound ? wouldPoison(ammonia, input.limits.freeAmmoniaMgL) : null;
  const emergency =
    ammonia && !rise && ammonia.before.value > input.limits.freeAmmoniaMgL && ammonia.assumed.length === 0;
  const poison = rise && ammoniaLimit(rise.limit);
  const first = limits[0];
  return {
    ...figuresOf(tank, pours, pour, {
      decision: poison ? "forbid" : chosen > 0 ? "change" : "none",
      reasons: [
        ...(rise ? [rise] : []),
        ...(emergency && !ammonia.bound
          ? [{ code: "ammonia-emergency", value: ammonia.before.value, limit: input.limits.freeAmmoniaMgL } as const]
          : []),
      ],
      wantedL: chosen,
      limits: poison ? [poison, ...limits] : limits,
      held: poison ?? (first && chosen > first.maxL + 1e-6 ? first : null),
      ammonia,
    }),
  };
}
