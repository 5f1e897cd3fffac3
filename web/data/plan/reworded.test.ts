import { CORE_VERSION, inputHash, withToday } from "@keel-round/core/given";
import { planVisit, type SaidPlan, sayPlan, seenToday, visitState } from "@keel-round/core/visit";
import { beforeAll, expect, test } from "vitest";
import { demoBusiness, Phone, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { loadRound } from "../round/round";
import { visitBundle } from "../visit/bundles";

let ines: Scope;
let today: string;
let businessId: string;
beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  ines = await scopeOf(businessId, "Ines");
});

test("a begun visit is told in the units of whoever reads it, and keeps what it was given", async () => {
  const [v] = await visitsOf(businessId, "Ilves Dental", today);
  if (!v) throw new Error("no visit");
  const bundle = JSON.parse(JSON.stringify(await visitBundle(ines, v.visitId))) as Awaited<
    ReturnType<typeof visitBundle>
  >;
  const phone = new Phone(ines, v.visitId);
  const start = phone.op({ type: "start" });
  const input = withToday(bundle.input, seenToday(visitState([start]), bundle.on));
  const plan = planVisit(input);
  await phone.send([
    start,
    phone.op({ type: "plan", inputHash: inputHash(input), coreVersion: CORE_VERSION, summary: "", plan }),
  ]);
  const told = async (units: Scope["units"]) =>
    (await loadRound({ ...ines, units }, ines.personId, v.on)).stops
      .flatMap((s) => s.tanks)
      .find((t) => t.visitId === v.visitId)?.plan;
  const drain = (p: SaidPlan | undefined) => p?.steps.find((s) => s.id === "refill")?.title ?? "";
  expect(drain(await told(ines.units))).toBe(drain(sayPlan(plan, ines.units)));
  const gallons = await told({ ...ines.units, volume: "US gal", length: "in" });
  expect(drain(gallons)).toContain("US gal");
  expect(gallons?.water.litres.value).toBe(plan.water.litres.value);
});
