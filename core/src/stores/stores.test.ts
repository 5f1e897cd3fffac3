import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { factsOf, inputOf, mix, programmeOf, reading, tap } from "../given/sample.fixture.ts";
import { planVisit, type VisitOp, type VisitPlan, visitState } from "../visit/index.ts";
import {
  amountOf,
  bySupplier,
  comingUses,
  daysLeft,
  itemFinder,
  loggedUses,
  lossPerDay,
  orderOf,
  plannedUses,
  type StoreMove,
  stockOf,
  tankNeeds,
  type Use,
  usedToPlanned,
} from "./index.ts";

const DAY_MS = 86_400_000;
const START_MS = Date.UTC(2026, 10, 1, 8);
const dayOf = (day: number) => new Date(START_MS + day * DAY_MS).toISOString().slice(0, 10);
let made = 0;
/** A line of the ledger on a day counted from the first of November. */
const move = (day: number, kind: StoreMove["kind"], amount: number, more: Partial<StoreMove> = {}): StoreMove => ({
  ...{ id: String(made++).padStart(6, "0"), kind, place: null, amount, planned: null, lot: "", expiresOn: null },
  ...{ atMs: START_MS + day * DAY_MS, on: dayOf(day) },
  ...more,
});

describe("what is there by the ledger", () => {
  test("what came less what was taken, by place; a move between places leaves the whole as it is", () => {
    const stock = stockOf([
      move(0, "delivered", 25_000),
      move(1, "used", -1200),
      move(2, "moved", -4000),
      move(2, "moved", 4000, { place: "van" }),
      move(3, "used", -500, { place: "van" }),
    ]);
    expect(stock.total).toBe(23_300);
    expect([...stock.places]).toEqual([
      ["", 19_800],
      ["van", 3500],
    ]);
  });
  test("more logged than was there is below nothing, and said as it is", () => {
    expect(stockOf([move(0, "delivered", 100), move(1, "used", -130)]).total).toBe(-30);
  });
  test("a count is what there is; what was missing is its own line, and not lost twice", () => {
    const stock = stockOf([
      move(0, "counted", 100),
      move(3, "used", -30, { planned: 25 }),
      move(10, "counted", 60),
      move(11, "used", -10),
    ]);
    expect(stock.total).toBe(50);
    expect(stock.counts.map((c) => [c.booked, c.counted, c.days, c.used, c.planned])).toEqual([
      [0, 100, null, 0, 0],
      [70, 60, 10, 40, 25],
    ]);
  });
  test("what a phone tells late of a time before the count changes what was missing then, and not what is there", () => {
    const counted = [move(0, "counted", 100), move(10, "counted", 60)];
    const late = move(5, "used", -40);
    expect(stockOf(counted).total).toBe(60);
    expect(stockOf([...counted, late]).total).toBe(60);
    expect(stockOf(counted).counts[1]?.booked).toBe(100);
    expect(stockOf([...counted, late]).counts[1]?.booked).toBe(60);
  });
  test("two who count the same shelf: the later one says what is there", () => {
    expect(stockOf([move(0, "delivered", 7), move(1, "counted", 5), move(1.001, "counted", 5)]).total).toBe(5);
  });
  test("what expires first is used first: what is left is of the last to expire", () => {
    const { lots } = stockOf([
      move(0, "delivered", 50, { lot: "B", expiresOn: "2027-06-30" }),
      move(0, "delivered", 50, { lot: "A", expiresOn: "2026-12-31" }),
      move(1, "used", -70),
    ]);
    expect(lots).toEqual([{ lot: "B", expiresOn: "2027-06-30", amount: 30 }]);
  });
  test("over any history the stock is the last count and what was logged since, whatever order it is told in", () => {
    const anyMove = fc.record({
      kind: fc.constantFrom("delivered", "used", "counted", "moved", "thrown" as const),
      place: fc.constantFrom(null, "van"),
      amount: fc.integer({ min: 0, max: 400 }),
      day: fc.integer({ min: 0, max: 60 }),
    });
    fc.assert(
      fc.property(fc.array(anyMove, { maxLength: 40 }), fc.integer(), (history, seed) => {
        const moves = history.map(({ kind, place, amount, day }, i) =>
          move(day + i / 1000, kind, kind === "used" || kind === "thrown" ? -amount : amount, { place }),
        );
        // By hand: from the last count of a place on.
        const expected = [null, "van"].map((place) => {
          const own = moves.filter((m) => m.place === place);
          const count = own
            .filter((m) => m.kind === "counted")
            .sort((a, b) => a.atMs - b.atMs)
            .at(-1);
          const since = own.filter((m) => m.kind !== "counted" && m.atMs > (count?.atMs ?? -1));
          return since.reduce((sum, m) => sum + m.amount, count?.amount ?? 0);
        });
        const shuffled = [...moves].sort(
          (a, b) => ((Number(a.id) * 7919 + seed) % 97) - ((Number(b.id) * 7919 + seed) % 97),
        );
        const stock = stockOf(shuffled);
        expect(stock.places.get("") ?? 0).toBeCloseTo(expected[0] ?? 0, 6);
        expect(stock.places.get("van") ?? 0).toBeCloseTo(expected[1] ?? 0, 6);
        expect(stock.lots.reduce((sum, l) => sum + l.amount, 0)).toBeCloseTo(Math.max(0, stock.total), 6);
      }),
      { numRuns: 300, seed: 20_261_130 },
    );
  });
});

describe("what is learnt from counting", () => {
  test("the loss a day is the difference by the days, the newest count twice the one before", () => {
    // 10 missing in 10 days, then 40 missing in 20 days: (1·2 + ½·1) / 1½.
    const { counts } = stockOf([move(0, "counted", 100), move(10, "counted", 90), move(30, "counted", 50)]);
    expect(lossPerDay(counts)).toBeCloseTo((2 + 0.5) / 1.5, 9);
    expect(lossPerDay(counts.slice(0, 1))).toBeNull();
  });
  test("before any count practice is as planned, give or take 0.3 of its logarithm", () => {
    const { low, middle, high } = usedToPlanned([]);
    expect(middle).toBe(1);
    expect(high).toBeCloseTo(Math.exp(1.959964 * 0.3), 3);
    expect(low).toBeCloseTo(1 / high, 9);
  });
  test("a firm that always takes a fifth more comes near that with its counts", () => {
    const moves = [move(0, "counted", 100_000)];
    for (let i = 1; i <= 12; i++)
      moves.push(move(7 * i - 1, "used", -1000, { planned: 1000 }), move(7 * i, "counted", 100_000 - 1200 * i));
    const { middle, counts, low, high } = usedToPlanned(stockOf(moves).counts);
    expect(counts).toBe(12);
    // Three counts' worth of 1 and twelve of 1.2, in logarithms.
    expect(middle).toBeCloseTo(1.2 ** (12 / 15), 6);
    expect(low).toBeLessThan(1.2);
    expect(high).toBeGreaterThan(1.2);
  });
});

describe("how long it lasts", () => {
  const needs = [1, 8, 15, 22, 29].map((day) => ({ on: dayOf(day), amount: 100 }));
  const exactly = { low: 1, middle: 1, high: 1, counts: 0 };
  test("until the visit that takes the last of it, with its range", () => {
    expect(daysLeft(250, [], needs, exactly, dayOf(0)).middle).toBe(15);
    const { low, middle, high } = daysLeft(250, [], needs, usedToPlanned([]), dayOf(0));
    expect([low, middle, high]).toEqual([8, 15, 29]);
  });
  test("nothing left is today; what outlasts the plans has no day", () => {
    expect(daysLeft(0, [], needs, exactly, dayOf(0)).middle).toBe(0);
    expect(daysLeft(-5, [], needs, exactly, dayOf(0)).middle).toBe(0);
    expect(daysLeft(501, [], needs, exactly, dayOf(0)).middle).toBeNull();
  });
  test("a lot that expires before it is used up is said, with what is left of it then", () => {
    const lots = [
      { lot: "A", expiresOn: dayOf(10), amount: 350 },
      { lot: "B", expiresOn: "2028-01-01", amount: 100 },
    ];
    expect(daysLeft(450, lots, needs, exactly, dayOf(0)).expires).toEqual([{ ...lots[0], amount: 150 }]);
    expect(
      daysLeft(200, [{ ...(lots[0] ?? lots[1]), amount: 200 } as (typeof lots)[0]], needs, exactly, dayOf(0)).expires,
    ).toEqual([]);
  });
});

describe("what is ordered", () => {
  const item = {
    ...{ name: "Reef salt", unit: "g" as const, packAmount: 20_000, minimum: 5000 },
    ...{ supplier: "Harbour Trade", leadDays: 7 },
  };
  const ratio = { low: 1, middle: 1, high: 1, counts: 0 };
  const weekly = (amount: number) => Array.from({ length: 8 }, (_, i) => ({ on: dayOf(7 * i + 1), amount }));
  test("whole packs, before it falls below its minimum, for four weeks from when they come", () => {
    // Due within 14 days: days 1 and 8, 4 000 g. 8 000 - 4 000 < 5 000. To day 42: six visits, 12 000, and the minimum.
    expect(orderOf({ item, stock: 8000, needs: weekly(2000), ratio }, dayOf(0))).toEqual({
      ...{ item, packs: 1, amount: 20_000, why: "runs-out" },
    });
    expect(orderOf({ item, stock: 30_000, needs: weekly(2000), ratio }, dayOf(0))).toBeNull();
    expect(orderOf({ item, stock: 4000, needs: [], ratio }, dayOf(0))).toMatchObject({ packs: 1, why: "minimum" });
    expect(orderOf({ item, stock: -200, needs: weekly(9000), ratio }, dayOf(0))).toMatchObject({
      packs: 3,
      why: "none",
    });
  });
  test("what comes loose is ordered by its amount; an item that nobody needs or minds is not", () => {
    const loose = { ...item, packAmount: null };
    expect(orderOf({ item: loose, stock: 0, needs: weekly(2000), ratio }, dayOf(0))).toMatchObject({
      ...{ packs: null, amount: 17_000 },
    });
    expect(orderOf({ item: { ...item, minimum: null }, stock: 0, needs: [], ratio }, dayOf(0))).toBeNull();
  });
  test("by supplier, what has none last", () => {
    const line = (name: string, supplier: string) =>
      orderOf({ item: { ...item, name, supplier }, stock: 0, needs: [], ratio }, dayOf(0)) ?? expect.fail(name);
    expect(bySupplier([line("b", ""), line("d", "Z"), line("a", "A"), line("c", "Z")]).map((s) => s.supplier)).toEqual([
      ...["A", "Z", ""],
    ]);
  });
});

describe("which item it is", () => {
  const salt = { name: "Reef salt", knownAs: ["Standard reef salt"], unit: "g" as const, perUse: 1 };
  const socks = { name: "Filter sock 10 cm", knownAs: ["clean socks"], unit: "pieces" as const, perUse: 2 };
  test("by its name or one of its others, whatever their capitals", () => {
    const find = itemFinder([salt, socks]);
    expect(find("standard REEF salt ")).toBe(salt);
    expect(find("Clean socks")).toBe(socks);
    expect(find("carbon")).toBeNull();
  });
  test("in the item's own unit; so often as something is used up, so much as each takes; nothing of another unit", () => {
    expect(amountOf({ amount: 340, unit: "g" }, salt)).toBe(340);
    expect(amountOf({ amount: 3, unit: "times" }, socks)).toBe(6);
    expect(amountOf({ amount: 3, unit: "mL" }, salt)).toBeNull();
  });
});

const facts = factsOf("soft-coral");
const onSite = inputOf(
  { ...facts, practice: { ...facts.practice, saltAge: "when-clear" } },
  {
    ...{ source: mix, tasks: [] },
    readings: [reading("salinity", 35, 0.2), reading("nitrate", 40), reading("temperature", 25)],
  },
);
const op = (seq: number, body: VisitOp["body"]): VisitOp => ({
  ...{ opId: String(seq), device: "d", seq, at: "2026-11-25T10:00:00Z", body },
});
const done = (plan: VisitPlan | null, input: typeof onSite, ...bodies: VisitOp["body"][]) =>
  loggedUses({
    ...{ source: input.source, topUpSource: input.topUpSource, facts: input.facts, on: input.on, plan },
    state: visitState(bodies.map((b, i) => op(i, b))),
  });
const grams = (uses: readonly Use[]) => uses.filter((u) => u.unit === "g").reduce((sum, u) => sum + u.amount, 0);

describe("what a visit takes", () => {
  const plan = planVisit(onSite);
  const plannedL = plan.water.pourL?.value ?? 0;
  test("by its plan the salt that is stirred in; in a mix that is brought it was weighed before", () => {
    expect(plannedUses(plan, onSite)).toContainEqual({
      ...{ name: "Standard reef salt", unit: "g", amount: plan.water.saltG?.value },
    });
    const brought = {
      ...onSite,
      facts: { ...onSite.facts, practice: { ...facts.practice, saltAge: "weeks" as const } },
    };
    const salt = plannedUses(planVisit(brought), brought).find((u) => u.unit === "g");
    expect(salt).toMatchObject({ mixed: true });
    expect(salt?.amount).toBeGreaterThan(100);
  });
  test("by its log as much salt as the litres that were poured, and none where nothing was", () => {
    const saltG = plan.water.saltG?.value ?? 0;
    expect(grams(done(plan, onSite, { type: "litres", inL: plannedL / 2 }))).toBeCloseTo(saltG / 2, 6);
    expect(grams(done(plan, onSite, { type: "tick", step: "refill" }))).toBeCloseTo(saltG, 6);
    expect(done(plan, onSite)).toEqual([]);
    expect(done(null, onSite, { type: "tick", step: "refill" })).toEqual([]);
  });
  test("a batch that was weighed is what was weighed", () => {
    const uses = done(
      plan,
      onSite,
      { type: "litres", inL: plannedL },
      { type: "batch", litres: 40, grams: 1510, measuredPsu: 35, confirmed: false },
    );
    expect(grams(uses)).toBe(1510);
  });
  test("conditioner with the water it was for, tests by the readings of a kit that is known, doses as they went in", () => {
    const fresh = inputOf(factsOf("community"), { source: tap, readings: [reading("nitrate", 60)], tasks: [] });
    const itsPlan = planVisit(fresh);
    const mL = itsPlan.water.conditionerMl?.value ?? 0;
    const kit = { id: "00000000-0000-7000-8000-000000000001", name: "Nitrate drops" };
    const uses = done(
      itsPlan,
      fresh,
      { type: "litres", inL: (itsPlan.water.pourL?.value ?? 0) * 0.75 },
      { type: "reading", id: "r", parameter: "nitrate", text: "20", unit: "mg/L", method: "liquid kit", kit },
      { type: "reading", id: "s", parameter: "ph", text: "7.2", unit: "", method: "liquid kit" },
      // A meter is read and nothing of it is used up.
      {
        type: "reading",
        id: "m",
        parameter: "ph",
        text: "7.3",
        unit: "",
        method: "meter",
        kit: { ...kit, name: "pH meter" },
      },
      {
        ...{ type: "dose", parameter: "alkalinity", product: kit.id, name: "Buffer powder" },
        ...{ amount: 12, unit: "g", perUnit: 0.1 },
      },
    );
    expect(mL).toBeGreaterThan(0);
    expect(uses).toContainEqual({ name: "Conditioner A", unit: "mL", amount: expect.closeTo(mL * 0.75, 6) });
    expect(uses.filter((u) => u.unit === "tests")).toEqual([{ name: "Nitrate drops", unit: "tests", amount: 1 }]);
    expect(uses).toContainEqual({ name: "Buffer powder", unit: "g", amount: 12 });
  });
  test("a job that was done takes what it uses up, as many as are brought; one that was not done takes nothing", () => {
    const step = {
      ...plan.steps[0],
      id: "socks",
      kit: [{ item: "clean socks", amount: 3, used: true }, { item: "bucket" }],
    };
    const withSocks = { ...plan, steps: [step] } as VisitPlan;
    expect(done(withSocks, onSite, { type: "tick", step: "socks" })).toEqual([
      { name: "clean socks", unit: "times", amount: 3 },
    ]);
    expect(done(withSocks, onSite, { type: "skip", step: "socks", reason: "none left" })).toEqual([]);
    expect(plannedUses(withSocks, onSite)).toContainEqual({ name: "clean socks", unit: "times", amount: 3 });
  });
  test("the doses of a course as they are ticked", () => {
    const treatment = {
      ...{ name: "Worm treatment C", startedOn: onSite.on, contactDays: 9, followUpOn: "2026-12-30" },
      doses: [1, 2].map((n) => ({ on: dayOf(24 + n), amount: 20 * n, unit: "drops" as const })),
    };
    const treated = { ...onSite, facts: { ...onSite.facts, treatment } };
    expect(done(plan, treated, { type: "tick", step: "course:dose:2" })).toEqual([
      { name: "Worm treatment C", unit: "drops", amount: 40 },
    ]);
    expect(done(plan, treated, { type: "tick", step: "course:dose:3" })).toEqual([]);
  });
});

describe("what the coming visits take", () => {
  test("by the next plan: its water each time, a job that is not due yet from its day on", () => {
    const tasks = programmeOf("soft-coral");
    const needs = tankNeeds(planVisit({ ...onSite, tasks }), { ...onSite, tasks });
    expect(needs.each.some((u) => u.name === "Standard reef salt")).toBe(true);
    expect(needs.jobs.some((j) => j.name === "rinsed carbon" && j.everyDays >= 7)).toBe(true);
    expect(needs.each.some((u) => u.unit === "times")).toBe(false);
  });
  test("each visit what the next one does, and jobs in their own rhythm from their day on", () => {
    const uses = comingUses(
      {
        each: [{ name: "Salt", unit: "g", amount: 500 }],
        dated: [{ name: "Buffer", unit: "g", amount: 12, on: dayOf(0) }],
        jobs: [{ name: "rinsed carbon", amount: 1, dueOn: dayOf(10), everyDays: 28 }],
      },
      [0, 7, 14, 21, 28, 35, 42].map(dayOf),
    );
    expect(uses.filter((u) => u.name === "Salt").reduce((sum, u) => sum + u.amount, 0)).toBe(3500);
    expect(uses.filter((u) => u.name === "Buffer")).toHaveLength(1);
    expect(uses.filter((u) => u.name === "rinsed carbon").map((u) => u.on)).toEqual([dayOf(14), dayOf(42)]);
    expect(comingUses({ each: [], dated: [], jobs: [] }, [dayOf(0)])).toEqual([]);
  });
});
