import { belowLineCm, markCmOf, runBackOf, standingOf, type TankOnDay, tankC } from "../given/index.ts";
import { displayVolumeL, sumpVolumeL } from "../vessel/index.ts";
import { CO2_RELATIVE, co2MgL, effectiveShare, saltGrams, temperatureDuring } from "../water/index.ts";
import { type Quantity, q, type Worked, worked } from "../worked/index.ts";
import { afterChecks } from "./afterCheck.ts";
import { autoExchangeOf } from "./autoExchange.ts";
import { endLitres } from "./balance.ts";
import { conditioning } from "./conditioning.ts";
import { saltCreep } from "./creeping.ts";
import type { Asked } from "./decide.ts";
import { expectedAfter } from "./expected.ts";
import { lowWaterOf } from "./exposure.ts";
import { refillMinutesOf, runsOf } from "./moving.ts";
import { neededOf } from "./needed.ts";
import type { Pour, PourPlan } from "./pour.ts";
import { TIGHT } from "./pumpsOn.ts";
import { isUrgent, urgent } from "./urgency.ts";
import { mustCarryAway } from "./waste.ts";
import type { FreeAmmonia, Limit, WaterPlan, WaterReason } from "./waterPlan.ts";

/** What was decided, with what holds it down and what it would set free. */
export interface Decided extends Asked {
  readonly limits: readonly Limit[];
  readonly held: Limit | null;
  readonly ammonia: FreeAmmonia | null;
}

/** Everything that follows from what is poured. */
export function figuresOf(tank: TankOnDay, pours: PourPlan, pour: Pour, decided: Decided): WaterPlan {
  const { input, facts, systemL, mode, missing, place } = tank;
  const { limits, held, wantedL } = decided;
  const litres = pour.drainedL;
  const share = effectiveShare(litres, systemL, mode, Math.min(facts.deadL ?? 0, systemL / 2));
  const low = lowWaterOf(tank, litres, pour.sourceL);
  const leftLowL = Math.max(0, systemL - endLitres(tank, pour));
  const runBack = runsBack(tank, pour);
  const pumpsOnL = low.runningL;
  const refillC = refillTemperature(tank, pour);
  const goal = goalOf(decided.reasons);
  const figures = { litres: litresOf(tank, litres, wantedL, limits), limits, after: expectedAfter(tank, pour) };
  const { conditionerMl, conditionerParts, topUpConditionerMl } = conditioning(tank, pour);
  return {
    // Each by its name: a literal of so many fields is several times slower to make from spread parts.
    litres: figures.litres,
    limits,
    after: figures.after,
    decision: decided.decision,
    reasons: reasonsOf(
      tank,
      pours,
      pour,
      decided,
      share,
      leftLowL,
      runBack?.tight ? { litres: runBack.litres, roomL: runBack.roomL } : null,
    ),
    systemL: volumeOf(tank),
    needed: neededOf(tank, decided.target, goal),
    share: worked("share", share, "of the system", { litres: q(litres, "L"), system: q(systemL, "L"), way: mode }),
    mark: litres > 0 ? markOf(tank, litres - pumpsOnL) : null,
    markOn: place,
    tapeCm: litres > 0 ? markCmOf(facts, standingOf(facts, 0), Math.min(litres - pumpsOnL, mostFullL(tank))) : null,
    fills: fillsOf(tank, litres),
    pourL: pour.sourceL > 0 ? poured(tank, pours, pour) : null,
    saltWaterL: tank.salt && pour.sourceL > 0 ? poured(tank, pours, pour) : null,
    freshL: freshOf(tank, pour),
    topUpC: pour.topUpC,
    mixPsu: pour.sourceL > 0 ? pour.sourcePsu : null,
    saltG: saltOf(tank, pour),
    conditionerMl,
    conditionerParts,
    topUpConditionerMl,
    refillC,
    halfWayC: halfWayOf(tank, pour),
    co2: co2Of(tank),
    checks: afterChecks(tank, figures, decided.target, goal),
    binding: held,
    freeAmmonia: decided.ammonia && litres > 0 ? decided.ammonia : null,
    runs: runsOf(tank, litres),
    missing,
    missingL: missing.litres,
    leftLowL,
    leftLowCm: leftLowL > LEAST_POUR_L ? belowLineCm(facts, leftLowL) : 0,
    exposed: low.exposed,
    wettingMinutes: low.wettingMinutes,
    bedL: low.parts.bedL,
    pumpsOnL,
    runBack,
    auto: autoExchangeOf(tank),
    drainMinutes: low.runningMinutes + low.parts.bedMinutes + low.parts.restMinutes,
    restMinutes: low.parts.restMinutes,
    refillMinutes: refillMinutesOf(tank, mode === "batch" ? litres : 0, pour.sourceL),
    wasteL: mustCarryAway(input) ? litres : 0,
  };
}

/** What runs back when the return stops, with the room for it, and whether that is tight; null without a sump. */
function runsBack({ facts, place, missing }: TankOnDay, { drainedL, topUpL }: Pour): WaterPlan["runBack"] {
  const back = runBackOf(facts);
  // What is topped up by litres while the pumps stand is too much where less was missing than is believed.
  const tooMuchL = drainedL > 0 && place === "display" && topUpL > 0 ? UNFAVOURABLE * missing.sigmaL : 0;
  return back && { ...back, tight: back.litres + tooMuchL > TIGHT * back.roomL };
}

/** Vessels to carry. */
function fillsOf({ input }: TankOnDay, litres: number): Worked | null {
  if (litres <= 0) return null;
  const { bucketL } = input.site;
  return worked("buckets", Math.ceil(litres / bucketL), "fills", {
    litres: q(litres, "L"),
    "one fill": q(bucketL, "L"),
  });
}

/** Water that tops up. */
function freshOf({ missing }: TankOnDay, { topUpL, drainedL, sourceL }: Pour): Worked | null {
  if (topUpL <= LEAST_POUR_L) return null;
  return worked("fresh-water", topUpL, "L", {
    "taken out": q(drainedL, "L"),
    "missing on arrival": q(missing.litres, "L"),
    "new water": q(sourceL, "L"),
  });
}

/** The litres to take out, with what was asked for and the limits that come nearest. */
function litresOf({ systemL }: TankOnDay, litres: number, wantedL: number, limits: readonly Limit[]): Worked {
  const inputs: Record<string, Quantity> = { system: q(systemL, "L"), "asked for": q(wantedL, "L") };
  for (const { name, code, maxL } of limits.slice(0, LIMITS_TOLD)) inputs[`limit: ${name ?? code}`] = q(maxL, "L");
  return worked("drain-litres", litres, "L", inputs);
}

/** So many limits stand in the working of the litres. */
const LIMITS_TOLD = 5;

/** Less than this nobody pours. */
export const LEAST_POUR_L = 0.05;

/** An overflow is decided so many standard deviations on the unfavourable side. */
const UNFAVOURABLE = 3;

/** What the plan says beside the decision, what is urgent first. */
function reasonsOf(
  tank: TankOnDay,
  { aim }: PourPlan,
  pour: Pour,
  decided: Asked,
  share: number,
  leftLowL: number,
  overflow: { readonly litres: number; readonly roomL: number } | null,
): WaterReason[] {
  const changing = pour.drainedL > 0;
  const steps: WaterReason[] =
    aim && aim.days > 1 && (changing || leftLowL > LEAST_POUR_L)
      ? [
          {
            code: "salinity-in-steps",
            from: aim.now,
            today: pour.endPsu ?? aim.now,
            target: aim.target,
            days: daysToTarget(aim, pour),
          },
        ]
      : [];
  return [
    ...urgent(decided.reasons),
    ...steps,
    ...decided.reasons.filter((r) => !isUrgent(r)),
    ...(aim?.assumed && changing ? [{ code: "salinity-assumed", value: aim.now } as const] : []),
    ...(leftLowL > LEAST_POUR_L ? [{ code: "left-low", todayL: pour.topUpL, restL: leftLowL } as const] : []),
    ...(overflow ? [{ code: "overflow", ...overflow } as const] : []),
    ...phShift(tank, share),
    ...saltCreep(tank.input, share),
  ];
}

/** Days until the target at what today really reaches. */
function daysToTarget(aim: NonNullable<PourPlan["aim"]>, pour: Pour): number {
  const step = Math.abs((pour.endPsu ?? aim.now) - aim.now);
  const gap = Math.abs(aim.target - aim.now);
  return step > 1e-6 ? Math.max(aim.days, Math.ceil(gap / step - 1e-9)) : aim.days;
}

/** What a raised change aims at. */
const goalOf = (reasons: readonly WaterReason[]): number | undefined => {
  const raised = reasons.find((r) => r.code === "raised");
  return raised?.target;
};

function volumeOf({ facts, systemL, volumeRelative }: TankOnDay): Worked {
  return worked(
    "net-volume",
    systemL,
    "L",
    {
      display: q(displayVolumeL(facts.display, facts.display.runningLevelM), "L"),
      ...(facts.sump
        ? {
            sump: q(sumpVolumeL(facts.sump, facts.sump.runningLevelM), "L"),
            "pipes and reactors": q(facts.sump.pipesL, "L"),
          }
        : {}),
    },
    systemL * volumeRelative,
  );
}

/** New water to pour. */
function poured({ systemL, missing, salt }: TankOnDay, { aim }: PourPlan, pour: Pour): Worked {
  return worked(salt ? "salt-water" : "new-water", pour.sourceL, "L", {
    system: q(systemL, "L"),
    ...(aim && pour.endPsu !== null && pour.sourcePsu !== null
      ? {
          measured: q(aim.now, "ppt"),
          "wanted today": q(aim.today, "ppt"),
          "new water": q(pour.sourcePsu, "ppt"),
          "tank afterwards": q(pour.endPsu, "ppt"),
        }
      : {}),
    "taken out": q(pour.drainedL, "L"),
    "missing on arrival": q(missing.litres, "L"),
  });
}

/** Salt to weigh for the new water; null for water that is not mixed. */
function saltOf({ input }: TankOnDay, { sourceL, sourcePsu }: Pour): Worked | null {
  const { salt } = input.source;
  if (!salt || sourceL <= 0 || sourcePsu === null) return null;
  return worked("salt-grams", saltGrams(sourceL, salt.gramsPerLitre, sourcePsu), "g", {
    "finished mix": q(sourceL, "L"),
    [salt.name]: q(salt.gramsPerLitre, "g/L at 35"),
    "verified batches": q(salt.batches, ""),
    salinity: q(sourcePsu, "ppt"),
  });
}

/** The temperature to bring the new water to, as near as it can be had. */
function refillTemperature(tank: TankOnDay, pour: Pour): Worked | null {
  if (pour.sourceL <= 0) return null;
  return worked("refill-temperature", pour.sourceC, "°C", {
    tank: q(tankC(tank), "°C"),
    "as it comes": q(tank.input.source.coldC, "°C"),
    "of it": q(pour.sourceL, "L"),
    ...(pour.topUpL > LEAST_POUR_L ? { "topping up": q(pour.topUpC, "°C") } : {}),
    "tank afterwards": q(pour.endC, "°C"),
  });
}

/** New water this near to the tank's temperature needs no check on the way, °C. */
const SAME_C = 0.5;

/** What the tank should read when half of the new water is in; null where it hardly moves. */
function halfWayOf(tank: TankOnDay, pour: Pour): Worked | null {
  const now = tankC(tank);
  const leftL = tank.systemL - tank.missing.litres - pour.drainedL;
  if (pour.sourceL <= 0 || leftL <= 0 || tank.mode === "in-and-out" || Math.abs(pour.sourceC - now) < SAME_C)
    return null;
  return worked("half-way", temperatureDuring(now, pour.sourceC, leftL, pour.sourceL / 2), "°C", {
    tank: q(now, "°C"),
    "new water": q(pour.sourceC, "°C"),
    "left in the tank": q(leftL, "L"),
    "poured so far": q(pour.sourceL / 2, "L"),
  });
}

/** Carbon dioxide of a tank that is fed with it, from what is known of its KH and pH. */
function co2Of({ facts, known, salt }: TankOnDay): Worked | null {
  const [kh, ph] = [known.alkalinity?.value, known.ph?.value];
  if (salt || !facts.gear.includes("co2") || kh === undefined || ph === undefined || ph < 4 || ph > 10) return null;
  const value = co2MgL(kh, ph);
  return {
    ...worked("co2", value, "mg/L", { KH: q(kh, "dKH"), pH: q(ph, "") }),
    range: { low: value * (1 - CO2_RELATIVE), high: value * (1 + CO2_RELATIVE) },
  };
}

/** New water of another pH: it holds nothing down, it is said. Where CO2 is injected pH swings by itself. */
function phShift({ known, input, facts }: TankOnDay, share: number): WaterReason[] {
  const [before, refill] = [known.ph?.value, input.source.chemistry.ph];
  const most = input.limits.ph;
  if (before === undefined || refill === undefined || facts.gear.includes("co2")) return [];
  return share * Math.abs(refill - before) > most ? [{ code: "ph-shift", before, refill, most }] : [];
}

/** The most that the fall of a full tank holds, L. */
const mostFullL = ({ facts }: TankOnDay): number => {
  const full = standingOf(facts, 0);
  return displayVolumeL(facts.display, full.startM);
};

function markOf({ facts, standing, missing }: TankOnDay, litres: number): Worked | null {
  const cm = markCmOf(facts, standing, litres);
  if (cm === null) return null;
  return worked("mark", cm, "cm from the rim", {
    litres: q(litres, "L"),
    "fill line": q(facts.display.runningLevelM * 100, "cm above the floor"),
    "missing on arrival": q(missing.litres, "L"),
  });
}
