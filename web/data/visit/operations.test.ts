import { METRIC } from "@keel-round/core/units";
import { sayPlan, type VisitOp } from "@keel-round/core/visit";
import { eq } from "drizzle-orm";
import fc from "fast-check";
import { v7 } from "uuid";
import { beforeAll, describe, expect, test } from "vitest";
import { walkThrough } from "../../../tools/seed/walkThrough.ts";
import { demoBusiness, Phone, planOf, scopeOf, visitsOf } from "../../../tools/testing/world.ts";
import type { Refused } from "../access/define";
import type { Scope } from "../access/scope";
import { db } from "../database/connection";
import { loadRound } from "../round/round";
import { finding, job, operation, reading, stop, tank, visit, waterChange } from "../schema";
import { postOperations } from "./operations";

let ines: Scope;
let businessId: string;
let upcoming: Awaited<ReturnType<typeof visitsOf>>;
/** Each test takes a visit of its own. */
const next = () => {
  const v = upcoming.shift();
  if (!v) throw new Error("Not enough visits laid out");
  return v;
};
const rowsOf = (visitId: string) =>
  db().select().from(operation).where(eq(operation.visitId, visitId)).orderBy(operation.arrival);
const readingsOf = (visitId: string) => db().select().from(reading).where(eq(reading.visitId, visitId));
const nitrate = (id: string, text: string) =>
  ({ type: "reading", id, parameter: "nitrate", text, unit: "mg/L", method: "liquid kit" }) as const;

beforeAll(async () => {
  const demo = await demoBusiness();
  businessId = demo.businessId;
  ines = await scopeOf(businessId, "Ines");
  upcoming = [
    ...(await visitsOf(businessId, "Lanehead Clinic", demo.today)),
    ...(await visitsOf(businessId, "Town Museum", demo.today)),
  ];
});

describe("a visit that is closed", () => {
  const closing = async (siteName: string, facts?: (f: (typeof tank.$inferSelect)["facts"]) => typeof f) => {
    const visits = await visitsOf(businessId, siteName, (await demoBusiness()).today);
    const [v] = visits;
    if (!v) throw new Error(`No visit of ${siteName}`);
    const [row] = await db().select().from(tank).where(eq(tank.id, v.tankId));
    if (facts && row)
      await db()
        .update(tank)
        .set({ facts: facts(row.facts) })
        .where(eq(tank.id, v.tankId));
    return visits.filter((x) => x.tankId === v.tankId);
  };
  const close = async (v: Awaited<ReturnType<typeof visitsOf>>[number], ...between: VisitOp["body"][]) => {
    const { plan } = await planOf(businessId, v);
    await new Phone(ines, v.visitId).say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
      ...between,
      { type: "close" },
    );
    return plan;
  };

  test("told its litres after the new water was read, counts that reading as one of the new water", async () => {
    const [v] = await closing("Kettle Diner");
    if (!v) throw new Error("no visit");
    const [before, after] = [v7(), v7()];
    await close(v, nitrate(before, "40"), { type: "tick", step: "refill" }, nitrate(after, "22"), {
      type: "litres",
      outL: 40,
      inL: 40,
    });
    const [change] = await db().select().from(waterChange).where(eq(waterChange.visitId, v.visitId));
    const read = (await readingsOf(v.visitId)).find((r) => r.id === after);
    expect(change?.at.getTime()).toBeLessThan(read?.takenAt.getTime() ?? 0);
  });

  test("over a sump without room for the run-back leaves one finding, and not a second one", async () => {
    const high = (f: (typeof tank.$inferSelect)["facts"]) =>
      f.sump ? { ...f, sump: { ...f.sump, runningLevelM: f.sump.heightM - 0.01 } } : f;
    const [first, second] = await closing("Ilves Dental", high);
    if (!first || !second) throw new Error("no visits");
    const found = async () =>
      (await db().select().from(finding).where(eq(finding.tankId, first.tankId))).filter((f) =>
        f.text.startsWith("The sump has too little room"),
      );
    expect((await close(first)).water.runBack?.tight).toBe(true);
    expect((await found()).map((f) => [f.kind, f.state])).toEqual([["safety", "open"]]);
    const plan = await close(second);
    expect(
      sayPlan(plan, METRIC)
        .steps.map((s) => s.title)
        .join(" "),
    ).toContain("Look again: The sump has too little room");
    expect(await found()).toHaveLength(1);
  });
});

describe("a plan that is none", () => {
  test.each([{}, { steps: [] }, "a plan", null, { steps: [{}], water: {} }])(
    "%# is refused alone, and the rest is taken",
    async (plan) => {
      const phone = new Phone(ines, next().visitId);
      const results = await phone.say(
        { type: "start" },
        { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
        nitrate(v7(), "21"),
      );
      expect(results.map((r) => [r.result, r.code])).toEqual([
        ["applied", undefined],
        ["refused", "malformed"],
        ["applied", undefined],
      ]);
    },
  );
  test("and was kept all the same by an earlier version costs nobody their day", async () => {
    const v = next();
    await new Phone(ines, v.visitId).say({ type: "start" });
    await db()
      .update(visit)
      .set({ plan: { format: 1, coreVersion: 1, inputHash: "x", plan: {} as never } })
      .where(eq(visit.id, v.visitId));
    const [row] = await db()
      .select({ personId: stop.personId })
      .from(stop)
      .innerJoin(visit, eq(visit.stopId, stop.id))
      .where(eq(visit.id, v.visitId));
    const round = await loadRound(ines, row?.personId ?? "", v.on);
    const told = round.stops.flatMap((s) => s.tanks).find((t) => t.visitId === v.visitId);
    expect(told?.plan.steps.length).toBeGreaterThan(5);
  });
});

describe("a batch of operations", () => {
  test("the same one posted twice changes nothing", async () => {
    const phone = new Phone(ines, next().visitId);
    const ops = [phone.op({ type: "start" }), phone.op(nitrate(v7(), "22"))];
    expect((await phone.send(ops)).map((r) => r.result)).toEqual(["applied", "applied"]);
    const once = await readingsOf(phone.visitId);
    expect((await phone.send(ops)).map((r) => r.result)).toEqual(["already", "already"]);
    expect(await readingsOf(phone.visitId)).toEqual(once);
    expect(await rowsOf(phone.visitId)).toHaveLength(2);
  });

  test("the same id with another payload is refused", async () => {
    const phone = new Phone(ines, next().visitId);
    const start = phone.op({ type: "start" });
    await phone.send([start]);
    expect(await phone.send([{ ...start, body: { type: "note", text: "forged" } }])).toMatchObject([
      { result: "refused", code: "payload-differs" },
    ]);
  });

  test("what comes too early waits, and is applied when the gap closes", async () => {
    const phone = new Phone(ines, next().visitId);
    const [start, first, second] = [
      phone.op({ type: "start" }),
      phone.op(nitrate(v7(), "20")),
      phone.op(nitrate(v7(), "30")),
    ];
    expect(await phone.send([second])).toMatchObject([{ result: "waiting" }]);
    expect(await readingsOf(phone.visitId)).toEqual([]);
    await phone.send([start]);
    expect(await phone.send([first])).toMatchObject([{ result: "applied" }]);
    expect((await readingsOf(phone.visitId)).map((r) => r.value).sort()).toEqual([20, 30]);
    expect((await rowsOf(phone.visitId)).map((r) => r.seq)).toEqual([1, 2, 3]);
  });

  test("a refused one keeps its place, is kept, and lets later ones through", async () => {
    const phone = new Phone(ines, next().visitId);
    const results = await phone.say(
      { type: "start" },
      nitrate(v7(), "-3"),
      { type: "litres", outL: -1, inL: 0 },
      { type: "litres", outL: 90_000, inL: 0 },
      nitrate(v7(), "18"),
    );
    expect(results.map((r) => r.code ?? r.result)).toEqual([
      "applied",
      "bad-reading",
      "malformed",
      "more-than-tank",
      "applied",
    ]);
    expect((await rowsOf(phone.visitId)).map((r) => r.status)).toEqual([
      "applied",
      "refused",
      "refused",
      "refused",
      "applied",
    ]);
    expect(await readingsOf(phone.visitId)).toHaveLength(1);
  });

  test("what is no operation at all is answered, never thrown", async () => {
    const phone = new Phone(ines, next().visitId);
    for (const odd of [null, 7, "text", {}, { opId: "x" }, { ...phone.op({ type: "start" }), at: "yesterday" }])
      expect(await phone.send([odd])).toMatchObject([{ result: "refused", code: "malformed" }]);
    expect(await rowsOf(phone.visitId)).toEqual([]);
  });

  test("two devices on one visit: order of arrival, both kept", async () => {
    const a = new Phone(ines, next().visitId);
    const b = new Phone(ines, a.visitId);
    await a.say({ type: "start" });
    await Promise.all([a.say(nitrate(v7(), "21")), b.say({ type: "note", text: "from the desk" })]);
    expect((await rowsOf(a.visitId)).map((r) => r.arrival)).toEqual([1, 2, 3]);
  });

  test("another business's visit does not exist", async () => {
    const phone = new Phone({ ...ines, businessId: v7() }, next().visitId);
    await expect(phone.say({ type: "start" })).rejects.toMatchObject({
      status: 404,
      code: "not-found",
    } satisfies Partial<Refused>);
  });
});

describe("a whole visit", () => {
  test("arrives, closes once, and asks for its letter", async () => {
    const v = next();
    const { input, plan } = await planOf(businessId, v);
    const phone = new Phone(ines, v.visitId);
    const { ops } = walkThrough(input, Date.now() - 3_600_000, (p) => (p === "ph" ? 7 : 12));
    const results = await phone.send(ops);
    expect(results.filter((r) => r.result !== "applied")).toEqual([]);
    const [row] = await db().select().from(visit).where(eq(visit.id, v.visitId));
    expect(row).toMatchObject({ state: "closed", plan: { format: 1, plan: { tankId: v.tankId } } });
    const [change] = await db().select().from(waterChange).where(eq(waterChange.visitId, v.visitId));
    expect(change?.outL).toBe(plan.water.litres.value);
    const letters = (await db().select().from(job).where(eq(job.businessId, businessId))).filter(
      (j) => j.payload.stopId === v.stopId,
    );
    expect(letters).toHaveLength(1);

    expect(await new Phone(ines, v.visitId).say({ type: "close" })).toMatchObject([
      { result: "refused", code: "already-closed" },
    ]);
    // A late note is taken and asks for a revised letter.
    expect(await new Phone(ines, v.visitId).say({ type: "note", text: "the owner rang" })).toMatchObject([
      { result: "applied" },
    ]);
    expect(
      (await db().select().from(job).where(eq(job.businessId, businessId))).filter(
        (j) => j.payload.stopId === v.stopId,
      ),
    ).toHaveLength(2);
  });

  test("taking a reading back takes it out of the tank's readings", async () => {
    const phone = new Phone(ines, next().visitId);
    const id = v7();
    await phone.say({ type: "start" }, nitrate(id, "44"));
    expect(await readingsOf(phone.visitId)).toHaveLength(1);
    await phone.say({ type: "reading-back", id });
    expect(await readingsOf(phone.visitId)).toEqual([]);
  });
});

describe("whatever passes the schema", () => {
  const letters = fc.oneof(
    fc.string({ unit: "binary", minLength: 1, maxLength: 40 }),
    fc.constantFrom(
      "\ud800",
      "\udc00x",
      "\u0000",
      "’ “ ” –",
      "\u202e\ufeff",
      "💧".repeat(9),
      "'; drop table visit; --",
      "\\",
    ),
  );
  const number = fc.oneof(fc.double(), fc.constantFrom(1e308, -0, 5e-324, 2 ** 53, 1e5, 0.1 + 0.2));
  const day = fc.constantFrom("2026-02-28", "0001-01-01", "9999-12-31", "2099-12-31", "2026-02-30");
  const body = fc.oneof(
    fc.record({ type: fc.constantFrom("tick", "untick"), step: letters }),
    fc.record({ type: fc.constant("skip"), step: letters, reason: letters }),
    fc.record({ type: fc.constant("override"), task: letters, reason: letters }),
    fc.record({ type: fc.constant("decide"), task: letters, what: fc.constantFrom("must", "rarer", "owner", "rest") }),
    fc.record({ type: fc.constant("dirt"), step: letters, dirt: fc.integer({ min: 0, max: 9 }) }),
    fc.record({
      type: fc.constant("reading"),
      id: fc.uuid(),
      parameter: fc.constantFrom("nitrate", "salinity", "temperature", "ph"),
      text: fc.oneof(letters, number.map(String)),
      unit: fc.oneof(letters, fc.constant("mg/L")),
      method: letters,
    }),
    fc.record({ type: fc.constant("litres"), outL: number, inL: number, topUpL: number }, { requiredKeys: ["type"] }),
    fc.record({ type: fc.constant("choose"), litres: fc.option(number) }),
    fc.record({ type: fc.constant("level"), belowCm: number }),
    fc.record({
      type: fc.constant("batch"),
      litres: number,
      grams: number,
      measuredPsu: fc.double({ min: 0, max: 70, noNaN: true }),
      confirmed: fc.boolean(),
    }),
    fc.record({
      type: fc.constant("count"),
      animal: fc.uuid(),
      name: letters,
      of: fc.integer({ min: -1, max: 200 }),
      seen: fc.integer({ min: -1, max: 200 }),
      dead: fc.integer({ min: -1, max: 9 }),
    }),
    fc.record({ type: fc.constant("count-back"), animal: fc.uuid() }),
    fc.record({ type: fc.constant("finding-back"), id: fc.uuid() }),
    fc.record({
      type: fc.constant("photo"),
      id: fc.uuid(),
      spot: fc.record({ kind: fc.constantFrom("tank", "step", "finding", "animal", "wall"), id: letters }),
    }),
    fc.record({ type: fc.constant("photo-back"), id: fc.uuid() }),
    fc.record({
      type: fc.constant("handover"),
      to: fc.option(
        fc.oneof(
          fc.constant({ how: "nobody" }),
          fc.record({ how: fc.constant("signed"), name: letters, strokes: fc.constantFrom("", "M1 2L3 4", "M1", "x") }),
        ),
      ),
    }),
    fc.record({ type: fc.constant("note"), text: letters }),
    fc.record({ type: fc.constant("finding"), id: fc.uuid(), kind: fc.constantFrom("safety", "other"), text: letters }),
    fc.record(
      {
        type: fc.constant("resolve"),
        id: fc.uuid(),
        how: fc.constantFrom("fixed", "carried", "owner"),
        on: day,
        text: letters,
      },
      { requiredKeys: ["type", "id", "how"] },
    ),
    fc.record(
      {
        type: fc.constant("switch"),
        gear: fc.constantFrom("filter", "heater"),
        state: fc.constantFrom("off", "on", "left-off"),
        reason: letters,
      },
      { requiredKeys: ["type", "gear", "state"] },
    ),
  );
  const times = fc.constantFrom(
    "2026-03-02T10:00:00Z",
    "2026-03-02T10:00:00+14:00",
    "0000-01-01T00:00:00Z",
    "9999-12-31T23:59:59.999Z",
    "2099-12-31T23:59:59-12:00",
  );

  test("can be stored, and nothing a device sends is answered with an error of ours", async () => {
    const v = next();
    const { plan } = await planOf(businessId, v);
    await new Phone(ines, v.visitId).say(
      { type: "start" },
      { type: "plan", inputHash: "x", coreVersion: 1, summary: "", plan },
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(body, times, fc.constantFrom(1, 2, 3, 2 ** 31, 2 ** 40)), { minLength: 1, maxLength: 6 }),
        fc.oneof(fc.uuid(), letters),
        async (entries, device) => {
          const results = await postOperations(
            ines,
            v.visitId,
            // As it comes over the wire.
            JSON.parse(JSON.stringify(entries.map(([b, at, seq]) => ({ opId: v7(), device, seq, at, body: b })))),
            new Date(),
          );
          expect(results).toHaveLength(entries.length);
          for (const r of results) expect(r.code).not.toBe("unstorable");
        },
      ),
      { numRuns: 120 },
    );
  }, 120_000);

  test("but is of another visit is refused alone, and keeps its place", async () => {
    const [a, b] = [next(), next()];
    const taken = v7();
    await new Phone(ines, a.visitId).say({ type: "start" }, nitrate(taken, "10"));
    const phone = new Phone(ines, b.visitId);
    const ops = [
      phone.op({ type: "start" }),
      phone.op(nitrate(taken, "20")),
      phone.op({ type: "note", text: "The others go on" }),
    ];
    const results = await phone.send(ops);
    expect(results.map((r) => [r.result, r.code])).toEqual([
      ["applied", undefined],
      ["refused", "unstorable"],
      ["applied", undefined],
    ]);
    // The reading of the other visit is as it was, and what is sent again says the same.
    expect((await readingsOf(a.visitId)).map((r) => r.value)).toEqual([10]);
    expect(await readingsOf(b.visitId)).toEqual([]);
    expect((await phone.send(ops)).map((r) => r.result)).toEqual(["already", "refused", "already"]);
    expect((await rowsOf(b.visitId)).map((r) => r.status)).toEqual(["applied", "refused", "applied"]);
  });
});
