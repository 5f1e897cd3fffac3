import { addDays } from "@keel-round/core/calendar";
import { eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { reading, tankStatus, visit } from "../schema";
import { addReadings, correctReading } from "./addReadings";
import { correctedReadings } from "./corrected";
import { loadTank } from "./tanks";
import { loadTrend } from "./trend";

let maud: Scope;
let tankId: string;
let today: string;
const nitrate = (text: string, unit = "mg/L") => ({ parameter: "nitrate", text, unit, method: "liquid kit" }) as const;
const add = (on: string, ...readings: ReturnType<typeof nitrate>[]) =>
  addReadings(maud, { tankId, on, minute: 0, readings }, { now: new Date(), today });
const mine = async () =>
  (await db().select().from(reading).where(eq(reading.tankId, tankId))).filter((r) => r.personId);

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  maud = await scopeOf(demo.businessId, "Maud");
  const [v] = await visitsOf(demo.businessId, "Kettle Diner", today);
  tankId = v?.tankId ?? "";
});

describe("readings outside of a visit", () => {
  test("are added for a day that is over, by whoever entered them: the next plan and the condition lean on them", async () => {
    const before = await loadTank(maud, tankId, today);
    await add(addDays(today, -1), nitrate("150"));
    const [row] = await mine();
    expect(row).toMatchObject({ value: 150, onDate: addDays(today, -1), personId: maud.personId, visitId: null });
    const after = await loadTank(maud, tankId, today);
    expect(after.input.readings.length).toBe(before.input.readings.length + 1);
    const [status] = await db().select().from(tankStatus).where(eq(tankStatus.tankId, tankId));
    expect(JSON.stringify(status?.why)).toContain("150");
    await correctReading(
      maud,
      { readingId: row?.id ?? "", really: null, why: "of another tank" },
      { now: new Date(), today },
    );
    expect(await mine()).toEqual([]);
    expect((await loadTank(maud, tankId, today)).input.readings).toEqual(before.input.readings);
  });
  test("are corrected in sight: both figures stand, who did it and why, and the condition follows", async () => {
    await add(addDays(today, -1), nitrate("150"));
    const [row] = await mine();
    const id = row?.id ?? "";
    await correctReading(
      maud,
      { readingId: id, really: { text: "15,0", unit: "mg/L", decimal: "," }, why: "a slip" },
      { now: new Date(), today },
    );
    expect(await mine()).toMatchObject([{ id, value: 15, entered: "15,0", takenAt: row?.takenAt }]);
    const [status] = await db().select().from(tankStatus).where(eq(tankStatus.tankId, tankId));
    expect(JSON.stringify(status?.why)).not.toContain("150");
    expect((await correctedReadings(maud, tankId))[0]).toMatchObject({
      ...{ readingId: id, was: "150 mg/L", now: "15,0 mg/L", by: "Maud Oyelaran", why: "a slip" },
      ...{ visitsOn: [], lettersOn: [] },
    });
    // Who reads in another unit finds no figure of this one.
    const inGrains = { ...maud, units: { ...maud.units, alkalinity: "ppm CaCO3" } } as const;
    await addReadings(
      maud,
      {
        ...{ tankId, on: addDays(today, -1), minute: 1 },
        readings: [{ parameter: "alkalinity", text: "2.8", unit: "dKH", method: "liquid kit" }],
      },
      { now: new Date(), today },
    );
    const kh = (await mine()).find((r) => r.parameter === "alkalinity");
    await correctReading(
      maud,
      { readingId: kh?.id ?? "", really: { text: "5.6", unit: "dKH" }, why: "a slip" },
      { now: new Date(), today },
    );
    // 2.8 dKH are one meq/L, which is 50.04 ppm of calcium carbonate.
    expect((await correctedReadings(inGrains, tankId))[0]).toMatchObject({
      ...{ was: "50\u00a0ppm CaCO3", now: "100\u00a0ppm CaCO3" },
    });
    await correctReading(maud, { readingId: kh?.id ?? "", really: null, why: "done" }, { now: new Date(), today });
    await expect(
      correctReading(
        maud,
        { readingId: id, really: { text: "1500", unit: "mg/L" }, why: "x" },
        { now: new Date(), today },
      ),
    ).rejects.toMatchObject({
      status: 422,
      fields: { text: [expect.stringMatching(/^Enter a figure from 0 to 500/)] },
    });
    await correctReading(maud, { readingId: id, really: null, why: "done" }, { now: new Date(), today });
    const nitrates = (await correctedReadings(maud, tankId)).filter((c) => c.parameter === "nitrate");
    expect(nitrates.map((c) => c.now)).toEqual([null, "15,0 mg/L", null]);
  });
  test("say which plans leaned on the old figure", async () => {
    const [last, before] = (await db().select().from(visit).where(eq(visit.tankId, tankId)))
      .filter((v) => v.state === "closed")
      .sort((a, b) => (a.onDate < b.onDate ? 1 : -1));
    await add(addDays(before?.onDate ?? "", 1), nitrate("22"));
    const [row] = await mine();
    await correctReading(
      maud,
      { readingId: row?.id ?? "", really: { text: "32", unit: "mg/L" }, why: "x" },
      { now: new Date(), today },
    );
    expect((await correctedReadings(maud, tankId))[0]?.visitsOn).toEqual([last?.onDate]);
    await correctReading(maud, { readingId: row?.id ?? "", really: null, why: "done" }, { now: new Date(), today });
  });
  test("are all taken or none: a figure that cannot be one is told beside its field", async () => {
    await expect(add(today, nitrate("20"), nitrate("-5"))).rejects.toMatchObject({
      status: 422,
      fields: { "readings.1": ["Enter a figure from 0 to 500 mg/L for Nitrate."] },
    });
    await expect(add(today, nitrate("20", "°C"))).rejects.toMatchObject({
      fields: { "readings.0": ["Choose a unit that nitrate is measured in."] },
    });
    await expect(add(today, nitrate("a lot"))).rejects.toMatchObject({ fields: { "readings.0": expect.anything() } });
    expect(await mine()).toEqual([]);
  });
  test("sent again after a lost answer are stored once; another figure of that minute is another reading", async () => {
    const on = addDays(today, -1);
    await add(on, nitrate("21"));
    await add(on, nitrate("21"));
    expect((await mine()).map((r) => r.entered)).toEqual(["21"]);
    await add(on, nitrate("22"), nitrate("21"));
    expect((await mine()).map((r) => r.entered).sort()).toEqual(["21", "22"]);
    for (const { id } of await mine())
      await correctReading(maud, { readingId: id, really: null, why: "done" }, { now: new Date(), today });
  });
  test("of a flow name their filter: each is a series of its own, and not the return's", async () => {
    const flow = (text: string, item?: string) =>
      ({ parameter: "flow", text, unit: "L/h", method: "flow meter", ...(item ? { item } : {}) }) as const;
    const at = { tankId, on: addDays(today, -1), minute: 0 };
    for (const one of [flow("1000"), flow("620", "Canister A"), flow("480", "Canister B")])
      await addReadings(maud, { ...at, readings: [one] }, { now: new Date(), today });
    const sheet = await loadTank(maud, tankId, today);
    const read = async (item: string | null) =>
      (await loadTrend(maud, sheet, "flow", today, item)).readings.map((r) => r.value);
    expect(await read(null)).toEqual([1000]);
    expect(await read("Canister A")).toEqual([620]);
    expect(await read("Canister B")).toEqual([480]);
    expect(sheet.readings.filter((r) => r.parameter === "flow").map((r) => r.item)).toEqual(
      expect.arrayContaining([null, "Canister A", "Canister B"]),
    );
    for (const { id } of await mine())
      await correctReading(maud, { readingId: id, really: null, why: "done" }, { now: new Date(), today });
  });
  test("belong to a time that is over", async () => {
    await expect(add(addDays(today, 1), nitrate("20"))).rejects.toMatchObject({
      fields: { on: ["Enter a day and an hour that are over."] },
    });
    await expect(add("1999-12-31", nitrate("20"))).rejects.toMatchObject({ fields: { on: expect.anything() } });
  });
  test("of a visit are not taken back here: its record corrects them", async () => {
    const [of] = (await db().select().from(reading).where(eq(reading.tankId, tankId))).filter((r) => r.visitId);
    await expect(
      correctReading(maud, { readingId: of?.id ?? "", really: null, why: "x" }, { now: new Date(), today }),
    ).rejects.toMatchObject({ status: 404 });
  });
});
