import fc from "fast-check";
import { beforeAll, describe, expect, test } from "vitest";
import { addDays } from "../calendar/index.ts";
import { conditionOf, type PlanInput } from "../given/index.ts";
import { say } from "../say/index.ts";
import { testOf } from "../steps/index.ts";
import { systemVolumeL } from "../tank/index.ts";
import { METRIC, parameterFacts } from "../units/index.ts";
import { anyVisit } from "../visit/carriedOut/anyTank.fixture.ts";
import { type OpBody, planVisit, type VisitOp, visitState } from "../visit/index.ts";
import { type LetterTank, letterFor, wordingAfter } from "./index.ts";

// 500 letters of visits that were done in part, each with the letter of the visit before it.
const LETTERS = 250;
const PHONE = "555 0142";

/** A visit done as its draw has it: some steps ticked, some readings entered, some left. */
function visited(input: PlanInput, done: readonly boolean[]): { ops: VisitOp[]; plan: ReturnType<typeof planVisit> } {
  const plan = planVisit(input);
  const bodies: OpBody[] = [{ type: "start" }];
  plan.steps.forEach((step, i) => {
    if (!done[i % done.length]) {
      if (step.task) bodies.push({ type: "skip", step: step.id, reason: "no time left" });
      return;
    }
    const parameter = testOf(step);
    const facts = parameter && parameterFacts[parameter];
    const known = parameter && input.readings.find((r) => r.parameter === parameter);
    const option = facts?.units[0];
    if (parameter && option && known)
      bodies.push({
        type: "reading",
        id: `r${i}`,
        parameter,
        text: option.fromCanonical(known.value).toFixed(option.decimals),
        unit: option.unit,
        method: facts?.methods[0]?.method ?? "liquid kit",
      });
    if (step.enters?.some((e) => "litres" in e && e.litres === "outL") && plan.water.litres.value > 0)
      bodies.push({ type: "litres", outL: Math.round(plan.water.litres.value) });
    bodies.push({ type: "tick", step: step.id });
  });
  return {
    plan,
    ops: bodies.map((b, i) => ({
      opId: `o${i}`,
      device: "d",
      seq: i + 1,
      at: new Date(Date.parse(`${input.on}T09:00:00Z`) + i * 60_000).toISOString(),
      body: b,
    })),
  };
}

function write(input: PlanInput, done: readonly boolean[], before: string) {
  const { plan, ops } = visited(input, done);
  const state = visitState(ops);
  const made = letterFor({
    facts: input.facts,
    plan,
    state,
    condition: done[0] && done[1] ? { state: "steady", others: [] } : conditionOf(input),
    previous: {},
    tasks: input.tasks,
    on: input.on,
    phone: PHONE,
    units: METRIC,
    wording: wordingAfter(before, METRIC),
  });
  return { made, plan, state, input };
}
const prose = ({ heading, body, until, list }: LetterTank) => [heading, ...body, ...until, ...list];
const sentences = (text: string) => text.split(/(?<=[.!?])\s+/);

let letters: ReturnType<typeof write>[] = [];
let pairs: (readonly [ReturnType<typeof write>, ReturnType<typeof write>])[] = [];
beforeAll(() => {
  const drawn = fc.sample(fc.tuple(anyVisit, fc.array(fc.boolean(), { minLength: 7, maxLength: 23 })), {
    numRuns: LETTERS,
    seed: 18,
  });
  pairs = drawn.map(([input, done]) => {
    const first = write(input, done, "");
    const later = { ...input, on: addDays(input.on, 7), nextVisitOn: addDays(input.nextVisitOn, 7) };
    return [first, write(later, done, prose(first.made).join("\n"))] as const;
  });
  letters = pairs.flat();
});

const offending = (wrong: (text: string, of: ReturnType<typeof write>) => boolean) =>
  letters.flatMap((l) => prose(l.made).filter((text) => wrong(text, l))).slice(0, 10);

describe("500 letters", () => {
  test("are there, of every condition", () => {
    expect(letters).toHaveLength(2 * LETTERS);
    expect(new Set(letters.map((l) => l.made.condition.state)).size).toBe(4);
  });
  test("begin with the answer, and name the tank once", () => {
    const again = letters.filter(({ made, input }) => {
      const name = input.facts.name.toLowerCase();
      return [...made.body, ...made.until, ...made.list].some((t) => t.toLowerCase().includes(`the ${name}`));
    });
    expect(again.map((l) => l.made.name)).toEqual([]);
  });
  test("have whole sentences: a capital, an end, no hole, no doubled word or space", () => {
    expect(offending((t) => sentences(t).some((s) => !/^(["“(]?[\p{Lu}\d]|pH )/u.test(s)))).toEqual([]);
    expect(offending((t) => !/[.!?]$/.test(t))).toEqual([]);
    expect(offending((t) => / {2}|\s[,.;:]|\(\)|undefined|NaN|null|\{|\}/.test(t))).toEqual([]);
    expect(offending((t) => /\b(\p{L}+) \1\b/iu.test(t))).toEqual([]);
  });
  test("agree in number", () =>
    expect(offending((t) => /\b1 (jobs|days|litres)\b|\bone jobs\b|\b(they|animals|jobs) (is|was)\b/i.test(t))).toEqual(
      [],
    ));
  test("say nothing of the house, of what was not measured, or of gasping without cause", () => {
    expect(offending((t) => /\bthe house\b|not measured in/i.test(t))).toEqual([]);
    expect(
      offending((t, { made, input }) => {
        const cause = made.condition.state === "off" || input.facts.treatment !== undefined;
        return /gasps/.test(t) && !cause;
      }),
    ).toEqual([]);
  });
  test("keep their sentences to a length that is read, and wish for two things at most", () => {
    expect(offending((t) => sentences(t).some((s) => s.split(" ").length > 45))).toEqual([]);
    for (const { made } of letters)
      expect(made.until.flatMap(sentences).filter((s) => /\bplease\b/i.test(s)).length).toBeLessThanOrEqual(3);
  });
  test("claim no litres that nobody counted, no job that nobody ticked", () => {
    for (const { made, state, plan, input } of letters) {
      const told = made.body.join(" ");
      if (!state.litres?.outL) expect(told).not.toMatch(/I changed \d|water is new|were replaced/);
      else expect(told).toContain(`${Math.round((100 * state.litres.outL) / systemVolumeL(input.facts))} %`);
      // Each job of the library that was left is not told as done, in either form of its words.
      for (const step of plan.steps.filter((x) => x.done && state.ticked[x.id] === undefined)) {
        const words = step.done ? say(step.done, METRIC) : "";
        const alike = plan.steps.some(
          (x) => x.done && state.ticked[x.id] !== undefined && say(x.done, METRIC) === words,
        );
        if (!alike) expect(told).not.toContain(` ${words}`);
      }
      if (state.ticked.look === undefined) expect(told).not.toMatch(/look(ed)? (over|at) the animals|had a good look/);
    }
  });
  test("say no sentence of their body again but its numbers, the answer apart", () => {
    const skeleton = (s: string) => s.replace(/\d+(?:[.,:\u202f]\d+)*/g, "#").toLowerCase();
    const repeated = pairs.flatMap(([before, after]) => {
      const said = new Set(before.made.body.flatMap(sentences).map(skeleton));
      return after.made.body.flatMap(sentences).filter((s) => said.has(skeleton(s)));
    });
    expect(repeated.slice(0, 10)).toEqual([]);
  });
});
