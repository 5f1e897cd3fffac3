import { describe, expect, test } from "vitest";
import { planWater } from "../change/index.ts";
import { withToday } from "../given/index.ts";
import { bookOf, inputOf, TODAY } from "../given/sample.fixture.ts";
import { refuseOp, seenToday, type VisitOp, visitState } from "./log.ts";
import { type OpBody, OpBodySchema } from "./schema.ts";

let seq = 0;
const op = (body: OpBody): VisitOp => {
  seq += 1;
  return {
    opId: `op${seq}`,
    device: "phone",
    seq,
    at: `2026-11-25T10:${String(seq % 60).padStart(2, "0")}:00.000Z`,
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
const book = bookOf();
const refuse = (state: ReturnType<typeof log>, body: OpBody) => refuseOp(state, body, book, [])?.code ?? null;

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
    expect(refuseOp(log(started, off), { type: "close" }, book, [])).toMatchObject({
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
    expect(refuseOp(open, { type: "close" }, book, earlier)).toMatchObject({
      code: "finding-still-open",
      items: ["Old matter"],
    });
    expect(
      refuseOp(
        log(started, { type: "resolve", id: "f0", how: "owner", text: "Old matter" }),
        { type: "close" },
        book,
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
