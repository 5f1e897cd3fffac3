import { type TankOnDay, tankC } from "../given/index.ts";
import { effectiveShare } from "../water/index.ts";
import { type Blend, blendOf, bringsOf, mixed, type Poured, type Waters } from "./balance.ts";
import { type SalinityAim, salinityAim } from "./salinityToday.ts";

/** What is poured for a change of so many litres, and how salt and warm it is. */
export interface Pour extends Poured {
  readonly blend: Blend;
  /** Salinity of the new water as it is to be made, PSU; null for a tank without salt. */
  readonly sourcePsu: number | null;
  /** Salinity of the tank at the end, PSU; null for a tank without salt. */
  readonly endPsu: number | null;
  /** Temperature to bring the new water to, and that at which the topping up is done, °C. */
  readonly sourceC: number;
  readonly topUpC: number;
  readonly endC: number;
}

/** Everything about a tank that decides what is poured, worked out once. */
export interface PourPlan {
  readonly aim: SalinityAim | null;
  /** The most that may be topped up today without new water, L: what a day's limits allow of what is missing. */
  readonly topUpTodayL: number;
  readonly of: (drainedL: number) => Pour;
  /** Nothing poured at all, not even what is missing. */
  readonly none: Pour;
}

/** New water is brought no further from the tank's temperature than this, °C. */
const MOST_APART_C = 8;
/** So small a part of the system may be topped up as cold as it comes. */
const SMALL_SHARE = 0.02;

/** Tells what is poured on a tank for any number of litres. */
export function pourPlan(tank: TankOnDay): PourPlan {
  const aim = salinityAim(tank);
  const topUpTodayL = mostTopUpL(tank, aim);
  // Every limit asks about the same few litres.
  const known = new Map<number, Pour>();
  const of = (drainedL: number): Pour => {
    const found = known.get(drainedL) ?? pourOf(tank, aim, topUpTodayL, drainedL);
    known.set(drainedL, found);
    return found;
  };
  const none = finished(tank, aim, { drainedL: 0, sourceL: 0, topUpL: 0 }, aim?.now ?? null);
  return { aim, topUpTodayL, of, none };
}

/**
 * Whether the tank is topped up with the same water that it is changed with: then there is one pour. Over a sump the display is
 * filled to its weir and the fill line shows only once the return runs: there are two.
 */
const oneWater = ({ salt, input, facts, place }: TankOnDay): boolean =>
  !salt && input.topUpSource.id === input.source.id && (!facts.sump || place === "sump");

function pourOf(tank: TankOnDay, aim: SalinityAim | null, topUpTodayL: number, drainedL: number): Pour {
  const { missing, mode } = tank;
  if (drainedL <= 0) return finished(tank, aim, { drainedL: 0, sourceL: 0, topUpL: topUpTodayL }, aim?.now ?? null);
  if (mode === "in-and-out") {
    const poured = { drainedL, sourceL: drainedL, topUpL: topUpTodayL };
    return finished(tank, aim, poured, aim && strengthThrough(tank, aim, poured));
  }
  if (!aim) {
    const litres = oneWater(tank)
      ? { sourceL: drainedL + missing.litres, topUpL: 0 }
      : { sourceL: drainedL, topUpL: missing.litres };
    return finished(tank, null, { drainedL, ...litres }, null);
  }
  const { psu, sourceL } = batchOf(tank, aim, drainedL);
  return finished(tank, aim, { drainedL, sourceL, topUpL: drainedL + missing.litres - sourceL }, psu);
}

/** How far from the tank, and how strong, new salt water may be, PSU. */
function strengths({ input }: TankOnDay, now: number): { readonly low: number; readonly high: number } {
  const { salinityApartPpt, strongestPpt } = input.limits;
  return {
    low: Math.max(0.5, now - salinityApartPpt),
    high: Math.max(0.5, Math.min(strongestPpt, now + salinityApartPpt)),
  };
}

const within = (value: number, { low, high }: { readonly low: number; readonly high: number }) =>
  Math.min(high, Math.max(low, value));

/** Whether the new salt water is mixed to what is asked for; else it is as strong as it is. */
const isMixed = ({ input }: TankOnDay): boolean => input.source.kind === "mix";

/** Strength and litres of salt water for a change that is drained first. */
function batchOf(
  tank: TankOnDay,
  aim: SalinityAim,
  drainedL: number,
): { readonly psu: number; readonly sourceL: number } {
  const { systemL, missing, input } = tank;
  const topUpPsu = bringsOf(input.topUpSource, "salinity", 0);
  const left = aim.now * (systemL - missing.litres - drainedL);
  const room = drainedL + missing.litres;
  /** Litres of a strength that close the balance, as far as there is room. */
  const litresOf = (psu: number) =>
    Math.abs(psu - topUpPsu) < 1e-9
      ? drainedL
      : within((aim.today * systemL - left - room * topUpPsu) / (psu - topUpPsu), { low: 0, high: room });
  if (!isMixed(tank)) {
    const psu = input.source.chemistry.salinity ?? aim.target;
    return { psu, sourceL: litresOf(psu) };
  }
  // Topping up would lower it too fast: some of what is missing comes back as salt water of the tank's own strength.
  if (aim.why === "held") {
    const psu = within(aim.now, strengths(tank, aim.now));
    return { psu, sourceL: litresOf(psu) };
  }
  const wanted = (aim.today * systemL - left - missing.litres * topUpPsu) / drainedL;
  const psu = within(wanted, strengths(tank, aim.now));
  // Stronger than it may be made, more of it takes the place of the topping up; weaker, more days.
  return { psu, sourceL: wanted > psu + 1e-9 ? Math.max(drainedL, litresOf(psu)) : drainedL };
}

/** Strength of salt water that is run through a tank while as much runs out. */
function strengthThrough(tank: TankOnDay, aim: SalinityAim, poured: Poured): number {
  const { input, systemL, missing, facts, mode } = tank;
  if (!isMixed(tank)) return input.source.chemistry.salinity ?? aim.target;
  const topUpPsu = bringsOf(input.topUpSource, "salinity", 0);
  const endL = systemL - missing.litres + poured.topUpL;
  const topped = (aim.now * (systemL - missing.litres) + topUpPsu * poured.topUpL) / endL;
  const share = effectiveShare(poured.sourceL, endL, mode, Math.min(facts.deadL ?? 0, endL / 2));
  const wanted = share > 0 ? topped + (aim.today - topped) / share : aim.now;
  return within(wanted, strengths(tank, aim.now));
}

/** Adds what follows: salinity at the end and the temperatures. */
function finished(tank: TankOnDay, aim: SalinityAim | null, poured: Poured, sourcePsu: number | null): Pour {
  const { input } = tank;
  const { drainedL, sourceL, topUpL } = poured;
  const blend = blendOf(tank, poured);
  const topUpPsu = bringsOf(input.topUpSource, "salinity", 0);
  const endPsu = aim && sourcePsu !== null ? mixed(blend, { tank: aim.now, source: sourcePsu, topUp: topUpPsu }) : null;
  const { sourceC, topUpC, endC } = temperaturesOf(tank, poured, blend);
  return { drainedL, sourceL, topUpL, blend, sourcePsu, endPsu, sourceC, topUpC, endC };
}

/** Temperatures of both waters and of the tank at the end. */
function temperaturesOf(tank: TankOnDay, poured: Poured, blend: Blend): Pick<Pour, "sourceC" | "topUpC" | "endC"> {
  const { input, systemL } = tank;
  const { source, topUpSource } = input;
  const now = tankC(tank);
  const warmed = topUpSource.canWarm && poured.topUpL > SMALL_SHARE * systemL;
  const topUpC = warmed ? Math.max(topUpSource.coldC, now) : topUpSource.coldC;
  const end = (sourceC: number) => mixed(blend, { tank: now, source: sourceC, topUp: topUpC });
  if (poured.sourceL <= 0) return { sourceC: source.coldC, topUpC, endC: end(source.coldC) };
  // The balance is linear in the temperature of the new water.
  const [atZero, perDegree] = [end(0), blend.source];
  const { low, high } = wantedC(tank, now);
  const coolest = perDegree > 1e-9 ? (low - atZero) / perDegree : now;
  const warmest = perDegree > 1e-9 ? (high - atZero) / perDegree : now;
  const wish = tank.facts.practice.temperatureMatch === "above-floor" ? Math.min(coolest, warmest) : warmest;
  const apart = within(wish, { low: now - MOST_APART_C, high: now + MOST_APART_C });
  const sourceC = source.canWarm ? Math.max(source.coldC, apart) : source.coldC;
  return { sourceC, topUpC, endC: end(sourceC) };
}

/** Between what and what the tank should be at the end, °C: as it is where that is right, else toward its target. */
function wantedC({ facts, day }: TankOnDay, now: number): { readonly low: number; readonly high: number } {
  const band = facts.bands.find((b) => b.parameter === "temperature");
  if (band && (now < band.idealLow || now > band.idealHigh)) {
    const move = within(facts.targetC - now, { low: -day.temperatureC, high: day.temperatureC });
    return { low: now + move, high: now + move };
  }
  return { low: Math.max(band?.idealLow ?? now, now - day.temperatureC), high: now };
}

/** The most of the missing water that may come back at once without new water, L. */
function mostTopUpL(tank: TankOnDay, aim: SalinityAim | null): number {
  const { missing, input, known, day } = tank;
  if (missing.litres <= 0) return 0;
  const { topUpSource } = input;
  const limits: { readonly waters: Waters; readonly down: number; readonly up: number }[] = [];
  const add = (now: number | undefined, brings: number, down: number | null, up = down) => {
    if (now !== undefined && down !== null && up !== null)
      limits.push({ waters: { tank: now, source: now, topUp: brings }, down, up });
  };
  if (aim) add(aim.now, bringsOf(topUpSource, "salinity", 0), day.salinityDownPpt, day.salinityUpPpt);
  for (const [parameter, most] of [
    ["alkalinity", day.alkalinityDkh],
    ["calcium", day.calciumMgL],
    ["magnesium", day.magnesiumMgL],
    ["gh", day.ghDgh],
  ] as const)
    add(known[parameter]?.value, bringsOf(topUpSource, parameter, known[parameter]?.value ?? 0), most);
  const now = tankC(tank);
  add(now, topUpSource.canWarm ? Math.max(topUpSource.coldC, now) : topUpSource.coldC, day.temperatureC);
  const found = tank.systemL - missing.litres;
  return limits.reduce((most, { waters, down, up }) => {
    const apart = Math.abs(waters.topUp - waters.tank);
    const limit = waters.topUp < waters.tank ? down : up;
    // c moves by e·(cf − c0)/(found + e): solved for e.
    return apart <= limit ? most : Math.min(most, (limit * found) / (apart - limit));
  }, missing.litres);
}
