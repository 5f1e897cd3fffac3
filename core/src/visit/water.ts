import { daysBetween } from "../calendar/civil.ts";
import { isSalt, systemVolumeL, volumeRelative95 } from "../tank/index.ts";
import { displayVolumeL, sumpVolumeL } from "../vessel/index.ts";
import { CO2_RELATIVE, co2MgL, effectiveShare } from "../water/index.ts";
import { q, type Worked, worked, Z95 } from "../worked/index.ts";
import { modeOf, mustCarryAway } from "./change.ts";
import { saltCreep } from "./creeping.ts";
import { expectedAfter } from "./expected.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";
import { knownValues, surprise } from "./known.ts";
import { markCmOf, markPlace, missingL } from "./levels.ts";
import { limitsIn } from "./limits.ts";
import { drainMinutesOf, refillMinutesOf, runsOf } from "./moving.ts";
import { ammoniaLimit, freeAmmonia, judgeAmmonia, withAmmonia } from "./poison.ts";
import { conditionerOf, halfWay, refillOf, refillTemperature } from "./refill.ts";
import { neededOf, want } from "./want.ts";
import type { Knowns, WaterPlan, WaterReason } from "./waterPlan.ts";

/**
 * Plans the water change of a visit: how much, from where to where, with what, and what it will be afterwards.
 *
 * Follows the tank's policy, raised where a reading is outside its band, held down by every limit, and refused where
 * it would harm. Pure: the same input gives the same plan, so taking a reading back restores the earlier one.
 *
 * @throws {OutOfRangeError} for a tank without volume.
 */
export function planWater(input: PlanInput): WaterPlan {
  const odd = surprise(input);
  if (odd) {
    const others = input.readings.filter((r) => !(r.parameter === odd.parameter && r.on === input.on));
    const plan = decide(input, others);
    return {
      ...plan,
      decision: plan.decision === "change" ? "postpone" : plan.decision,
      reasons: [{ code: "retest", ...odd }, ...plan.reasons],
    };
  }
  return decide(input, input.readings);
}

function decide(input: PlanInput, readings: readonly PlanReading[]): WaterPlan {
  const { book } = input;
  const systemL = systemVolumeL(book);
  const mode = modeOf(book);
  const known = knownValues(input, readings);
  const missing = input.belowMarkCm === null ? expectedMissingL(input) : missingL(book, input.belowMarkCm);
  const { wantedL, decision, reasons } = want(input, known, systemL, mode);
  const needed = neededOf(input, known, reasons);

  const limits = limitsIn(input, known, systemL);
  const ceiling = limits[0]?.maxL ?? systemL;
  const capped = Math.max(0, Math.min(wantedL, ceiling));
  const step = systemL < 80 ? 0.5 : 1;
  // A person's own figure is theirs to the tenth; the plan's are whole.
  let litres = input.chosen ? capped : Math.floor(capped / step + 1e-9) * step;
  const binding = wantedL > ceiling + 1e-9 ? (limits[0] ?? null) : null;

  const ammonia = freeAmmonia(input, known, litres, systemL, mode);
  const verdict = ammonia && decision !== "none" ? judgeAmmonia(ammonia, input.limits.freeAmmoniaMgL) : null;
  let finalDecision = decision;
  const poison = verdict?.code === "ammonia-would-rise" ? verdict : null;
  if (poison) {
    finalDecision = "forbid";
    litres = 0;
  } else if (verdict?.code === "ammonia-emergency" && (decision === "none" || decision === "unknown"))
    finalDecision = "change";
  if (finalDecision !== "change")
    litres = finalDecision === "postpone" && reasons[0]?.code !== "treatment" ? litres : 0;
  if (reasons.some((r) => r.code === "too-cold")) litres = 0;

  return figuresOf(input, known, litres, {
    decision: finalDecision,
    reasons: [...(verdict ? [verdict] : []), ...reasons],
    wantedL,
    limits: poison ? withAmmonia(poison, limits) : limits,
    binding: poison ? ammoniaLimit(poison) : binding,
    missing,
    needed,
    ammonia: ammonia && (litres > 0 || poison) ? ammonia : null,
  });
}

/**
 * The plan for so many litres, whoever chose them: what they would make of the tank, and which limit they break.
 *
 * @param litres From 0 to the system's volume; more is taken as all of it.
 * @throws {OutOfRangeError} for a tank without volume.
 */
export function planChange(input: PlanInput, litres: number): WaterPlan {
  const systemL = systemVolumeL(input.book);
  const known = knownValues(input, input.readings);
  const chosen = Math.min(systemL, Math.max(0, litres));
  const limits = limitsIn(input, known, systemL);
  const ammonia = freeAmmonia(input, known, chosen, systemL, modeOf(input.book));
  const verdict = ammonia && judgeAmmonia(ammonia, input.limits.freeAmmoniaMgL);
  const poison = chosen > 0 && verdict?.code === "ammonia-would-rise" ? verdict : null;
  return figuresOf(input, known, chosen, {
    decision: poison ? "forbid" : "change",
    reasons: verdict ? [verdict] : [],
    wantedL: chosen,
    limits: poison ? withAmmonia(poison, limits) : limits,
    binding: poison ? ammoniaLimit(poison) : limits[0] && chosen > limits[0].maxL + 1e-6 ? limits[0] : null,
    missing: input.belowMarkCm === null ? expectedMissingL(input) : missingL(input.book, input.belowMarkCm),
    ammonia: chosen > 0 ? ammonia : null,
  });
}

/** A salinity that is reached in steps is told before the policy, after what forbids or asks for a change at once. */
const withSteps = (reasons: readonly WaterReason[], steps: WaterReason): WaterReason[] => {
  const urgent = reasons.filter((r) => r.code === "ammonia-would-rise" || r.code === "ammonia-emergency").length;
  // What is urgent stands first by construction.
  return [...reasons.slice(0, urgent), steps, ...reasons.slice(urgent)];
};

/** Everything that follows from a number of litres. */
function figuresOf(
  input: PlanInput,
  known: Knowns,
  litres: number,
  decided: Pick<WaterPlan, "decision" | "reasons" | "limits" | "binding"> & {
    readonly wantedL: number;
    readonly missing: number;
    readonly needed?: Worked | null;
    readonly ammonia: WaterPlan["freeAmmonia"];
  },
): WaterPlan {
  const { book } = input;
  const { limits, missing, wantedL } = decided;
  const systemL = systemVolumeL(book);
  const mode = modeOf(book);
  const share = effectiveShare(litres, systemL, mode, book.deadL);
  const refill = refillOf(input, known, systemL, litres, missing);
  const refillC = refillTemperature(input, known, share);
  const warned = [...decided.reasons, ...phShift(input, known, share), ...saltCreep(input, share)];
  return {
    decision: decided.decision,
    reasons: refill.steps ? withSteps(warned, refill.steps) : warned,
    systemL: worked(
      "net-volume",
      systemL,
      "L",
      {
        display: q(displayVolumeL(book.display, book.display.runningLevelM), "L"),
        ...(book.sump ? { sump: q(sumpVolumeL(book.sump, book.sump.runningLevelM), "L") } : {}),
      },
      (systemL * volumeRelative95(book)) / Z95,
    ),
    litres: worked("drain-litres", litres, "L", {
      system: q(systemL, "L"),
      "asked for": q(wantedL, "L"),
      ...Object.fromEntries(limits.slice(0, 5).map((l) => [`limit: ${l.name ?? l.code}`, q(l.maxL, "L")])),
    }),
    needed: decided.needed ?? null,
    share: worked("share", share, "of the system", { litres: q(litres, "L"), system: q(systemL, "L"), way: mode }),
    mark: litres > 0 ? markOf(input, litres) : null,
    markOn: markPlace(book),
    fills:
      litres > 0
        ? worked("buckets", Math.ceil(litres / input.site.bucketL), "fills", {
            litres: q(litres, "L"),
            "one fill": q(input.site.bucketL, "L"),
          })
        : null,
    ...refill.amounts,
    conditionerMl: conditionerOf(input, systemL, litres),
    refillC,
    halfWayC: refillC && halfWay(input, known, refillC.value, litres, systemL),
    co2: co2Of(input, known),
    runs: runsOf(book, litres),
    after: expectedAfter(input, known, share, { ...refill, litres, missing, systemL }),
    limits,
    binding: decided.binding,
    freeAmmonia: decided.ammonia,
    missingL: missing,
    drainMinutes: drainMinutesOf(book, litres),
    refillMinutes: refillMinutesOf(book, litres),
    wasteL: mustCarryAway(input) ? litres : 0,
  };
}

/** Carbon dioxide of a tank that is fed with it, from what is known of its KH and pH. */
function co2Of({ book }: PlanInput, known: Knowns): Worked | null {
  const [kh, ph] = [known.alkalinity?.value, known.ph?.value];
  if (isSalt(book) || !book.gear.includes("co2") || kh === undefined || ph === undefined) return null;
  const value = co2MgL(kh, ph);
  return {
    ...worked("co2", value, "mg/L", { KH: q(kh, "dKH"), pH: q(ph, "") }),
    range: { low: value * (1 - CO2_RELATIVE), high: value * (1 + CO2_RELATIVE) },
  };
}

/** New water of another pH: it holds nothing down, it is said. Where CO2 is injected pH swings by itself. */
function phShift(input: PlanInput, known: Knowns, share: number): WaterReason[] {
  const [before, refill] = [known.ph?.value, input.source.chemistry.ph];
  const most = input.limits.ph;
  if (before === undefined || refill === undefined || input.book.gear.includes("co2")) return [];
  return share * Math.abs(refill - before) > most ? [{ code: "ph-shift", before, refill, most }] : [];
}

/** Litres gone since the last visit, where nobody tops up in between. */
function expectedMissingL(input: PlanInput): number {
  if (input.book.topUp !== "technician" || !input.lastVisitOn) return 0;
  return Math.max(0, daysBetween(input.lastVisitOn, input.on)) * input.book.evaporationLPerDay;
}

function markOf(input: PlanInput, litres: number): Worked | null {
  const cm = markCmOf(input.book, litres);
  if (cm === null) return null;
  return worked("mark", cm, "cm from the rim", {
    litres: q(litres, "L"),
    "running level": q(input.book.display.runningLevelM * 100, "cm above the floor"),
  });
}
