import { planWater } from "@keel-round/core/change";
import { FirmSchema } from "@keel-round/core/desk";
import { beforeAll, expect, test } from "vitest";
import { demoBusiness, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { loadFirm, saveFirm } from "./firm";

let maud: Scope;
let businessId: string;
let today: string;
beforeAll(async () => {
  ({ businessId, today } = await demoBusiness());
  maud = await scopeOf(businessId, "Maud");
});

test("what the office sets for a day holds the next plan, and is told with who and what it was", async () => {
  const { firm } = await loadFirm(maud);
  expect(firm).toMatchObject({ name: "Calder & Renn, aquarium care", alkalinityDkh: 1, calciumMgL: 50 });
  const [gallery] = await visitsOf(businessId, "Gallery Nine", today);
  if (!gallery) throw new Error("no visit");
  // Found at 4 dKH, where the mix brings a good deal more.
  const found = async () => {
    const { input } = await planOf(businessId, gallery);
    const low = { parameter: "alkalinity", value: 4, sigma: 0.2, on: input.on } as const;
    return planWater({ ...input, readings: [...input.readings.filter((r) => r.parameter !== "alkalinity"), low] });
  };
  const before = await found();
  expect(before.binding).toMatchObject({ code: "alkalinity-a-day", value: 1 });
  expect(await saveFirm(maud, { ...firm, alkalinityDkh: 0.5 }, new Date())).toEqual({ changed: 1 });
  const after = await found();
  expect(after.binding).toMatchObject({ code: "alkalinity-a-day", value: 0.5 });
  expect(after.litres.value).toBeLessThan(before.litres.value);
  // Carried out, it moves the tank by what the office allows.
  const rise = after.after.find((e) => e.parameter === "alkalinity");
  expect((rise?.after.value ?? 0) - (rise?.before ?? 0)).toBeLessThanOrEqual(0.5 + 1e-9);
  expect((await loadFirm(maud)).history[0]).toMatchObject({
    by: "Maud Oyelaran",
    what: "alkalinity, corals",
    old: "1 dKH",
    new: "0.5 dKH",
  });
  // The same again changes nothing and writes nothing.
  expect(await saveFirm(maud, { ...firm, alkalinityDkh: 0.5 }, new Date())).toEqual({ changed: 0 });
  expect((await loadFirm(maud)).history).toHaveLength(1);
});

test("is the office's alone", async () => {
  const ines = await scopeOf(businessId, "Ines");
  const { firm } = await loadFirm(maud);
  await expect(loadFirm(ines)).rejects.toMatchObject({ status: 404 });
  await expect(saveFirm(ines, firm, new Date())).rejects.toMatchObject({ status: 404 });
});

test("figures are read as they are typed, and refused where they cannot be", () => {
  const typed = {
    name: "Firm",
    phone: "",
    mailFrom: "a@firm.example",
    start: "50, -4",
    roadFactor: "1.3",
    speedKmH: "30",
    letterDays: "90",
    alkalinityDkh: "1",
    salinityUpPpt: "1",
    salinityDownPpt: "2",
    temperatureC: "1.5",
    freeAmmoniaMgL: "0.02",
    calciumMgL: "50",
    magnesiumMgL: "100",
    ph: "0.2",
    ghDgh: "2",
    salinityDownInvertebratesPpt: "1",
    temperatureTenderC: "1",
    salinityApartPpt: "3",
    strongestPpt: "38",
  };
  expect(FirmSchema.parse(typed).speedKmH).toBe(30);
  for (const [field, text] of [
    ["alkalinityDkh", "a lot"],
    ["temperatureC", "9"],
    ["freeAmmoniaMgL", "-1"],
    ["salinityApartPpt", "0"],
    ["strongestPpt", "60"],
    ["start", "the quay"],
    ["name", " "],
  ])
    expect(FirmSchema.safeParse({ ...typed, [field ?? ""]: text }).error?.issues[0]?.path).toEqual([field]);
});
