import { daysBetween } from "../calendar/civil.ts";
import type { PlanInput } from "../given/index.ts";
import type { Practice, TankFacts } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";
import {
  changesToReach,
  dailyToHold,
  intervalToHold,
  settledPeak,
  settledTrough,
  shareToHold,
} from "../water/index.ts";
import { planWater } from "./water.ts";
import type { WaterPlan } from "./waterPlan.ts";

export const POLICIES = [
  "fixed-share",
  "test-led",
  "reset",
  "continuous",
] as const satisfies readonly Practice["policy"][];

/** A reset takes at least this share at once. */
const RESET_SHARE = 0.5;
/** What is held under a ceiling by changes. */
const HELD: readonly Parameter[] = ["nitrate", "phosphate"];
/** Looking forward stops here: what holds for half a year holds. */
const FORWARD_DAYS = 180;

/** Where a substance goes if every visit changes as much. */
export interface Forward {
  readonly parameter: Parameter;
  readonly perDay: number;
  readonly ceiling: number;
  /** Settled just before and just after a change. */
  readonly peak: number;
  readonly trough: number;
  /** Days after this change until the ceiling is met without another one; null beyond half a year. */
  readonly daysToCeiling: number | null;
  /** Effective share at this interval that keeps the peak at the ceiling; null where no change can. */
  readonly shareToHold: number | null;
  /** Days between changes of this share that keep the peak at the ceiling; null where none can. */
  readonly daysToHold: number | null;
  /** Litres exchanged every day by itself that hold the ceiling; null where no exchange can. */
  readonly dailyL: number | null;
  /** Changes like this one, a day apart, until the ceiling is met; null where none can, 0 where it is met. */
  readonly changesToCeiling: number | null;
}

/** One policy on a tank: its plan for the visit, and where it leads. */
export interface PolicyPlan {
  readonly policy: Practice["policy"];
  readonly input: PlanInput;
  readonly water: WaterPlan;
  readonly forward: readonly Forward[];
}

/** The tank as it would be on a policy, with the share that policy takes. */
function onPolicy(facts: TankFacts, policy: Practice["policy"]): TankFacts {
  const { practice } = facts;
  if (practice.policy === policy) return facts;
  const share = policy === "reset" ? Math.max(RESET_SHARE, practice.share) : Math.min(practice.share, RESET_SHARE);
  // A continuous change is one way of moving the water too; leaving it means draining again.
  const how =
    policy !== "continuous" && practice.how === "in-and-out" && practice.policy === "continuous"
      ? "drain-then-fill"
      : practice.how;
  // A policy is about what is changed by hand.
  const { autoExchange: _, ...byHand } = facts;
  return { ...byHand, practice: { ...practice, policy, share, how } };
}

/**
 * Where a change of this size leads at this interval, for what builds up and has been fitted.
 *
 * Settled peak Cr + a·t/f, trough one build-up below it; the share, the interval and the daily exchange that hold the
 * ceiling solve the same for f, t and q.
 */
function forwardOf(input: PlanInput, water: WaterPlan): Forward[] {
  const interval = daysBetween(input.on, input.nextVisitOn);
  const share = water.share.value;
  return HELD.flatMap((parameter) => {
    const rate = input.rates[parameter];
    const band = input.facts.bands.find((b) => b.parameter === parameter);
    if (!rate?.enough || rate.perDay <= 0 || !band || interval <= 0) return [];
    const refill = input.source.chemistry[parameter] ?? 0;
    const ceiling = band.idealHigh;
    const after = water.after.find((e) => e.parameter === parameter)?.after.value ?? rate.now;
    const days = (ceiling - after) / rate.perDay;
    const needed = ceiling > refill ? shareToHold(ceiling, refill, rate.perDay, interval) : null;
    const changing = share > 0;
    const held = ceiling > refill && changing ? intervalToHold(ceiling, refill, rate.perDay, share) : 0;
    const back =
      rate.now <= ceiling
        ? ({ ok: true, changes: 0 } as const)
        : changesToReach({ before: rate.now, target: ceiling, refill, share });
    return [
      {
        parameter,
        perDay: rate.perDay,
        ceiling,
        peak: changing ? settledPeak(refill, rate.perDay, interval, share) : Number.POSITIVE_INFINITY,
        trough: changing ? settledTrough(refill, rate.perDay, interval, share) : Number.POSITIVE_INFINITY,
        daysToCeiling: days > FORWARD_DAYS ? null : Math.max(0, Math.floor(days)),
        shareToHold: needed !== null && needed <= 1 ? needed : null,
        daysToHold: Math.floor(held + 1e-9) || null,
        dailyL: dailyToHold(ceiling, refill, rate.perDay, water.systemL.value),
        changesToCeiling: back.ok ? back.changes : null,
      },
    ];
  });
}

/** The four policies on the same tank, side by side, each with its own plan or refusal. */
export function comparePolicies(input: PlanInput): PolicyPlan[] {
  return POLICIES.map((policy) => {
    const variant = { ...input, facts: onPolicy(input.facts, policy) };
    const water = planWater(variant);
    return { policy, input: variant, water, forward: forwardOf(variant, water) };
  });
}

/** Whether what builds up stays inside its band until the next visit, by the highest it comes to over its ceiling. */
const overUntilNext = ({ input, water, forward }: PolicyPlan): number => {
  const interval = daysBetween(input.on, input.nextVisitOn);
  return Math.max(
    0,
    ...forward.map((f) => {
      const after = water.after.find((e) => e.parameter === f.parameter)?.after.value ?? f.ceiling;
      return (after + f.perDay * interval) / f.ceiling - 1;
    }),
  );
};

/** Less over a ceiling than this is none: no kit tells it. */
const NO_MATTER = 0.005;

/**
 * The policy that serves this visit best: the least water that keeps all inside its bands until the next one; where none
 * does, the one that comes nearest. A tie goes to the tank's own.
 *
 * @returns null where nothing has been fitted: without a rate no policy can be judged.
 */
export function bestPolicy(plans: readonly PolicyPlan[], own: Practice["policy"]): Practice["policy"] | null {
  const known = plans.filter((p) => p.forward.length > 0 && p.water.decision !== "unknown");
  if (known.length === 0) return null;
  const judged = known.map((p) => {
    const over = overUntilNext(p);
    return { policy: p.policy, over: over < NO_MATTER ? 0 : over, litres: p.water.litres.value };
  });
  judged.sort((a, b) => a.over - b.over || a.litres - b.litres || Number(b.policy === own) - Number(a.policy === own));
  return judged[0]?.policy ?? null;
}
