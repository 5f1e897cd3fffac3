import { describe, expect, test } from "vitest";
import { planWater } from "../change/index.ts";
import { withToday } from "../given/index.ts";
import { factsOf, inputOf, TODAY } from "../given/sample.fixture.ts";
import { METRIC } from "../units/index.ts";
import { refuseOp, seenToday, type VisitOp, visitState } from "./log.ts";
import { sayCorrection } from "./sayCorrection.ts";
import { type OpBody, OpBodySchema } from "./schema.ts";

let seq = 0;
const op = (body: OpBody): VisitOp => {
  seq += 1;
  return {
    opId: `op${seq}`,
    device: "phone",
    seq,
    at: new Date(Date.parse("2026-11-25T08:00:00.000Z") + seq * 60_000).toISOString(),
    body,
  };
};
const log = (...bodies: OpBody[]) => visitState(bodies.map(op));
const nitrate = (id: string, text: string): OpBody => ({
  type: "reading",
  id,
  parameter: "nitrate",
  text,
  unit: "mg/L",
  method: "liquid kit",
});
const started: OpBody = { type: "start" };
const facts = factsOf();
const refuse = (state: ReturnType<typeof log>, body: OpBody) => refuseOp(state, body, facts, [])?.code ?? null;

describe("a log tells a visit", () => {
  test("ticks, skips and taking them back", () => {
    expect(log(started, { type: "skip", step: "a", reason: "no time" }, { type: "tick", step: "a" })).toMatchObject({
      skipped: {},
      ticked: { a: expect.any(String) },
    });
    expect(log(started, { type: "tick", step: "a" }, { type: "untick", step: "a" }).ticked).toEqual({});
  });
  test("both figures of a reading are kept", () => {
    const state = log(started, {
      type: "reading",
      id: "r1",
      parameter: "alkalinity",
      text: "3",
      unit: "meq/L",
      method: "liquid kit",
    });
    expect(state.readings[0]).toMatchObject({ text: "3", unit: "meq/L", value: expect.closeTo(8.412, 3) });
  });
  test("a reading taken back leaves nothing for the plan", () => {
    expect(seenToday(log(started, nitrate("r1", "40"), { type: "reading-back", id: "r1" }), TODAY).readings).toEqual(
      [],
    );
  });
  test("litres chosen at the glass are planned with, until the choice is taken back", () => {
    expect(seenToday(log(started), TODAY)).not.toHaveProperty("chosen");
    const chose = log(started, { type: "choose", litres: 30 });
    expect(seenToday(chose, TODAY).chosen).toEqual({ litres: 30, by: "on site" });
    expect(planWater(withToday(inputOf(), seenToday(chose, TODAY)))).toMatchObject({
      litres: { value: 30 },
      reasons: [{ code: "chosen", litres: 30 }],
    });
    // Taken back it is null, which goes before whin the planner chose.
    const back = log(started, { type: "choose", litres: 30 }, { type: "choose", litres: null });
    const planned = inputOf(undefined, { chosen: { litres: 12, by: "Maud" } });
    expect(planWater(planned).litres.value).toBe(12);
    expect(planWater(withToday(planned, seenToday(back, TODAY))).reasons[0]?.code).toBe("policy");
  });
  test("closing twice keeps the first time", () => {
    const state = log(started, { type: "close" }, { type: "close" });
    expect(state.closedAt).toBe(log(started, { type: "close" }).closedAt?.replace(/T.*/, "") ? state.closedAt : null);
    expect(refuse(state, { type: "close" })).toBe("already-closed");
  });
});

describe("what was noticed, switched and handed over", () => {
  const leak: OpBody = { type: "finding", id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb85", kind: "safety", text: "Leak" };
  const deleted: OpBody = { type: "finding-back", id: leak.type === "finding" ? leak.id : "" };
  test("a note is deleted by whoever wrote it, and an earlier visit's is not", () => {
    expect(log(started, leak, deleted).findings).toEqual([]);
    expect(refuse(log(started, leak), deleted)).toBeNull();
    expect(refuse(log(started), deleted)).toBe("unknown-finding");
    const earlier = { id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb85", kind: "other", text: "Loud pump" } as const;
    const answered = log(started, { type: "resolve", id: earlier.id, how: "fixed" });
    expect(refuseOp(answered, deleted, facts, [{ ...earlier, seenOn: "2026-11-01" } as never])?.code).toBe(
      "unknown-finding",
    );
  });
  test("a thing that was left on is not off at the end", () => {
    const left = log(started, { type: "switch", gear: "return", state: "left-on", reason: "its plug is out of reach" });
    expect(left.gear.return).toMatchObject({ state: "left-on", reason: "its plug is out of reach" });
    expect(refuse(left, { type: "close" })).toBeNull();
  });
  test("whoever signs is kept with the pen's strokes; nobody there is kept too; both can be taken back", () => {
    const signed: OpBody = { type: "handover", to: { how: "signed", name: "Mr. Osei", strokes: "M10 20L30 40" } };
    expect(log(started, signed).handover).toMatchObject({ how: "signed", name: "Mr. Osei", strokes: "M10 20L30 40" });
    expect(log(started, signed, { type: "handover", to: { how: "nobody" } }).handover).toMatchObject({ how: "nobody" });
    expect(log(started, signed, { type: "handover", to: null }).handover).toBeNull();
  });
  test.each([
    { how: "signed", name: " ", strokes: "" },
    { how: "signed", name: "Mr. Osei", strokes: "M1 2<script>" },
    { how: "signed", name: "Mr. Osei", strokes: "M1 2".repeat(4000) },
    { how: "somebody" },
  ])("a handover of %j is refused", (to) =>
    expect(OpBodySchema.safeParse({ type: "handover", to }).success).toBe(false),
  );
});

describe("what may not be written", () => {
  const open = log(started);
  test("anything before the start", () => expect(refuse(log(), { type: "tick", step: "a" })).toBe("not-started"));
  test("absurd readings, more than the tank, a level under the floor", () => {
    expect(refuse(open, nitrate("r1", "-4"))).toBe("bad-reading");
    expect(refuse(open, nitrate("r1", "1000000"))).toBe("bad-reading");
    expect(refuse(open, { type: "litres", outL: 201, inL: 0 })).toBe("more-than-tank");
    expect(refuse(open, { type: "litres", outL: 200, inL: 200 })).toBeNull();
    expect(refuse(open, { type: "level", belowCm: 41 })).toBe("below-floor");
  });
  test("closing with gear off, until it is on or left off for a reason", () => {
    const off: OpBody = { type: "switch", gear: "heater", state: "off" };
    expect(refuseOp(log(started, off), { type: "close" }, facts, [])).toMatchObject({
      code: "gear-still-off",
      items: ["heater"],
    });
    expect(refuse(log(started, off, { type: "switch", gear: "heater", state: "on" }), { type: "close" })).toBeNull();
    expect(
      refuse(log(started, off, { type: "switch", gear: "heater", state: "left-off", reason: "defective" }), {
        type: "close",
      }),
    ).toBeNull();
  });
  test("closing with a finding open, seen today or before", () => {
    const seen: OpBody = { type: "finding", id: "f1", kind: "equipment", text: "Leak" };
    expect(refuse(log(started, seen), { type: "close" })).toBe("finding-still-open");
    expect(
      refuse(log(started, seen, { type: "resolve", id: "f1", how: "carried", on: "2026-12-02" }), { type: "close" }),
    ).toBeNull();
    const earlier = [{ id: "f0", kind: "other" as const, text: "Old matter" }];
    expect(refuseOp(open, { type: "close" }, facts, earlier)).toMatchObject({
      code: "finding-still-open",
      items: ["Old matter"],
    });
    expect(
      refuseOp(
        log(started, { type: "resolve", id: "f0", how: "owner", text: "Old matter" }),
        { type: "close" },
        facts,
        earlier,
      ),
    ).toBeNull();
  });
});

test("the schema refuses what no device may say", () => {
  for (const body of [
    { type: "litres", outL: -5, inL: 0 },
    { type: "litres", outL: "5", inL: 0 },
    { type: "dirt", step: "a", dirt: 6 },
    { type: "resolve", id: "x", how: "fixed" },
    { type: "resolve", id: "01a210ca-c2a6-74f9-9438-9c6b7124c0ca", how: "carried", on: "2026-02-30" },
    { type: "explode" },
    null,
  ])
    expect(OpBodySchema.safeParse(body).success).toBe(false);
});

describe("what was logged wrong", () => {
  const water: OpBody = { type: "litres", outL: 80 };
  const close: OpBody = { type: "close" };
  const because = (change: Extract<OpBody, { type: "correct" }>["change"], why = "misread"): OpBody => ({
    type: "correct",
    why,
    change,
  });
  test("is corrected after the visit: the new figure counts, at the moment of the old one, and both are kept", () => {
    const state = log(
      started,
      nitrate("r1", "40"),
      { type: "tick", step: "refill" },
      nitrate("r2", "20"),
      close,
      because({ ...nitrate("r1", "14"), type: "reading" } as never),
    );
    const [r1, r2] = ["r1", "r2"].map((id) => state.readings.find((r) => r.id === id));
    expect(r1).toMatchObject({ text: "14", value: 14 });
    // It was taken before the change, whenever it is put right.
    expect(r1?.after).toBeUndefined();
    expect(r2?.after).toBe(true);
    expect(r1 && r2 && r1.at < r2.at).toBe(true);
    const [said] = state.corrections.map((c) => sayCorrection(c, METRIC, (s) => s));
    expect(said).toEqual({ key: "r1", what: "Nitrate", was: "40 mg/L", now: "14 mg/L" });
    expect(state.corrections[0]?.why).toBe("misread");
  });
  test("of a flow names the filter whose it was", () => {
    const flow = (text: string) => {
      const what = { type: "reading", id: "f1", parameter: "flow", unit: "L/h", method: "timed bucket" } as const;
      return { ...what, text, item: "Canister A" };
    };
    const state = log(started, flow("600"), close, because(flow("660")));
    expect(state.corrections.map((c) => sayCorrection(c, METRIC, (s) => s))).toEqual([
      { key: "f1", what: "Flow of Canister A", was: "600 L/h", now: "660 L/h" },
    ]);
    expect(state.readings[0]).toMatchObject({ item: "Canister A", value: 660 });
  });
  test("is said in words whatever it is of", () => {
    const state = log(
      started,
      { type: "note", id: "n1", text: "Leak" },
      { type: "level", belowCm: 2 },
      water,
      { type: "tick", step: "glass-inside" },
      close,
      because({ type: "litres", outL: 18 }),
      because({ type: "level", belowCm: 3.5 }),
      because({ type: "untick", step: "glass-inside" }),
      because({ type: "skip", step: "glass-inside", reason: "no time left" }),
      because({ type: "tick", step: "photo" }),
      because({ type: "note-back", id: "n1" }),
      because({ type: "dirt", step: "skimmer-cup", dirt: 3 }),
      because({ type: "litres", inL: 20 }),
    );
    expect(state.corrections.map((c) => Object.values(sayCorrection(c, METRIC, (s) => s)).slice(1))).toEqual([
      ["Drained", "80\u00a0L", "18\u00a0L"],
      ["Below the fill line", "2.0\u00a0cm", "3.5\u00a0cm"],
      ["glass-inside", "done", "not done"],
      ["glass-inside", "not done", "left out: no time left"],
      ["photo", "not done", "done"],
      ["Note", "Leak", "taken back"],
      ["skimmer-cup, how dirty", "not entered", "3 of 5"],
      ["Poured", "not entered", "20\u00a0L"],
    ]);
    expect(state.litres).toMatchObject({ outL: 18, inL: 20 });
    expect(state.notes).toEqual([]);
    // What is ticked afterwards was done before the visit ended.
    expect(state.ticked.photo).toBe(state.closedAt);
  });
  test("is corrected only once it is closed, and only as it could have been logged", () => {
    const open = log(started, nitrate("r1", "40"));
    expect(refuse(open, because({ type: "litres", outL: 10 }))).toBe("not-closed");
    const closed = log(started, nitrate("r1", "40"), close);
    expect(refuse(closed, because({ type: "litres", outL: 100_000 }))).toBe("more-than-tank");
    expect(refuse(closed, because({ type: "reading-back", id: "r9" }))).toBe("unknown-reading");
    expect(refuse(closed, because({ type: "note-back", id: "r9" }))).toBe("unknown-note");
    expect(refuse(closed, because({ type: "reading-back", id: "r1" }))).toBeNull();
  });
});

describe("a visit that should not be as it is", () => {
  test("opened by mistake, is discarded with a reason: nothing of it happened, and it can begin anew", () => {
    const discard: OpBody = { type: "discard", why: "wrong tank" };
    const state = log(started, nitrate("r1", "40"), { type: "tick", step: "a" }, discard);
    expect(state).toMatchObject({ startedAt: null, readings: [], ticked: {}, discarded: { why: "wrong tank" } });
    expect(refuse(log(started, { type: "close" }), discard)).toBe("already-closed");
    expect(refuse(log(), discard)).toBe("not-started");
    expect(log(started, discard, started)).toMatchObject({ startedAt: expect.any(String), discarded: null });
  });
  test("closed too early, is reopened and goes on", () => {
    const reopen: OpBody = { type: "reopen", why: "the sump was forgotten" };
    expect(refuse(log(started), reopen)).toBe("not-closed");
    const state = log(started, { type: "tick", step: "a" }, { type: "close" }, reopen);
    expect(state).toMatchObject({ closedAt: null, ticked: { a: expect.any(String) } });
    expect(refuse(state, { type: "close" })).toBeNull();
  });
});
