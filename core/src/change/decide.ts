import { addDays, daysBetween } from "../calendar/civil.ts";
import { freeAmmoniaNow, isBound, type TankOnDay, wrongKindOfWater } from "../given/index.ts";
import { youngShare } from "../programme/index.ts";
import type { Parameter } from "../units/index.ts";
import { autoExchangeOf } from "./autoExchange.ts";
import { mostL } from "./limits.ts";
import { CEILINGS, FLOORS } from "./mends.ts";
import { freeAmmonia } from "./poison.ts";
import type { PourPlan } from "./pour.ts";
import { litresFor, type Target, targetsOf } from "./target.ts";
import type { WaterPlan, WaterReason } from "./waterPlan.ts";

/** What is to be done with the water of a tank before any limit holds it down. */
export interface Asked {
  readonly decision: WaterPlan["decision"];
  readonly wantedL: number;
  readonly reasons: readonly WaterReason[];
  /** The figure that the change is for, where one raised it. */
  readonly target?: Target;
  /** Litres of each of two equal changes that would do, where one is more than is allowed. */
  readonly halfL?: number;
}

type Rule = (tank: TankOnDay, pours: PourPlan) => Asked | null;

/** Test-led tanks are changed at least this often, days. */
const LONGEST_INTERVAL_DAYS = 35;
/** A tank changed within so many days may go to its target in one or two changes. */
const LATELY_DAYS = 56;
/** How near the new water's pH has to be for that. */
const NEAR_PH = 0.5;
/** One left for longer goes in steps of at most this share, so many days apart. */
const STEP_SHARE = 0.25;
const STEP_DAYS = 3;

/** The first rule that applies decides. Their order is the policy; each says why. */
const RULES: readonly Rule[] = [
  wrongWater,
  phFirst,
  ammoniaEmergency,
  treatmentHolds,
  tankTooCold,
  chosenByHand,
  bandBroken,
  byMachine,
  notMeasured,
  testLed,
  tanksOwnPolicy,
];

/** What a visit asks of the water of a tank, and why. */
export function decide(tank: TankOnDay, pours: PourPlan): Asked {
  for (const rule of RULES) {
    const asked = rule(tank, pours);
    if (asked) return asked;
  }
  return tanksOwnPolicy(tank);
}

/** Salt tanks get salt water and fresh tanks fresh; salt water that cannot be mixed anew is near enough to the tank's. */
function wrongWater({ salt, input }: TankOnDay, { aim }: PourPlan): Asked | null {
  const { source, limits } = input;
  const psu = source.chemistry.salinity ?? 0;
  const [refused] = source.refused ?? [];
  if (salt && refused) {
    const reason = { code: "sea-refused", source: source.name, says: refused } as const;
    return { decision: "forbid", wantedL: 0, reasons: [reason] };
  }
  const why =
    salt && source.kind === "natural-sea" && psu <= 0
      ? ("no-salt" as const)
      : (wrongKindOfWater(input.facts, source.kind) ??
        (aim &&
        source.kind === "natural-sea" &&
        (Math.abs(psu - aim.now) > limits.salinityApartPpt || psu > limits.strongestPpt)
          ? ("too-far" as const)
          : null));
  if (!why) return null;
  const reason = { code: "wrong-water", why, source: source.name, psu, tankPsu: aim?.now ?? 0 } as const;
  return { decision: "forbid", wantedL: 0, reasons: [reason] };
}

/** Ammonia was read and no pH: at its worst it would be poison now, so the pH is measured before anything is drained. */
function phFirst(tank: TankOnDay): Asked | null {
  const limit = tank.input.limits.freeAmmoniaMgL;
  const now = freeAmmoniaNow(tank);
  if (!now?.assumed || now.mgL <= limit || isBound(tank)) return null;
  return {
    decision: "unknown",
    wantedL: 0,
    reasons: [{ code: "ph-first", of: "tank", worst: now.mgL, limit }],
  };
}

/** Free ammonia over its limit: as much water as brings it under, at the least the tank's own share. */
function ammoniaEmergency(tank: TankOnDay, pours: PourPlan): Asked | null {
  const limit = tank.input.limits.freeAmmoniaMgL;
  const now = freeAmmoniaNow(tank);
  if (!now || now.mgL <= limit || isBound(tank)) return null;
  const most = mostL(tank);
  const PARTS = 20;
  const enough = Array.from({ length: PARTS }, (_, i) => (most * (i + 1)) / PARTS).find((litres) => {
    const pour = pours.of(litres);
    return (freeAmmonia(tank, pour)?.after.value ?? 0) <= limit;
  });
  return {
    decision: "change",
    wantedL: Math.max(ownLitres(tank), enough ?? most),
    reasons: [{ code: "ammonia-emergency", value: now.mgL, limit }],
  };
}

/** A remedy that still works is not thinned. */
function treatmentHolds({ facts, input }: TankOnDay): Asked | null {
  const { treatment } = facts;
  if (!treatment) return null;
  const until = addDays(treatment.startedOn, treatment.contactDays);
  if (input.on >= until) return null;
  return { decision: "postpone", wantedL: 0, reasons: [{ code: "treatment", name: treatment.name, until }] };
}

/** A tank that fell under its floor is warmed before it is changed. */
function tankTooCold({ facts, known }: TankOnDay): Asked | null {
  const { temperature } = known;
  const band = facts.bands.find((b) => b.parameter === "temperature");
  if (!temperature?.today || !band || temperature.value >= band.actLow || !facts.gear.includes("heater")) return null;
  return {
    decision: "postpone",
    wantedL: 0,
    reasons: [{ code: "too-cold", value: temperature.value, floor: band.actLow }],
  };
}

/** What a person chose goes before the policy. */
function chosenByHand(tank: TankOnDay): Asked | null {
  const { chosen } = tank.input;
  if (!chosen) return null;
  const { litres, by } = chosen;
  return {
    decision: litres > 0 ? "change" : "none",
    wantedL: litres,
    reasons: [{ code: "chosen", litres, by }, ...notes(tank)],
  };
}

/** A figure outside its band asks for the water that brings it well inside, in steps where the tank was left for long. */
function bandBroken(tank: TankOnDay, pours: PourPlan): Asked | null {
  const own = policyOf(tank) === "test-led" ? 0 : ownLitres(tank);
  const asked = targetsOf(tank)
    .map((target) => askedBy(tank, pours, target))
    .filter((a) => a.litres > own)
    .sort((a, b) => b.litres - a.litres)[0];
  if (!asked) return null;
  const { target, litres, steps, halfL } = asked;
  const { parameter, value } = target;
  return {
    decision: "change",
    wantedL: Math.max(own, litres),
    target,
    ...(halfL === undefined ? {} : { halfL: Math.max(own, halfL) }),
    reasons: [
      { code: "raised", parameter, value, target: asked.goal, fromL: own },
      ...(steps > 1
        ? [{ code: "in-steps", parameter, target: asked.goal, changes: steps, apartDays: STEP_DAYS } as const]
        : []),
      ...notes(tank, parameter),
    ],
  };
}

/** What one figure asks for. */
interface AskedBy {
  readonly target: Target;
  /** What is aimed at: the trough, or the edge of the band where the water reaches no further. */
  readonly goal: number;
  readonly litres: number;
  readonly steps: number;
  readonly halfL?: number;
}

function askedBy(tank: TankOnDay, pours: PourPlan, target: Target): AskedBy {
  const none = { target, goal: target.trough, litres: 0, steps: 1 };
  // Below its floor with a doser at hand: dosing outgrows what changes can bring.
  if (target.side === "low" && tank.facts.gear.includes("dosing") && target.parameter !== "gh") return none;
  const goal = litresFor(tank, pours, target, target.trough) === null ? target.edge : target.trough;
  const litres = litresFor(tank, pours, target, goal);
  if (litres === null) return none;
  if (changedLately(tank)) {
    const ratio = (goal - target.refill) / (target.value - target.refill);
    const halfGoal = target.refill + (target.value - target.refill) * Math.sqrt(ratio);
    return { target, goal, litres, steps: 1, halfL: litresFor(tank, pours, target, halfGoal) ?? litres };
  }
  const most = STEP_SHARE * tank.systemL;
  if (litres <= most) return { target, goal, litres, steps: 1 };
  const ratio = (goal - target.refill) / (target.value - target.refill);
  const steps = Math.max(2, Math.ceil(Math.log(ratio) / Math.log(1 - STEP_SHARE) - 1e-9));
  const first = target.refill + (target.value - target.refill) * ratio ** (1 / steps);
  return { target, goal, litres: Math.min(most, litresFor(tank, pours, target, first) ?? most), steps };
}

/** Whether a tank was changed within two months with water whose pH is near its own. Injected CO2 says nothing of it. */
function changedLately({ input, known, facts }: TankOnDay): boolean {
  const last = lastChangeOn(input);
  if (last === null || daysBetween(last, input.on) > LATELY_DAYS) return false;
  const [tank, source] = [known.ph?.value, input.source.chemistry.ph];
  return tank === undefined || source === undefined || facts.gear.includes("co2") || Math.abs(tank - source) <= NEAR_PH;
}

const lastChangeOn = (input: TankOnDay["input"]): string | null =>
  input.lastChangeOn === undefined ? input.lastVisitOn : input.lastChangeOn;

/** What a machine changes every day is not changed again by hand, as long as nothing is out of band. */
function byMachine(tank: TankOnDay): Asked | null {
  const auto = autoExchangeOf(tank);
  if (!auto) return null;
  const { litresPerDay, lastsUntil } = auto;
  return { decision: "none", wantedL: 0, reasons: [{ code: "automatic", litresPerDay, lastsUntil }, ...notes(tank)] };
}

/** Test-led without the readings that lead it. */
function notMeasured(tank: TankOnDay): Asked | null {
  if (policyOf(tank) !== "test-led") return null;
  const parameters = tank.facts.bands
    .filter((b) => b.required && CEILINGS.includes(b.parameter) && !tank.known[b.parameter])
    .map((b) => b.parameter);
  if (parameters.length === 0) return null;
  return { decision: "unknown", wantedL: 0, reasons: [{ code: "no-reading", parameters }, ...notes(tank)] };
}

/** Nothing calls for water: none, unless the last change is too long ago. */
function testLed(tank: TankOnDay): Asked | null {
  if (policyOf(tank) !== "test-led") return null;
  const last = lastChangeOn(tank.input);
  const days = last === null ? LONGEST_INTERVAL_DAYS : daysBetween(last, tank.input.on);
  if (days >= LONGEST_INTERVAL_DAYS)
    return {
      decision: "change",
      wantedL: ownLitres(tank),
      reasons: [{ code: "longest-interval", days }, ...notes(tank)],
    };
  const outside = outsideBands(tank);
  return {
    decision: "none",
    wantedL: 0,
    reasons: [
      outside.length > 0
        ? { code: "outside-bands", parameters: outside, longestDays: LONGEST_INTERVAL_DAYS }
        : { code: "within-bands", longestDays: LONGEST_INTERVAL_DAYS },
      ...notes(tank),
    ],
  };
}

function tanksOwnPolicy(tank: TankOnDay): Asked {
  const { policy, share } = tank.facts.practice;
  return {
    decision: "change",
    wantedL: ownLitres(tank),
    reasons: [...notes(tank), { code: "policy", policy, share }],
  };
}

const policyOf = ({ facts }: TankOnDay) => facts.practice.policy;

/** The litres of the tank's own share, larger while it is young and algae call for it. */
function ownLitres({ facts, input, systemL }: TankOnDay): number {
  return Math.min(1, facts.practice.share * youngShare(facts, input.on).times) * systemL;
}

const outsideBands = ({ facts, known }: TankOnDay): Parameter[] =>
  facts.bands
    .filter((b) => {
      const value = known[b.parameter]?.value;
      return value !== undefined && (value > b.idealHigh || value < b.idealLow);
    })
    .map((b) => b.parameter);

/** What is said beside the reason that decides: age, a follow-up, what this water cannot reach, what has to be dosed. */
function notes(tank: TankOnDay, deciding?: Parameter): WaterReason[] {
  const { facts, input, known } = tank;
  const young = youngShare(facts, input.on);
  const { treatment } = facts;
  const followsUp =
    treatment && input.on >= treatment.followUpOn && input.on <= addDays(treatment.followUpOn, 7) ? treatment : null;
  return [
    ...(input.byCondition ? [{ code: "by-condition", bad: input.byCondition } as const] : []),
    ...(young.phase ? [{ code: "young", phase: young.phase, times: young.times } as const] : []),
    ...(followsUp ? [{ code: "treatment-follow-up", name: followsUp.name } as const] : []),
    ...(known.ammonia && isBound(tank) ? [{ code: "ammonia-bound" } as const] : []),
    ...targetsOf(tank)
      .filter((t) => t.parameter !== deciding)
      .flatMap((t): WaterReason[] => {
        if (t.side === "high")
          return t.refill >= t.edge
            ? [{ code: "cannot-reach", parameter: t.parameter, target: t.edge, refill: t.refill }]
            : [];
        const dosed = facts.gear.includes("dosing") || t.refill <= t.edge;
        return FLOORS.includes(t.parameter) && dosed
          ? [{ code: "dose", parameter: t.parameter, value: t.value, low: t.edge }]
          : [];
      }),
  ];
}
