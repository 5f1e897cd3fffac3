import { describe, expect, test } from "vitest";
import { addDays } from "../calendar/civil.ts";
import { withToday } from "../given/index.ts";
import { factsOf, inputOf, programmeOf, reading, TODAY } from "../given/sample.fixture.ts";
import { courseOf, type Remedy } from "../treatment/index.ts";
import { METRIC } from "../units/index.ts";
import { planVisit, refuseOp, sayPlan, seenToday, type VisitOp, visitState } from "./index.ts";

const remedy: Remedy = {
  ...{ id: "01a22500-5ba8-76bb-9c9d-d20be8f8fb01", name: "Slime treatment", group: "algae", per100L: 10, unit: "mL" },
  ...{ labelPercent: null, bottlePercent: null, doses: 2, everyDays: 2, contactDays: 3, contactMinutes: 30 },
  ...{ harms: ["shrimp"], off: ["uv"], carbonOut: true, changeShare: 0.4, followUpDays: 4, prescription: false },
};
const facts = factsOf("community", { gear: ["heater", "filter", "uv"] });
const at = (on: string, lastVisitOn: string | null = null) => ({
  ...inputOf(facts, { readings: [reading("nitrate", 60)], tasks: programmeOf("community") }),
  ...{ on, lastVisitOn, facts: { ...facts, treatment: courseOf(remedy, TODAY, 180) } },
});
const ids = (input: ReturnType<typeof at>) =>
  planVisit(input)
    .steps.map((s) => s.id)
    .filter((id) => id.startsWith("course:"));
const op = (body: VisitOp["body"], seq = 1): VisitOp => ({
  opId: `o${seq}`,
  device: "d",
  seq,
  at: `${TODAY}T09:00:00Z`,
  body,
});

describe("a course on a visit", () => {
  test("begins with air, what is off, and its first dose in words with the litres and a clock", () => {
    expect(ids(at(TODAY))).toEqual(["course:air", "course:off", "course:dose:1"]);
    const step = sayPlan(planVisit(at(TODAY)), METRIC).steps.find((s) => s.id === "course:dose:1");
    expect(step?.title.replaceAll(/[\u00a0\u202f]/g, " ")).toBe("Dose 1 of 2: 18 mL of Slime treatment for 180 L");
    expect(step?.aloneMinutes).toBe(30);
  });
  test("changes no water while it works, and keeps what disturbs", () => {
    const plan = planVisit(at(TODAY));
    expect(plan.water.decision).toBe("postpone");
    expect(plan.water.reasons[0]).toMatchObject({ code: "treatment", name: "Slime treatment" });
  });
  test("goes on with its doses; one that no visit came for is given on the next", () => {
    // After the last bath what was off comes back, once it has worked.
    expect(ids(at(addDays(TODAY, 2), TODAY))).toEqual(["course:dose:2", "course:back"]);
    expect(ids(at(addDays(TODAY, 3), TODAY))).toContain("course:dose:2");
    expect(ids(at(addDays(TODAY, 3), addDays(TODAY, 2)))).not.toContain("course:dose:2");
  });
  test("puts back what was off once, when its time is over", () => {
    const [over, week] = [addDays(TODAY, 2), addDays(TODAY, 7)];
    expect(ids(at(week, TODAY))).toContain("course:back");
    expect(ids(at(addDays(TODAY, 14), week))).not.toContain("course:back");
    expect(ids(at(addDays(over, -1), TODAY))).not.toContain("course:back");
  });
  test("is begun by its entry in the log, for the plan of that visit at once, and taken back", () => {
    const input = inputOf(facts, { readings: [reading("nitrate", 60)], tasks: [] });
    const state = visitState([
      op({ type: "start" }),
      op({ type: "treat", id: "a", remedy, litres: 180, on: TODAY }, 2),
    ]);
    const planned = planVisit(withToday(input, seenToday(state, TODAY)));
    expect(planned.steps.map((s) => s.id)).toContain("course:dose:1");
    const back = visitState([op({ type: "treat-back", id: "a" }, 3)], state);
    expect(back.treated).toBeNull();
    expect(planVisit(withToday(input, seenToday(back, TODAY))).steps.map((s) => s.id)).not.toContain("course:dose:1");
  });
  test("is refused where one lives that it harms, on the phone and on the server alike, and what was never begun is not taken back", () => {
    const state = visitState([op({ type: "start" })]);
    const shrimps = { ...facts, animals: [{ name: "bee shrimp", count: 9 }] };
    const body = { type: "treat" as const, id: "a", remedy, litres: 180, on: TODAY };
    expect(refuseOp(state, body, shrimps, [])).toMatchObject({ code: "must-not-treat" });
    expect(refuseOp(state, body, facts, [])).toBeNull();
    // Sent again after its answer was lost, the tank has it already.
    const begun = { ...facts, treatment: { ...courseOf(remedy, TODAY, 180), id: "a" } };
    expect(refuseOp(state, body, begun, [])).toBeNull();
    // A second press, or a second remedy, on one visit: the first one stays.
    const once = visitState([op(body, 2)], state);
    expect(refuseOp(once, { ...body, id: "b" }, facts, [])).toMatchObject({ code: "must-not-treat" });
    expect(refuseOp(once, body, begun, [])).toBeNull();
    expect(refuseOp(state, { type: "treat-back", id: "a" }, facts, [])).toMatchObject({ code: "unknown-course" });
  });
});
