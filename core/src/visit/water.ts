import { addDays, daysBetween } from "../calendar/civil.ts";
import { type Band, isSalt, systemVolumeL, volumeRelative95 } from "../tank/index.ts";
import { PARAMETERS, type Parameter } from "../units/index.ts";
import { displayVolumeL, sumpVolumeL } from "../vessel/index.ts";
import {
  afterExchange,
  afterExchangeSigma,
  bisect,
  conditionerMl,
  dailySteps,
  effectiveShare,
  freeAmmoniaMgL,
  litresToReach,
  salinityAtFullLevel,
  saltGrams,
  saltRefill,
} from "../water/index.ts";
import { q, type Worked, worked, Z95 } from "../worked/index.ts";
import type { PlanInput, PlanReading } from "./inputs.ts";
import { litresAboveM, markCmOf, markPlace, missingL } from "./levels.ts";
import { drainMinutesOf, hoseLimitL, minutesBelow, refillMinutesOf } from "./moving.ts";
import { sourceRelative } from "./sourceOn.ts";

/** What may hold a change down, as data. `maxL` is the most it allows. */
export interface Limit {
  readonly code:
    | "landmark"
    | "floor"
    | "sump-level"
    | "hose"
    | "animals"
    | "alkalinity-a-day"
    | "calcium-a-day"
    | "magnesium-a-day"
    | "salinity-a-day"
    | "temperature-a-day"
    | "on-board"
    | "time-on-site"
    | "drain-rule"
    | "free-ammonia";
  readonly maxL: number;
  readonly name?: string;
  readonly minutes?: number;
  readonly value?: number;
}

/** Why the plan asks for what it asks, the first deciding. */
export type WaterReason =
  | { readonly code: "policy"; readonly policy: string; readonly share: number }
  | {
      readonly code: "raised";
      readonly parameter: Parameter;
      readonly value: number;
      readonly target: number;
      readonly fromL: number;
    }
  | { readonly code: "cannot-reach"; readonly parameter: Parameter; readonly target: number; readonly refill: number }
  | { readonly code: "within-bands"; readonly longestDays: number }
  | { readonly code: "longest-interval"; readonly days: number }
  | { readonly code: "no-reading"; readonly parameters: readonly Parameter[] }
  | { readonly code: "treatment"; readonly name: string; readonly until: string }
  | { readonly code: "treatment-follow-up"; readonly name: string }
  | { readonly code: "too-cold"; readonly value: number; readonly floor: number }
  | {
      readonly code: "ammonia-would-rise";
      readonly before: number;
      readonly after: number;
      readonly limit: number;
      readonly ph: number;
    }
  | { readonly code: "ammonia-emergency"; readonly value: number; readonly limit: number }
  | { readonly code: "ph-shift"; readonly before: number; readonly refill: number; readonly most: number }
  | { readonly code: "retest"; readonly parameter: Parameter; readonly value: number; readonly expected: number }
  | {
      readonly code: "salinity-in-steps";
      readonly from: number;
      readonly today: number;
      readonly target: number;
      readonly days: number;
    };

/** A parameter before the change and as expected after it. */
export interface Expected {
  readonly parameter: Parameter;
  readonly before: number;
  readonly beforeSigma: number;
  readonly after: Worked;
}

/** The water change of one visit, decided. */
export interface WaterPlan {
  /** change: do it. none: not needed. postpone: first something else. forbid: it would harm. unknown: measure first. */
  readonly decision: "change" | "none" | "postpone" | "forbid" | "unknown";
  readonly reasons: readonly WaterReason[];
  readonly systemL: Worked;
  readonly litres: Worked;
  readonly share: Worked;
  readonly mark: Worked | null;
  readonly markOn: "display" | "sump" | "none";
  readonly fills: Worked | null;
  readonly saltWaterL: Worked | null;
  readonly freshL: Worked | null;
  readonly saltG: Worked | null;
  readonly mixPsu: number | null;
  readonly conditionerMl: Worked | null;
  readonly refillC: Worked | null;
  readonly after: readonly Expected[];
  /** Smallest first. The first one binds if the policy wants more. */
  readonly limits: readonly Limit[];
  readonly binding: Limit | null;
  readonly freeAmmonia: { readonly before: Worked; readonly after: Worked } | null;
  readonly missingL: number;
  readonly drainMinutes: number;
  readonly refillMinutes: number;
  readonly wasteL: number;
}

/** Litres moved are known to about 3 % (95 %). */
const LITRES_RELATIVE = 0.03 / Z95;
/** A reading this many standard deviations from what fits is measured again before it is acted on. */
const SURPRISE = 3;
/** Test-led tanks are changed at least this often, days. */
const LONGEST_INTERVAL_DAYS = 35;
/** Minutes of work while the water stands at its mark. */
const WORK_AT_MARK_MINUTES = 2;
/** Parameters that build up and are held under a ceiling by changes. */
const CEILINGS: readonly Parameter[] = ["nitrate", "phosphate", "ammonia", "nitrite"];

interface Known {
  readonly value: number;
  readonly sigma: number;
  readonly today: boolean;
}

/** The value of a parameter on the day: today's last reading, else the fitted value, else the last valid reading. */
function knownValues(input: PlanInput, readings: readonly PlanReading[]): Partial<Record<Parameter, Known>> {
  const known: Partial<Record<Parameter, Known>> = {};
  for (const parameter of PARAMETERS) {
    const last = readings.findLast((r) => r.parameter === parameter);
    if (last && last.on === input.on) {
      known[parameter] = { value: last.value, sigma: last.sigma, today: true };
      continue;
    }
    const rate = input.rates[parameter];
    if (rate?.enough) {
      known[parameter] = { value: Math.max(0, rate.now), sigma: rate.nowSigma, today: false };
      continue;
    }
    const validDays = input.book.bands.find((b) => b.parameter === parameter)?.validDays ?? 21;
    if (last && daysBetween(last.on, input.on) <= validDays)
      known[parameter] = { value: last.value, sigma: last.sigma, today: false };
  }
  return known;
}

/** Today's reading that does not fit what is expected and has not been confirmed by a second one. */
function surprise(input: PlanInput): { parameter: Parameter; value: number; expected: number } | null {
  for (const [parameter, rate] of Object.entries(input.rates) as [Parameter, PlanInput["rates"][Parameter]][]) {
    const today = input.readings.filter((r) => r.parameter === parameter && r.on === input.on);
    const last = today.at(-1);
    if (!last || !rate?.enough) continue;
    const spread = Math.hypot(last.sigma, rate.nowSigma, 0.05 * Math.abs(rate.now));
    const confirmed = today.length > 1 && Math.abs((today.at(-2)?.value ?? 0) - last.value) <= 3 * last.sigma;
    if (Math.abs(last.value - rate.now) > SURPRISE * spread && !confirmed)
      return { parameter, value: last.value, expected: rate.now };
  }
  return null;
}

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

  const limits = limitsIn(input, known, systemL);
  const ceiling = limits[0]?.maxL ?? systemL;
  const capped = Math.max(0, Math.min(wantedL, ceiling));
  const step = systemL < 80 ? 0.5 : 1;
  let litres = Math.floor(capped / step + 1e-9) * step;
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
    ammonia: ammonia && (litres > 0 || poison) ? ammonia : null,
  });
}

type AmmoniaRise = Extract<WaterReason, { code: "ammonia-would-rise" }>;

/** New water that would make the ammonia poison: none of it, whatever else would allow. */
const ammoniaLimit = ({ limit }: AmmoniaRise): Limit => ({ code: "free-ammonia", maxL: 0, value: limit });
const withAmmonia = (rise: AmmoniaRise, limits: readonly Limit[]): Limit[] => [ammoniaLimit(rise), ...limits];

const limitsIn = (input: PlanInput, known: Partial<Record<Parameter, Known>>, systemL: number): Limit[] =>
  limitsOf(input, known, systemL).sort((a, b) => a.maxL - b.maxL);

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

/** How water goes out and in on a tank, for the share that takes effect. */
const modeOf = (book: PlanInput["book"]) =>
  book.schools.policy === "continuous" || book.schools.how === "in-and-out" ? "in-and-out" : "batch";

/** Everything that follows from a number of litres. */
function figuresOf(
  input: PlanInput,
  known: Partial<Record<Parameter, Known>>,
  litres: number,
  decided: Pick<WaterPlan, "decision" | "reasons" | "limits" | "binding"> & {
    readonly wantedL: number;
    readonly missing: number;
    readonly ammonia: WaterPlan["freeAmmonia"];
  },
): WaterPlan {
  const { book } = input;
  const { limits, missing, wantedL } = decided;
  const systemL = systemVolumeL(book);
  const mode = modeOf(book);
  const share = effectiveShare(litres, systemL, mode, book.deadL);
  const refill = refillOf(input, known, systemL, litres, missing);
  const warned = [...decided.reasons, ...phShift(input, known, share)];
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
    refillC: refillTemperature(input, known, share),
    after: expectedAfter(input, known, share, refill.tankPsu),
    limits,
    binding: decided.binding,
    freeAmmonia: decided.ammonia,
    missingL: missing,
    drainMinutes: drainMinutesOf(book, litres),
    refillMinutes: refillMinutesOf(book, litres),
    wasteL: mustCarryAway(input) ? litres : 0,
  };
}

/** New water of another pH: it holds nothing down, it is said. Where CO2 is injected pH swings by itself. */
function phShift(input: PlanInput, known: Partial<Record<Parameter, Known>>, share: number): WaterReason[] {
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

function want(
  input: PlanInput,
  known: Partial<Record<Parameter, Known>>,
  systemL: number,
  mode: "batch" | "in-and-out",
): { wantedL: number; decision: WaterPlan["decision"]; reasons: WaterReason[] } {
  const { book, source } = input;
  const { policy, share } = book.schools;
  const reasons: WaterReason[] = [];
  const baseL = share * systemL;

  const temperature = known.temperature;
  const cold = book.bands.find((b) => b.parameter === "temperature");
  if (temperature?.today && cold && temperature.value < cold.actLow && book.gear.includes("heater"))
    return {
      wantedL: 0,
      decision: "postpone",
      reasons: [{ code: "too-cold", value: temperature.value, floor: cold.actLow }],
    };

  if (book.treatment) {
    const until = addDays(book.treatment.startedOn, book.treatment.contactDays);
    if (input.on < until)
      return { wantedL: 0, decision: "postpone", reasons: [{ code: "treatment", name: book.treatment.name, until }] };
    if (input.on <= addDays(book.treatment.followUpOn, 7) && input.on >= book.treatment.followUpOn)
      reasons.push({ code: "treatment-follow-up", name: book.treatment.name });
  }

  let wantedL = policy === "test-led" ? 0 : baseL;
  let raisedBy: WaterReason | null = null;
  for (const band of book.bands) {
    if (!CEILINGS.includes(band.parameter)) continue;
    const value = known[band.parameter];
    if (!value || value.value <= band.idealHigh) continue;
    const refill = source.chemistry[band.parameter] ?? 0;
    const needed = litresToReach({
      before: value.value,
      target: band.idealHigh,
      refill,
      systemL,
      mode,
      deadL: book.deadL,
    });
    if (!needed.ok) reasons.push({ code: "cannot-reach", parameter: band.parameter, target: band.idealHigh, refill });
    else if (needed.litres > wantedL) {
      wantedL = needed.litres;
      raisedBy = {
        code: "raised",
        parameter: band.parameter,
        value: value.value,
        target: band.idealHigh,
        fromL: baseL,
      };
    }
  }
  if (raisedBy) return { wantedL, decision: "change", reasons: [raisedBy, ...reasons] };

  if (policy === "test-led") {
    const needed = book.bands.filter((b) => b.required && CEILINGS.includes(b.parameter));
    const unread = needed.filter((b) => !known[b.parameter]).map((b) => b.parameter);
    if (unread.length > 0)
      return { wantedL: 0, decision: "unknown", reasons: [{ code: "no-reading", parameters: unread }, ...reasons] };
    const days = input.lastVisitOn ? daysBetween(input.lastVisitOn, input.on) : LONGEST_INTERVAL_DAYS;
    if (days >= LONGEST_INTERVAL_DAYS)
      return { wantedL: baseL, decision: "change", reasons: [{ code: "longest-interval", days }, ...reasons] };
    return {
      wantedL: 0,
      decision: "none",
      reasons: [{ code: "within-bands", longestDays: LONGEST_INTERVAL_DAYS }, ...reasons],
    };
  }
  return { wantedL: baseL, decision: "change", reasons: [...reasons, { code: "policy", policy, share }] };
}

/** A landmark that stands in air during a change. */
export interface Exposure {
  readonly name: string;
  /** From the moment the water leaves it until it is back, the work at the low mark included. */
  readonly minutes: number;
  readonly allowedMinutes: number;
}

/** What stands in air when so many litres are out, the longest first. The return nozzle is meant to. */
export function exposures(book: PlanInput["book"], litres: number): Exposure[] {
  if (markPlace(book) !== "display") return [];
  return book.landmarks
    .flatMap((mark) => {
      const minutes = minutesBelow(book, litresAboveM(book, mark.heightM), litres, WORK_AT_MARK_MINUTES);
      return mark.kind === "return" || minutes === 0
        ? []
        : [{ name: mark.name, minutes, allowedMinutes: mark.airMinutes }];
    })
    .sort((a, b) => b.minutes - a.minutes);
}

/** The most litres that keep a point in air for no longer than it may be, work at the mark included. */
function bareUntilL(book: PlanInput["book"], reachL: number, airMinutes: number, systemL: number): number {
  const over = (litres: number) => minutesBelow(book, reachL, litres, WORK_AT_MARK_MINUTES) - airMinutes;
  return over(systemL) <= 0 ? systemL : bisect(over, reachL, systemL);
}

/** Salt water goes into a sewer or away, never into a septic tank or a garden. */
const mustCarryAway = ({ book, site }: PlanInput): boolean => isSalt(book) && site.drain !== "sewer";

/** Water that the van brings; a tap is at the site. */
const CARRIED: readonly PlanInput["source"]["kind"][] = ["mix", "natural-sea", "purified", "remineralised"];

/** The most litres that are out and in again within so many minutes. */
function litresWithin(book: PlanInput["book"], minutes: number, systemL: number): number {
  const over = (litres: number) => drainMinutesOf(book, litres) + refillMinutesOf(book, litres) - minutes;
  return over(systemL) <= 0 ? systemL : bisect(over, 0, systemL);
}

function limitsOf(input: PlanInput, known: Partial<Record<Parameter, Known>>, systemL: number): Limit[] {
  const { book, source, limits } = input;
  const found: Limit[] = [{ code: "animals", maxL: book.mostShare * systemL, value: book.mostShare }];
  const place = markPlace(book);

  if (place === "sump" && book.sump)
    found.push({
      code: "sump-level",
      maxL: sumpVolumeL(book.sump, book.sump.runningLevelM) - sumpVolumeL(book.sump, book.sump.lowestLevelM),
    });
  if (place === "display") {
    const floorM = book.display.substrateDepthM + 0.05;
    found.push({ code: "floor", maxL: litresAboveM(book, floorM) });
    const byHoseL = hoseLimitL(book);
    if (byHoseL !== null) found.push({ code: "hose", maxL: byHoseL });
    for (const mark of book.landmarks) {
      if (mark.kind === "return" || (mark.kind === "heater" && book.schools.heater !== "lowered")) continue;
      const reachL = litresAboveM(book, mark.heightM);
      found.push({
        code: "landmark",
        maxL: mark.airMinutes > WORK_AT_MARK_MINUTES ? bareUntilL(book, reachL, mark.airMinutes, systemL) : reachL,
        name: mark.name,
        minutes: mark.airMinutes,
        value: mark.heightM,
      });
    }
  }

  const perDay = (code: Limit["code"], parameter: Parameter, most: number) => {
    const [before, refill] = [known[parameter]?.value, source.chemistry[parameter]];
    if (before === undefined || refill === undefined || Math.abs(refill - before) < 1e-9) return;
    found.push({ code, maxL: (most / Math.abs(refill - before)) * systemL, value: most });
  };
  perDay("alkalinity-a-day", "alkalinity", limits.alkalinityDkh);
  perDay("calcium-a-day", "calcium", limits.calciumMgL);
  perDay("magnesium-a-day", "magnesium", limits.magnesiumMgL);
  if (source.kind === "natural-sea") perDay("salinity-a-day", "salinity", limits.salinityUpPpt);
  const tankC = known.temperature?.value ?? book.targetC;
  if (!source.canWarm && Math.abs(source.coldC - tankC) > 0.1)
    found.push({
      code: "temperature-a-day",
      maxL: (limits.temperatureC / Math.abs(source.coldC - tankC)) * systemL,
      value: source.coldC,
    });
  if (input.litresOnBoard !== null && CARRIED.includes(source.kind))
    found.push({ code: "on-board", maxL: input.litresOnBoard });
  if (mustCarryAway(input) && book.carryAwayL !== undefined) found.push({ code: "drain-rule", maxL: book.carryAwayL });
  if (typeof input.minutesForWater === "number")
    found.push({
      code: "time-on-site",
      maxL: litresWithin(book, input.minutesForWater, systemL),
      minutes: input.minutesForWater,
    });
  return found.map((l) => ({ ...l, maxL: Math.min(systemL, Math.max(0, l.maxL)) }));
}

function freeAmmonia(
  input: PlanInput,
  known: Partial<Record<Parameter, Known>>,
  litres: number,
  systemL: number,
  mode: "batch" | "in-and-out",
): { before: Worked; after: Worked } | null {
  const [total, ph] = [known.ammonia, known.ph];
  if (!total || !ph) return null;
  const temperatureC = known.temperature?.value ?? input.book.targetC;
  const salinityPsu = known.salinity?.value ?? input.book.targetPsu;
  const before = freeAmmoniaMgL(total.value, { ph: ph.value, temperatureC, salinityPsu });
  // Worst case: weakly buffered old water takes the pH of the new.
  const phAfter = Math.max(ph.value, input.source.chemistry.ph ?? ph.value);
  const totalAfter = afterExchange(
    total.value,
    input.source.chemistry.ammonia ?? 0,
    effectiveShare(litres, systemL, mode, input.book.deadL),
  );
  const after = freeAmmoniaMgL(Math.max(0, totalAfter), {
    ph: litres > 0 ? phAfter : ph.value,
    temperatureC,
    salinityPsu,
  });
  const inputs = (tan: number, p: number) => ({
    "total ammonia": q(tan, "mg/L N"),
    pH: q(p, ""),
    temperature: q(temperatureC, "°C"),
  });
  return {
    before: worked("free-ammonia", before, "mg/L NH3", inputs(total.value, ph.value)),
    after: worked("free-ammonia", after, "mg/L NH3", inputs(totalAfter, phAfter)),
  };
}

function judgeAmmonia(ammonia: { before: Worked; after: Worked }, limit: number): WaterReason | null {
  const [before, after] = [ammonia.before.value, ammonia.after.value];
  const ph = ammonia.after.inputs.pH;
  if (after > limit && after > before)
    return { code: "ammonia-would-rise", before, after, limit, ph: typeof ph === "object" ? ph.value : Number.NaN };
  return before > limit ? { code: "ammonia-emergency", value: before, limit } : null;
}

function markOf(input: PlanInput, litres: number): Worked | null {
  const cm = markCmOf(input.book, litres);
  if (cm === null) return null;
  return worked("mark", cm, "cm from the rim", {
    litres: q(litres, "L"),
    "running level": q(input.book.display.runningLevelM * 100, "cm above the floor"),
  });
}

/** Salt water, fresh water and salt to pour, with the salinity stepped toward its target. */
function refillOf(
  input: PlanInput,
  known: Partial<Record<Parameter, Known>>,
  systemL: number,
  litres: number,
  missing: number,
) {
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

function conditionerOf(input: PlanInput, systemL: number, litres: number): Worked | null {
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

function refillTemperature(input: PlanInput, known: Partial<Record<Parameter, Known>>, share: number): Worked | null {
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

/**
 * The coolest new water that leaves the tank above its floor and within a day's change, °C.
 *
 * Tr = T0 + (Tlimit − T0)/f, with the higher of the two limits.
 */
function coolestRefillC(tankC: number, floorC: number, mostFallC: number, share: number): number {
  const lowestC = Math.max(floorC, tankC - mostFallC);
  return Math.min(tankC, tankC + (lowestC - tankC) / share);
}

function expectedAfter(
  input: PlanInput,
  known: Partial<Record<Parameter, Known>>,
  share: number,
  tankPsu: number | null,
): Expected[] {
  const rows: Expected[] = [];
  for (const band of input.book.bands) {
    const value = known[band.parameter];
    if (!value || band.parameter === "ph" || band.parameter === "temperature") continue;
    const refill = input.source.chemistry[band.parameter] ?? (CEILINGS.includes(band.parameter) ? 0 : value.value);
    const sigma = afterExchangeSigma(value.value, refill, share, {
      before: value.sigma,
      refill: Math.abs(refill) * sourceRelative(input.source, band.parameter),
      litresRelative: LITRES_RELATIVE,
      volumeRelative: volumeRelative95(input.book) / Z95,
    });
    const after =
      band.parameter === "salinity" && tankPsu !== null ? tankPsu : afterExchange(value.value, refill, share);
    rows.push({
      parameter: band.parameter,
      before: value.value,
      beforeSigma: value.sigma,
      after: worked(
        "reading-after",
        after,
        unitOf(band),
        {
          before: q(value.value, unitOf(band)),
          "new water": q(refill, unitOf(band)),
          "effective share": q(share * 100, "%"),
        },
        sigma,
      ),
    });
  }
  return rows;
}

function unitOf(band: Band): string {
  return band.parameter === "alkalinity"
    ? "dKH"
    : band.parameter === "gh"
      ? "dGH"
      : band.parameter === "salinity"
        ? "ppt"
        : "mg/L";
}
