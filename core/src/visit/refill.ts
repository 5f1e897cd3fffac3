import { isSalt } from "../tank/index.ts";
import {
  afterExchange,
  conditionerMl,
  dailySteps,
  refillAtLeastC,
  salinityAtFullLevel,
  saltGrams,
  saltRefill,
  temperatureDuring,
} from "../water/index.ts";
import { q, type Worked, worked } from "../worked/index.ts";
import { modeOf } from "./change.ts";
import type { PlanInput } from "./inputs.ts";
import type { Knowns, WaterReason } from "./waterPlan.ts";

/** Salt water, fresh water and salt to pour, with the salinity stepped toward its target. */
export function refillOf(input: PlanInput, known: Knowns, systemL: number, litres: number, missing: number) {
  const { book, source, limits } = input;
  const none = { saltWaterL: null, freshL: null, saltG: null, mixPsu: null };
  const freshOf = (value: number) =>
    worked("fresh-water", value, "L", { "taken out": q(litres, "L"), "missing on arrival": q(missing, "L") });
  if (!isSalt(book))
    return { amounts: { ...none, freshL: missing > 0 ? freshOf(litres + missing) : null }, tankPsu: null, steps: null };

  const psu = known.salinity?.value ?? book.targetPsu;
  const atLevel = salinityAtFullLevel(psu, systemL, Math.min(missing, systemL));
  const { today: todayPsu, days } = dailySteps(atLevel, book.targetPsu, {
    up: limits.salinityUpPpt,
    down: limits.salinityDownPpt,
  });
  const steps: WaterReason | null =
    days > 1 ? { code: "salinity-in-steps", from: atLevel, today: todayPsu, target: book.targetPsu, days } : null;

  const mixPsu = source.chemistry.salinity ?? book.targetPsu;
  const balance = saltRefill({
    systemL,
    missingL: missing,
    psu,
    drainedL: Math.min(litres, systemL - missing),
    targetPsu: todayPsu,
    mixPsu,
  });
  const room = litres + missing;
  const stronger = !balance.ok && balance.reason === "mix-too-weak" && source.kind === "mix" && balance.neededPsu <= 45;
  const saltL = balance.ok ? balance.saltL : balance.reason === "mix-too-strong" ? 0 : room;
  const strength = stronger && !balance.ok ? balance.neededPsu : mixPsu;
  const tankPsu = systemL > 0 ? (psu * (systemL - missing - litres) + strength * saltL) / systemL : psu;
  const salt = source.salt;
  return {
    tankPsu,
    steps,
    amounts: {
      saltWaterL: worked("salt-water", saltL, "L", {
        system: q(systemL, "L"),
        measured: q(psu, "ppt"),
        "wanted today": q(todayPsu, "ppt"),
        "new water": q(strength, "ppt"),
        "missing on arrival": q(missing, "L"),
      }),
      freshL: room - saltL > 0.05 ? freshOf(room - saltL) : null,
      mixPsu: strength,
      saltG:
        salt && saltL > 0
          ? worked("salt-grams", saltGrams(saltL, salt.gramsPerLitre, strength), "g", {
              "finished mix": q(saltL, "L"),
              [salt.name]: q(salt.gramsPerLitre, "g/L at 35"),
              "verified batches": q(salt.batches, ""),
              salinity: q(strength, "ppt"),
            })
          : null,
    },
  };
}

/** Conditioner for what it has to treat; null for a water that needs none. */
export function conditionerOf(input: PlanInput, systemL: number, litres: number): Worked | null {
  const { source } = input;
  if (!source.conditioner || litres <= 0) return null;
  // Poured straight from the tap the whole tank meets it; from a barrel only the new water does.
  const treatedL = source.kind === "tap" ? systemL : litres;
  return worked("conditioner-ml", conditionerMl(source.conditioner, treatedL, source.chloramineFactor), "mL", {
    treated: q(treatedL, "L"),
    label: q(source.conditioner.mlPer100L, "mL per 100 L"),
    "chloramine factor": q(source.chloramineFactor, ""),
  });
}

/** The temperature to bring the new water to, as near as it can be had. */
export function refillTemperature(input: PlanInput, known: Knowns, share: number): Worked | null {
  if (share <= 0) return null;
  const { book, source, limits } = input;
  const tankC = known.temperature?.value ?? book.targetC;
  const band = book.bands.find((b) => b.parameter === "temperature");
  const well = !band || (tankC >= band.idealLow && tankC <= band.idealHigh);
  const move = well ? 0 : Math.min(limits.temperatureC, Math.max(-limits.temperatureC, book.targetC - tankC));
  const wish =
    book.schools.temperatureMatch === "above-floor" && well
      ? coolestRefillC(tankC, band?.idealLow ?? tankC, limits.temperatureC, share)
      : Math.min(tankC + 8, Math.max(tankC - 8, tankC + move / share));
  const refillC = source.canWarm ? Math.max(source.coldC, wish) : source.coldC;
  const afterC = afterExchange(tankC, refillC, share);
  return worked("refill-temperature", refillC, "°C", {
    tank: q(tankC, "°C"),
    "as it comes": q(source.coldC, "°C"),
    share: q(share * 100, "%"),
    "tank afterwards": q(afterC, "°C"),
  });
}

/** The coolest new water that leaves the tank above its floor and within a day's change, °C. */
function coolestRefillC(tankC: number, floorC: number, mostFallC: number, share: number): number {
  return Math.min(tankC, refillAtLeastC(tankC, Math.max(floorC, tankC - mostFallC), share));
}

/** New water this near to the tank's temperature needs no check on the way, °C. */
const SAME_C = 0.5;

/** What the tank should read when half of the new water is in; null where it hardly moves. */
export function halfWay(
  input: PlanInput,
  known: Knowns,
  refillC: number,
  litres: number,
  systemL: number,
): Worked | null {
  const tankC = known.temperature?.value ?? input.book.targetC;
  if (Math.abs(refillC - tankC) < SAME_C || litres <= 0 || modeOf(input.book) === "in-and-out") return null;
  return worked("half-way", temperatureDuring(tankC, refillC, systemL - litres, litres / 2), "°C", {
    tank: q(tankC, "°C"),
    "new water": q(refillC, "°C"),
    "left in the tank": q(systemL - litres, "L"),
    "poured so far": q(litres / 2, "L"),
  });
}
