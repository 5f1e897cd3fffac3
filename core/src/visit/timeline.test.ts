import { describe, expect, test } from "vitest";
import { factsOf, inputOf } from "../given/sample.fixture.ts";
import { told } from "../say/index.ts";
import { meanwhile, orderReasons, rulesFor, type Step, timelineOf } from "../steps/index.ts";
import { said } from "./said.fixture.ts";

const step = (id: string, minutes: number, more: Partial<Step> = {}): Step => ({
  id,
  phase: "verify",
  number: 1,
  title: told(id),
  reason: [],
  minutes,
  spread: 0,
  libraryMinutes: minutes,
  timesLogged: 0,
  kit: [],
  ...more,
});
const ends = (steps: readonly Step[]) => Object.fromEntries(timelineOf(steps).steps.map((s) => [s.id, [s.from, s.to]]));

describe("one pair of hands and what runs by itself", () => {
  test("steps follow each other", () => expect(ends([step("a", 3), step("b", 4)])).toEqual({ a: [0, 3], b: [3, 7] }));
  test("hands go on while something warms, and wait only where it is needed", () => {
    const warm = step("warm", 2, { aloneMinutes: 30, until: ["pour"] });
    expect(ends([warm, step("glass", 10), step("pour", 5), step("dry", 2)])).toEqual({
      warm: [0, 2],
      glass: [2, 12],
      pour: [32, 37],
      dry: [37, 39],
    });
    expect(timelineOf([warm, step("glass", 10), step("pour", 5)]).steps[2]?.waited).toEqual({ since: 12, for: "warm" });
  });
  test("what ends before it is needed costs nothing", () =>
    expect(
      timelineOf([step("warm", 2, { aloneMinutes: 5, until: ["pour"] }), step("glass", 10), step("pour", 5)]).minutes,
    ).toBe(17));
  test("what the hands do meanwhile is what lies between its start and its end", () => {
    const drain = step("drain", 12, { runsItself: true, until: ["refill"] });
    const steps = [step("mark", 2), drain, step("wash", 8), step("lamp", 2), step("socks", 5), step("refill", 6)];
    // 1 min of hands, then it runs until 14: the socks begin at 13.
    expect(meanwhile(steps, "drain")).toEqual(["wash", "lamp", "socks"]);
    expect(meanwhile(steps, "mark")).toEqual([]);
    expect(meanwhile(steps, "nothing of the kind")).toEqual([]);
  });
  test("a drain takes one minute of hands and runs", () => {
    const drain = step("drain", 12, { runsItself: true, until: ["refill"] });
    expect(ends([drain, step("wash", 8), step("refill", 6)])).toEqual({
      drain: [0, 1],
      wash: [1, 9],
      refill: [12, 18],
    });
  });
  test("the page says by how much starting early shortens the visit", () => {
    const steps = [
      step("warm", 2, { aloneMinutes: 30, until: ["pour"], readyBefore: true }),
      step("glass", 10),
      step("pour", 5),
    ];
    const { saves, couldSave, minutes } = timelineOf(steps);
    expect(minutes).toBe(37);
    // Begun after the glass it would be ready ten minutes later; ready beforehand nobody would wait twenty.
    expect(saves).toEqual([{ id: "warm", minutes: 10 }]);
    expect(couldSave).toEqual([{ id: "warm", minutes: 20 }]);
  });
});

describe("a planned visit", () => {
  test("cools the heater before the water leaves it: a drain waits where nothing else fills the time", () => {
    const plan = said(inputOf(factsOf("community"), { tasks: [] }));
    const at = (id: string) => timelineOf(plan.steps).steps.find((s) => s.id === id);
    expect((at("drain")?.from ?? 0) - (at("heater-off")?.to ?? 0)).toBeGreaterThanOrEqual(15);
    expect(at("drain")?.waited?.for).toBe("heater-off");
  });
  test("ends with the last thing that runs, and every step has its place on the clock", () => {
    const plan = said(inputOf());
    expect(timelineOf(plan.steps).steps.map((s) => s.id)).toEqual(plan.steps.map((s) => s.id));
    expect(plan.minutes).toBeGreaterThanOrEqual(Math.max(...timelineOf(plan.steps).steps.map((s) => s.to)));
  });
});

describe("why a step has its place", () => {
  test("is told by the rules that hold it back, and by none that say nothing of this visit", () => {
    const facts = factsOf("community");
    const plan = said(inputOf(facts));
    const of = (id: string) => {
      const found = plan.steps.find((s) => s.id === id);
      if (!found) throw new Error(`No ${id}`);
      return orderReasons(found, plan.steps, rulesFor(facts.practice));
    };
    expect(of("drain")).toContain("Film and spores float free and leave with the water.");
    expect(of("drain")).toContain("A hot heater in air cracks or burns.");
    expect(of("arrive")).toEqual([]);
  });
});
