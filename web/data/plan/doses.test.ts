import { addDays } from "@keel-round/core/calendar";
import { systemVolumeL } from "@keel-round/core/tank";
import type { VisitOp } from "@keel-round/core/visit";
import { and, eq, isNull, lt } from "drizzle-orm";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { changeRecord, createRecord, setArchived } from "../desk/records";
import { letterContent } from "../letters/letters";
import { dose, doser, product, reading, stepLog, visit } from "../schema";
import { loadTank } from "../tanks/tanks";
import { loadTrend } from "../tanks/trend";
import { addAfterwards, loadVisitRecord } from "../visit/record";
import { kitsOn } from "./kits";

let businessId: string;
let today: string;
let [ines, maud]: Scope[] = [];
const as = (who: Scope | undefined): Scope => {
  if (!who) throw new Error("nobody");
  return who;
};
const now = new Date();

beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  [ines, maud] = await Promise.all([scopeOf(businessId, "Ines"), scopeOf(businessId, "Maud")]);
});

const reefVisits = () => visitsOf(businessId, "Ilves Dental", today);
const dosesOf = (tankId: string) => db().select().from(dose).where(eq(dose.tankId, tankId));

describe("a dose of a visit", () => {
  test("is planned from the register, logged as it really was, corrected in sight, and not given a second time", async () => {
    const [v, next] = await reefVisits();
    if (!v || !next) throw new Error("No visit");
    const { plan } = await planOf(businessId, v);
    const planned = plan.corrections?.find((c) => c.parameter === "alkalinity");
    if (!planned?.ok) throw new Error("Nothing is dosed");
    // The reef stands far under 7.6: a degree a day at most, part of which the change brings.
    expect(planned.product.name).toBe("Buffer powder");
    expect(plan.steps.map((s) => s.id)).toContain("dose-alkalinity");

    const phone = new Phone(as(ines), v.visitId);
    const perUnit = planned.rise / planned.amount.value;
    const given = (amount: number): Extract<VisitOp["body"], { type: "dose" }> => ({
      ...{ type: "dose", parameter: "alkalinity", product: planned.product.id, name: planned.product.name },
      ...{ amount, unit: "g", perUnit },
    });
    const results = await phone.say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      { type: "reading", id: v7(), parameter: "alkalinity", text: "6.3", unit: "dKH", method: "liquid kit" },
      given(planned.amount.value),
      { type: "tick", step: "dose-alkalinity" },
      { type: "close" },
    );
    expect(results.map((r) => r.result)).toEqual(Array(6).fill("applied"));
    const [row] = await dosesOf(v.tankId);
    expect(row).toMatchObject({ amount: planned.amount.value, unit: "g", parameter: "alkalinity", onDate: v.on });
    expect(row?.rise).toBeCloseTo(planned.rise, 6);

    // The letter tells of it once, and asks the owner for the rest.
    const content = await letterContent(businessId, v.stopId);
    const [told] = content?.tanks ?? [];
    expect(told?.body.join(" ")).toMatch(/Buffer powder.*raises alkalinity by about/);
    expect(told?.until.join(" ")).toMatch(/Buffer powder/);

    // The next plan counts from the reading with the dose on top, and looks what it did.
    const after = await planOf(businessId, next);
    expect(after.input.dosed).toEqual([{ parameter: "alkalinity", on: v.on, rise: row?.rise }]);
    expect(after.plan.steps.some((s) => s.enters?.some((e) => "reading" in e && e.reading === "alkalinity"))).toBe(
      true,
    );

    await addAfterwards(
      as(maud),
      { visitId: v.visitId, body: { type: "correct", why: "spilt half", change: given(5) } },
      now,
    );
    expect(await dosesOf(v.tankId)).toMatchObject([{ amount: 5 }]);
    const record = await loadVisitRecord(as(maud), v.visitId, now);
    expect(record.state.doses).toMatchObject([{ amount: 5 }]);
    expect(record.corrections.map(({ what, was, now: is }) => [what, was, is])).toEqual([
      ["Dose of Buffer powder", `${planned.amount.value} g`, "5 g"],
    ]);
  });

  test("that no tank could hold is refused, and none of it is stored", async () => {
    const [, , v] = await reefVisits();
    const phone = new Phone(as(ines), v?.visitId ?? "");
    const before = await dosesOf(v?.tankId ?? "");
    const body = {
      type: "dose",
      parameter: "alkalinity",
      product: v7(),
      name: "Buffer",
      amount: 1000,
      unit: "g",
      perUnit: 1,
    } as const;
    const [, refused] = await phone.say({ type: "start" }, body);
    expect(refused).toMatchObject({ result: "refused", code: "dose-impossible" });
    await phone.say({ type: "discard", why: "a try" });
    expect(await dosesOf(v?.tankId ?? "")).toEqual(before);
  });

  test("is part of the tank's balance: the drawing knows it, and does not take it for the tank's own", async () => {
    const [v] = await reefVisits();
    const trend = await loadTrend(as(maud), await loadTank(as(maud), v?.tankId ?? "", today), "alkalinity", today);
    expect(trend.given).toMatchObject([{ product: "Buffer powder", amount: 5, unit: "g" }]);
    const used = trend.answer?.enough ? trend.answer.trend.perDay.value : 0;
    // Used at 0.71 a day with what its doser gives, as before the dose.
    expect(used).toBeLessThan(-0.6);
    expect(used).toBeGreaterThan(-0.8);
  });
});

describe("a dosing pump", () => {
  test("adds to the balance what it gives by its measured factor, and what it gave before stays so", async () => {
    const [v] = await reefVisits();
    const { input } = await planOf(businessId, v as NonNullable<typeof v>);
    const litres = systemVolumeL(input.facts);
    // 12 mL a day by its scale, 4.7 for 5; a millilitre raises 100 L by one mg/L.
    const perDay = (12 * (4.7 / 5) * 100) / litres;
    expect(input.facts.pumpsPerDay?.magnesium).toBeCloseTo(perDay, 9);
    const fitted = input.rates.magnesium;
    const own = fitted?.enough ? fitted.ownPerDay : undefined;
    const [pump] = await db().select().from(doser).where(eq(doser.businessId, businessId));
    const when = { now, today };
    await changeRecord(as(maud), "doser", { id: pump?.id ?? "", version: 1, values: { setMlPerDay: 24 } }, when);
    const turned = (await planOf(businessId, v as NonNullable<typeof v>)).input;
    expect(turned.facts.pumpsPerDay?.magnesium).toBeCloseTo(2 * perDay, 9);
    const again = turned.rates.magnesium;
    // Turned up today: what the tank used until now has not changed by that.
    if (own !== undefined && again?.enough) expect(again.ownPerDay).toBeCloseTo(own, 1);

    await setArchived(as(maud), "doser", pump?.id ?? "", true, when);
    const gone = (await planOf(businessId, v as NonNullable<typeof v>)).input;
    expect(gone.facts.pumpsPerDay).toBeUndefined();
    await setArchived(as(maud), "doser", pump?.id ?? "", false, when);
  });

  test("is refused with one figure of its measure alone, and a product that cannot raise what it says", async () => {
    const [v] = await reefVisits();
    const [p] = await db()
      .select()
      .from(product)
      .where(and(eq(product.businessId, businessId), isNull(product.archivedAt)));
    const values = { name: "Pump", tankId: v?.tankId ?? "", productId: p?.id ?? "", setMlPerDay: 5, measuredMl: 4 };
    await expect(createRecord(as(maud), "doser", values, { now, today })).rejects.toMatchObject({
      status: 422,
      fields: { scaleMl: ["Enter both figures, or neither."] },
    });
    const wrong = { name: "Salt", raises: "alkalinity", reagent: "calcium chloride dihydrate", purityPercent: 100 };
    await expect(createRecord(as(maud), "product", wrong, { now, today })).rejects.toMatchObject({
      fields: { reagent: ["Choose a powder that gives some of what it is to raise."] },
    });
    const nothing = { name: "Water", raises: "alkalinity", purityPercent: 100 };
    await expect(createRecord(as(maud), "product", nothing, { now, today })).rejects.toMatchObject({
      fields: { reagent: [expect.stringMatching(/^Choose the powder/)] },
    });
  });
});

describe("a kit", () => {
  const kitOf = async (name: string, on = today) => (await kitsOn(businessId, on)).find((k) => k.kit.name === name);

  test("is what the register says on the day: expired, due, and what it reads too high by", async () => {
    expect((await kitOf("Ammonia drops"))?.problems).toEqual([{ code: "expired", on: addDays(today, -24) }]);
    expect((await kitOf("Ammonia drops", addDays(today, -30)))?.problems).toEqual([]);
    expect((await kitOf("pH meter"))?.problems).toEqual([{ code: "calibration-due", last: addDays(today, -47) }]);
    // 0.12 and 0.13 for 0.10.
    expect((await kitOf("Phosphate photometer"))?.offset?.value).toBeCloseTo(0.025, 9);
    expect((await kitOf("Phosphate photometer", addDays(today, -20)))?.offset).toBeNull();
  });

  test("is taken off a reading made with it, which says so, and a test of it is counted down", async () => {
    const [v] = await visitsOf(businessId, "Lanehead Clinic", today);
    const phone = new Phone(as(ines), v?.visitId ?? "");
    const [photometer, ammonia] = [await kitOf("Phosphate photometer"), await kitOf("Ammonia drops")];
    const read = (parameter: "phosphate" | "ammonia", text: string, kit: typeof photometer) =>
      ({
        type: "reading",
        id: v7(),
        parameter,
        text,
        unit: parameter === "ammonia" ? "mg/L N" : "mg/L",
        method: kit?.method ?? "",
        kit: kit?.kit,
      }) as VisitOp["body"];
    await phone.say({ type: "start" }, read("phosphate", "0.08", photometer), read("ammonia", "0.05", ammonia));
    const rows = await db()
      .select()
      .from(reading)
      .where(eq(reading.visitId, v?.visitId ?? ""));
    const phosphate = rows.find((r) => r.parameter === "phosphate");
    expect(phosphate).toMatchObject({
      entered: "0.08",
      kitId: photometer?.kit.id,
      kitOffset: expect.closeTo(0.025, 9),
    });
    expect(phosphate?.value).toBeCloseTo(0.055, 9);
    expect((await kitOf("Ammonia drops"))?.testsLeft).toBe((ammonia?.testsLeft ?? 0) - 1);
    // Past its time it counts with twice its range: 20 % of 0.05 is nothing beside the step of 0.05.
    const spread = rows.find((r) => r.parameter === "ammonia")?.sigma ?? 0;
    expect(spread).toBeCloseTo(2 * Math.hypot(0.01 / 1.959964, 0.05 / Math.sqrt(12)), 6);
    await phone.say({ type: "discard", why: "a try" });
    expect((await kitOf("Ammonia drops"))?.testsLeft).toBe(ammonia?.testsLeft);
  });

  test("is asked to be calibrated where a visit reads with it; the tick of that says when, and is taken back", async () => {
    const meter = await kitOf("pH meter");
    const step = `calibrate:${meter?.kit.id}`;
    const visits = await db()
      .select()
      .from(visit)
      .where(and(eq(visit.businessId, businessId), eq(visit.state, "planned"), lt(visit.onDate, addDays(today, 14))));
    const plans: Awaited<ReturnType<typeof planOf>>[] = [];
    for (const x of visits) plans.push(await planOf(businessId, { visitId: x.id, tankId: x.tankId, on: x.onDate }));
    const at = plans.findIndex((p) => p.plan.steps.some((s) => s.id === step));
    const v = visits[at];
    if (!v) throw new Error("No visit reads with the pH meter");
    const { plan, input } = plans[at] as (typeof plans)[number];
    // It is calibrated before the test it is read for.
    const ids = plan.steps.map((s) => s.id);
    const test_ = plan.steps.findIndex((s) => s.enters?.some((e) => "reading" in e && e.reading === "ph"));
    expect(ids.indexOf(step)).toBeLessThan(test_);
    const phone = new Phone(as(maud), v.id);
    await phone.say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      { type: "tick", step },
      ...input.findings.map(({ id }) => ({ type: "resolve", id, how: "fixed" }) as const),
      { type: "close" },
    );
    expect((await kitOf("pH meter"))?.problems).toEqual([]);
    await phone.say({ type: "correct", why: "it was another", change: { type: "untick", step } });
    expect((await kitOf("pH meter"))?.problems).toHaveLength(1);
    expect(
      await db()
        .select()
        .from(stepLog)
        .where(and(eq(stepLog.visitId, v.id), eq(stepLog.step, step))),
    ).toEqual([]);
  });

  test("measures by a method of its parameter, and every comparison is of that", async () => {
    const values = { name: "Odd", parameter: "salinity", method: "photometer" };
    await expect(createRecord(as(maud), "kit", values, { now, today })).rejects.toMatchObject({
      fields: { method: [expect.stringMatching(/^Choose a method for Salinity: meter/)] },
    });
    const comparisons = [{ on: today, parameter: "ph", reference: 7, read: 7.1 }];
    await expect(
      createRecord(as(maud), "kit", { ...values, method: "meter", comparisons }, { now, today }),
    ).rejects.toMatchObject({ fields: { comparisons: ["Line 1: choose Salinity, which this kit measures."] } });
  });
});
