import { drainableL, litresAboveM, type PlanInput, type TankOnDay, tankC } from "../given/index.ts";
import { risingRoot } from "../numeric/index.ts";
import { youngShare } from "../programme/index.ts";
import type { Landmark } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import { sumpVolumeL } from "../vessel/index.ts";
import { bringsOf, mixed } from "./balance.ts";
import { bareTooLong, holdsWater } from "./exposure.ts";
import { drainPartsOf, hoseLimitL, refillMinutesOf } from "./moving.ts";
import type { PourPlan } from "./pour.ts";
import { mustCarryAway } from "./waste.ts";
import type { Limit } from "./waterPlan.ts";

/** Everything that holds a change down on the day, the smallest first. */
export function limitsIn(tank: TankOnDay, pours: PourPlan): Limit[] {
  const most = mostL(tank);
  return [...ofTheTank(tank, pours), ...ofADay(tank, pours, most), ...ofTheVisit(tank, pours, most)]
    .map((l) => ({ ...l, maxL: Math.min(most, Math.max(0, l.maxL)) }))
    .sort((a, b) => a.maxL - b.maxL);
}

/** More than three times its water is not run through a tank in one visit. */
const MOST_VOLUMES = 3;

/** The most litres that can be asked for at all. */
export const mostL = ({ facts, standing, systemL, missing }: TankOnDay): number =>
  Math.min(
    drainableL(facts, standing),
    drainableL(facts, standing) === Number.POSITIVE_INFINITY ? MOST_VOLUMES * systemL : systemL - missing.litres,
  );

/** The largest litres for which something stays at or below nothing; it may be broken by less water and kept by more. */
function largest(over: (litres: number) => number, mostLitres: number): number {
  if (over(mostLitres) <= 0) return mostLitres;
  const PARTS = 24;
  for (let i = PARTS - 1; i >= 0; i--) {
    const litres = (mostLitres * i) / PARTS;
    if (over(litres) <= 0) return risingRoot(over, litres, (mostLitres * (i + 1)) / PARTS);
  }
  return 0;
}

/** Nearer to the bed than this nobody drains; a reset goes deeper. */
const ABOVE_BED_M = 0.05;
const RESET_ABOVE_BED_M = 0.03;

/** What stands in the tank. */
function ofTheTank(tank: TankOnDay, pours: PourPlan): Limit[] {
  const { facts, standing, systemL, place } = tank;
  const share = mostShareOf(tank);
  const found: Limit[] = [{ code: "animals", maxL: share * systemL, value: share }];
  if (place === "sump" && facts.sump)
    found.push({
      code: "sump-level",
      maxL: sumpVolumeL(facts.sump, standing.sumpM ?? 0) - sumpVolumeL(facts.sump, facts.sump.lowestLevelM),
    });
  if (place !== "display") return found;
  const aboveM = facts.practice.policy === "reset" ? RESET_ABOVE_BED_M : ABOVE_BED_M;
  found.push({ code: "floor", maxL: litresAboveM(facts, standing, facts.display.substrateDepthM + aboveM) });
  const byHoseL = hoseLimitL(tank);
  if (byHoseL !== null) found.push({ code: "hose", maxL: byHoseL });
  for (const mark of facts.landmarks) {
    const bareAnyway = mark.heightM >= standing.startM && !bareWithoutPumps(tank, mark);
    if (!holdsWater(mark, facts) || bareAnyway) continue;
    const reachL = litresAboveM(facts, standing, mark.heightM);
    const never = mark.airMinutes <= 0 || bareWithoutPumps(tank, mark);
    const over = (litres: number) => bareTooLong(tank, mark, litres, pours.of(litres).sourceL);
    const all = drainableL(facts, standing);
    found.push({
      code: "landmark",
      maxL: never ? reachL : over(all) <= 0 ? all : risingRoot(over, reachL, all),
      name: mark.name,
      minutes: mark.airMinutes,
      value: mark.heightM,
    });
  }
  return found;
}

/** Where algae or a reset call for a large change, the kind's usual largest share gives way, to this much at most. */
const CALLED_SHARE = 0.5;

/** The largest share that the animals bear today, 0 to 1. */
function mostShareOf({ facts, input }: Pick<TankOnDay, "facts" | "input">): number {
  const { policy, share } = facts.practice;
  if (policy === "reset") return Math.max(facts.mostShare, share);
  const young = youngShare(facts, input.on);
  return young.phase ? Math.max(facts.mostShare, Math.min(CALLED_SHARE, share * young.times)) : facts.mostShare;
}

/** Whether a landmark stands in air as soon as the pumps stop, for as long as they are off: no clock of the drain counts that. */
const bareWithoutPumps = ({ facts, standing }: TankOnDay, mark: Landmark): boolean =>
  facts.sump !== undefined && mark.heightM >= standing.startM && mark.heightM < facts.display.runningLevelM;

/** What a day allows of one figure: how far so many litres are over it, in the figure's unit; at or below nothing they keep it. */
interface DayRule {
  readonly code: Limit["code"];
  readonly value: number;
  readonly over: (litres: number) => number;
}

/** What one day may change, reckoned from the water the animals are in. */
function dayRules(tank: TankOnDay, pours: PourPlan): DayRule[] {
  const { input, known, day } = tank;
  const rules: DayRule[] = [];
  const perDay = (code: Limit["code"], parameter: Parameter, limit: number | null) => {
    const now = known[parameter]?.value;
    if (now === undefined || limit === null) return;
    const waters = {
      tank: now,
      source: bringsOf(input.source, parameter, now),
      topUp: bringsOf(input.topUpSource, parameter, now),
    };
    rules.push({ code, value: limit, over: (litres) => Math.abs(mixed(pours.of(litres).blend, waters) - now) - limit });
  };
  perDay("alkalinity-a-day", "alkalinity", day.alkalinityDkh);
  perDay("calcium-a-day", "calcium", day.calciumMgL);
  perDay("magnesium-a-day", "magnesium", day.magnesiumMgL);
  perDay("gh-a-day", "gh", day.ghDgh);
  const { aim } = pours;
  if (aim)
    rules.push({
      code: "salinity-a-day",
      value: aim.today > aim.now ? day.salinityUpPpt : day.salinityDownPpt,
      over: (litres) => {
        const move = (pours.of(litres).endPsu ?? aim.now) - aim.now;
        return Math.max(move - day.salinityUpPpt, -move - day.salinityDownPpt) - TOLERANCE;
      },
    });
  const now = tankC(tank);
  rules.push({
    code: "temperature-a-day",
    value: input.source.coldC,
    over: (litres) => Math.abs(pours.of(litres).endC - now) - day.temperatureC - TOLERANCE,
  });
  return rules;
}

function ofADay(tank: TankOnDay, pours: PourPlan, most: number): Limit[] {
  const reach = tank.mode === "batch" ? most : most / MOST_VOLUMES;
  return dayRules(tank, pours).flatMap(({ code, value, over }) => {
    const maxL = largest(over, reach);
    return maxL < reach ? [{ code, value, maxL }] : [];
  });
}

/**
 * The rule of the day that so many litres break although they are within every limit; null where they keep all.
 *
 * With water missing, little new water may not make up for what topping up alone does: then nothing is changed today.
 */
export function brokenOnTheDay(tank: TankOnDay, pours: PourPlan, litres: number): Limit | null {
  const broken = dayRules(tank, pours).find(({ over }) => over(litres) > SLACK);
  return broken ? { code: broken.code, value: broken.value, maxL: 0 } : null;
}

/** A limit is found by halving; what is left of that breaks nothing. */
const SLACK = 1e-6;

/** Rounding in the balance is no change of the water. */
const TOLERANCE = 1e-9;

/** Water that the van brings; a tap is at the site. */
const CARRIED: readonly PlanInput["source"]["kind"][] = ["mix", "natural-sea", "purified", "remineralised"];

/** What the van, the drain and the hours allow. */
function ofTheVisit(tank: TankOnDay, pours: PourPlan, most: number): Limit[] {
  const { input, facts } = tank;
  const found: Limit[] = [];
  if (input.litresOnBoard !== null && CARRIED.includes(input.source.kind)) {
    const onBoard = input.litresOnBoard;
    found.push({ code: "on-board", maxL: largest((litres) => pours.of(litres).sourceL - onBoard, most) });
  }
  if (mustCarryAway(input) && facts.carryAwayL !== undefined)
    found.push({ code: "drain-rule", maxL: facts.carryAwayL });
  if (typeof input.minutesForWater === "number") {
    const minutes = input.minutesForWater;
    const over = (litres: number) => {
      const { restMinutes, bedMinutes } = drainPartsOf(tank, litres);
      return restMinutes + bedMinutes - (tank.bed?.minutes ?? 0) + refillMinutesOf(tank, litres, litres) - minutes;
    };
    found.push({ code: "time-on-site", maxL: largest(over, most), minutes });
  }
  return found;
}
