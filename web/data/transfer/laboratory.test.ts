import { and, eq } from "drizzle-orm";
import { beforeAll, describe, expect, test } from "vitest";
import { demoBusiness, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { newId } from "../database/ids";
import { reading, type SampleFacts } from "../schema";
import { applyImport, checkImport, loadImport, rowsToShow, runImport } from "./imports";
import { stageFile } from "./stage";

let maud: Scope;
let today: string;
let reef: string;
const when = () => ({ now: new Date(), today });

beforeAll(async () => {
  const demo = await demoBusiness();
  today = demo.today;
  maud = await scopeOf(demo.businessId, "Maud");
  reef = (await visitsOf(demo.businessId, "Ilves Dental", today))[0]?.tankId ?? "";
});

async function stage(text: string): Promise<string> {
  async function* parts() {
    yield Buffer.from(text);
  }
  return (await stageFile(maud, { kind: "reading", fileName: "lab.csv", bytes: parts() }, new Date())).id;
}

/** Checks it as it was staged, with another word for what it does not say. */
async function check(id: string, change: { sample?: SampleFacts | null; keys?: readonly (string | null)[] } = {}) {
  const file = await loadImport(maud, id);
  const meanings = change.keys ? change.keys.map((key) => ({ key, unit: null })) : file.meanings;
  const { style, zone } = file;
  const sample = change.sample === undefined ? file.sample : change.sample;
  await checkImport(maud, id, { meanings, style: { ...style, dateOrder: "ymd" }, zone, sample });
  await runImport(maud, id, "check", when());
  return loadImport(maud, id);
}
const publish = async (id: string) => {
  await applyImport(maud, id, true);
  await runImport(maud, id, "apply", when());
};

const HEAD = "Analyte;Finding;Dimension;Sample no;Sampled";
const KEYS = ["parameter", "value", "unit", "tank", "at"];
const labFile = (sample: string, day: string) =>
  [
    HEAD,
    `Calcium;418;mg/L;${sample};${day}`,
    `Magnesium;1310;mg/L;${sample};${day}`,
    `Phosphate;<0,04;mg/L;${sample};${day}`,
    `Strontium;8,1;mg/L;${sample};${day}`,
  ].join("\n");

describe("a laboratory's file", () => {
  test("names samples that nobody knows: it is said once who they are, and what is not kept here stays out", async () => {
    const id = await stage(labFile("P-4711", "2026-10-05"));
    const checked = await check(id, { keys: KEYS });
    expect(checked.strangers).toEqual(["P-4711"]);
    expect(checked.counts).toMatchObject({ new: 0, error: 4 });

    const said = await check(id, { sample: { tankId: null, method: "laboratory", names: { "P-4711": reef } } });
    expect(said.strangers).toEqual([]);
    expect(said.counts).toMatchObject({ new: 3, error: 1 });
    expect((await rowsToShow(id)).flatMap((r) => Object.values(r.issues ?? {}))).toEqual([
      "“Strontium” is no parameter that is kept here.",
    ]);
    await publish(id);
    const rows = await db().select().from(reading).where(eq(reading.importId, id));
    expect(rows.map((r) => [r.tankId, r.parameter, r.value, r.method]).sort()).toEqual([
      [reef, "calcium", 418, "laboratory"],
      [reef, "magnesium", 1310, "laboratory"],
      // Under 0.04 is anywhere from none to that.
      [reef, "phosphate", 0.02, "laboratory"],
    ]);
    // A twentieth of 418, 95 %, and the step of 5.
    expect(rows.find((r) => r.parameter === "calcium")?.sigma).toBeCloseTo(
      Math.hypot((0.05 * 418) / 1.959964, 5 / Math.sqrt(12)),
      6,
    );
  });

  test("of the same laboratory is understood by itself the next time: columns, method and sample", async () => {
    const id = await stage(labFile("P-4711", "2026-11-05"));
    const file = await loadImport(maud, id);
    expect(file.meanings.map((m) => m.key)).toEqual(KEYS);
    expect(file.sample).toEqual({ tankId: null, method: "laboratory", names: { "P-4711": reef } });
    expect((await check(id)).counts).toMatchObject({ new: 3, error: 1 });
  });

  test("without a column for it is all of one tank, and has to be of one", async () => {
    const id = await stage("Analyte,Finding,Sampled\nCalcium,420,2026-11-06\n");
    const keys = ["parameter", "value", "at"];
    await expect(check(id, { keys })).rejects.toMatchObject({
      status: 422,
      message: "Say which column names the tank, or choose the one tank it is all of.",
    });
    const of = (tankId: string) => ({ tankId, method: null, names: {} });
    expect((await check(id, { keys, sample: of(newId()) })).counts).toMatchObject({ new: 0, error: 1 });
    expect((await check(id, { keys, sample: of(reef) })).counts).toMatchObject({ new: 1, error: 0 });
    await publish(id);
    const [row] = await db()
      .select()
      .from(reading)
      .where(and(eq(reading.importId, id), eq(reading.tankId, reef)));
    expect(row?.value).toBe(420);
    // The next one is of another tank perhaps: that is not remembered.
    const next = await loadImport(maud, await stage("Analyte,Finding,Sampled\nCalcium,430,2026-11-07\n"));
    expect(next.sample?.tankId).toBeNull();
    expect(next.meanings.map((m) => m.key)).toEqual(keys);
  });

  test("with a name that was said to be a tank which is gone is asked for again", async () => {
    const id = await stage(labFile("P-9", "2026-11-08"));
    const checked = await check(id, { sample: { tankId: null, method: null, names: { "P-9": newId() } } });
    expect(checked.strangers).toEqual(["P-9"]);
    expect(checked.counts.new).toBe(0);
  });
});
