import type { TankOnDay } from "../given/index.ts";

/** Where the salinity of a tank is to be after today, and why. All in PSU. */
export interface SalinityAim {
  /** The water that the animals are in. */
  readonly now: number;
  readonly sigma: number;
  /** Nobody measured it: it is taken to be the tank's target. */
  readonly assumed: boolean;
  /** What topping up alone would give. */
  readonly full: number;
  readonly today: number;
  readonly target: number;
  /** Match: what the tank reads. Held: topping up alone would lower it too fast. Toward: it is outside its band. */
  readonly why: "match" | "held" | "toward";
  /** Days at today's pace until the target is reached; 1 where today reaches it. */
  readonly days: number;
}

/** A salinity that nobody measured lies within the band that asks for action, 95 %. */
const ASSUMED_PART = 1.96;

/**
 * The salinity that today's water should leave a tank at; null for a tank without salt.
 *
 * Inside its band, at full level, a tank is matched and not chased. Outside it goes toward its target by at most what a day
 * allows, reckoned from the water the animals are in. Topping up alone never lowers it by more than that either.
 */
export function salinityAim(tank: TankOnDay): SalinityAim | null {
  const { facts, known, missing, systemL, day } = tank;
  if (!tank.salt) return null;
  const band = facts.bands.find((b) => b.parameter === "salinity");
  const read = known.salinity;
  const sigma = read?.sigma ?? (band ? (band.actHigh - band.actLow) / 2 / ASSUMED_PART : 1);
  const now = read?.value ?? facts.targetPsu;
  const full = (now * (systemL - missing.litres)) / systemL;
  const lowest = now - day.salinityDownPpt;
  const inside = !band || (full >= band.idealLow - sigma && full <= band.idealHigh + sigma);
  const common = { now, sigma, assumed: read === undefined, full, target: facts.targetPsu };
  if (inside || !read) {
    const held = full < lowest;
    return { ...common, today: Math.max(full, lowest), target: full, why: held ? "held" : "match", days: held ? 2 : 1 };
  }
  const today = Math.min(now + day.salinityUpPpt, Math.max(lowest, facts.targetPsu));
  const gap = facts.targetPsu - now;
  const most = gap > 0 ? day.salinityUpPpt : day.salinityDownPpt;
  return { ...common, today, why: "toward", days: Math.max(1, Math.ceil(Math.abs(gap) / most - 1e-9)) };
}
