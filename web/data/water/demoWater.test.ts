import { bestPolicy, comparePolicies, type Limit, POLICIES, planWater } from "@keel-round/core/change";
import type { PlanInput } from "@keel-round/core/given";
import { and, asc, eq, gte } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { loadPlanInputs } from "../plan/planInputs";
import { tank, visit } from "../schema";

/** The next visit of every tank of the demo, as its plan is made. */
let inputs: PlanInput[] = [];

beforeAll(async () => {
  const { businessId, today } = await demoBusiness();
  const rows = await db()
    .select({ visitId: visit.id, tankId: visit.tankId, on: visit.onDate })
    .from(visit)
    .innerJoin(tank, eq(tank.id, visit.tankId))
    .where(and(eq(visit.businessId, businessId), gte(visit.onDate, today)))
    .orderBy(asc(visit.onDate));
  const first = [...new Map([...rows].reverse().map((r) => [r.tankId, r])).values()];
  inputs = [...(await loadPlanInputs(db(), businessId, first)).values()];
});

const withBook = (input: PlanInput, facts: Partial<PlanInput["facts"]>): PlanInput => ({
  ...input,
  facts: { ...input.facts, ...facts },
});
const withLimit = (input: PlanInput, limits: Partial<PlanInput["limits"]>): PlanInput => ({
  ...input,
  limits: { ...input.limits, ...limits },
});

/** How each limit is lifted, and nothing else. */
const LIFTED: Partial<Record<Limit["code"], (input: PlanInput) => PlanInput>> = {
  landmark: (i) => withBook(i, { landmarks: [] }),
  // Without a bed the water may fall lower.
  floor: (i) =>
    withBook(i, { display: { ...i.facts.display, substrate: "bare", substrateDepthM: 0, measuredNetL: undefined } }),
  hose: (i) => withBook(i, { drainHose: undefined }),
  "sump-level": (i) => (i.facts.sump ? withBook(i, { sump: { ...i.facts.sump, lowestLevelM: 0.001 } }) : i),
  animals: (i) => withBook(i, { mostShare: 1 }),
  "alkalinity-a-day": (i) => withLimit(i, { alkalinityDkh: 50 }),
  "salinity-a-day": (i) => withLimit(i, { salinityUpPpt: 50, salinityDownPpt: 50, salinityDownInvertebratesPpt: 50 }),
  "temperature-a-day": (i) => ({ ...i, source: { ...i.source, canWarm: true } }),
  "on-board": (i) => ({ ...i, litresOnBoard: null }),
  "time-on-site": (i) => ({ ...i, minutesForWater: null }),
  "drain-rule": (i) => ({ ...i, site: { ...i.site, drain: "sewer" } }),
  "free-ammonia": (i) => withLimit(i, { freeAmmoniaMgL: 5 }),
};

/** What no tank of the demo is in today, and may be found in tomorrow. */
const AS_FOUND: Partial<Record<Limit["code"], (input: PlanInput) => PlanInput>> = {
  "alkalinity-a-day": (i) => ({
    ...i,
    readings: [
      ...i.readings.filter((r) => r.parameter !== "alkalinity"),
      { parameter: "alkalinity", value: 4, sigma: 0.2, on: i.on },
    ],
  }),
  // A sea after weeks of rain: it cannot be mixed stronger.
  "salinity-a-day": (i) => ({ ...i, source: { ...i.source, chemistry: { ...i.source.chemistry, salinity: 26 } } }),
};

describe("on some tank of the demo", () => {
  test.each(POLICIES)("%s serves the next visit best", (policy) => {
    const best = inputs.map((i) => bestPolicy(comparePolicies(i), i.facts.practice.policy));
    expect(best).toContain(policy);
  });

  test.each(Object.entries(LIFTED))(
    "%s holds its own plan down; lifted, the one that it named is next",
    (code, lift) => {
      const found = AS_FOUND[code as Limit["code"]] ?? ((i: PlanInput) => i);
      const held = inputs.map(found).filter((i) => planWater(i).binding?.code === code);
      expect(held.length).toBeGreaterThan(0);
      for (const input of held) {
        const plan = planWater(input);
        expect(plan.limits[0]?.code).toBe(code);
        expect(plan.litres.value).toBeLessThanOrEqual(plan.limits[0]?.maxL ?? 0);
        // The floor is lifted by lowering the bed, which is a limit still: then it lies lower.
        const after = planWater(lift(input)).limits;
        const named = plan.limits.find((l) => l.code !== code);
        expect(after.find((l) => l.code !== code)?.code).toBe(named?.code);
        expect(after.find((l) => l.code === code)?.maxL ?? Number.POSITIVE_INFINITY).toBeGreaterThan(
          plan.limits[0]?.maxL ?? 0,
        );
      }
    },
  );

  test("each policy refuses in its own way: without a reading test-led does not know, the others go on", () => {
    for (const input of inputs) {
      const blind = { ...input, readings: [], rates: {} };
      const plans = Object.fromEntries(comparePolicies(blind).map((p) => [p.policy, p.water]));
      if (input.facts.treatment && plans["fixed-share"]?.decision === "postpone") continue;
      expect(plans["test-led"]?.decision).toBe("unknown");
      expect(plans["test-led"]?.litres.value).toBe(0);
      expect(plans["fixed-share"]?.decision).toBe("change");
    }
  });
});
