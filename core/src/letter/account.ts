// A letter tells of troubles in the words of the guide.
import "../guide/index.ts";
import type { Phase } from "../programme/index.ts";
import { type Message, m, say, told } from "../say/index.ts";
import { type Step, testOf } from "../steps/index.ts";
import { gearName, systemVolumeL, type TankFacts } from "../tank/index.ts";
import { inSentence, sentence } from "../text/index.ts";
import { lookAgainOn } from "../trouble/index.ts";
import type { Parameter, UnitPreference } from "../units/index.ts";
import type { VisitPlan, VisitState } from "../visit/index.ts";
import type { Saying } from "./wording.ts";

/** What a visit was, as its log has it. */
export interface Visited {
  readonly facts: TankFacts;
  readonly plan: VisitPlan;
  readonly state: VisitState;
  readonly units: UnitPreference;
}

/** Litres that were counted out of the tank; none where nobody said so. */
export const changedL = ({ state }: Pick<Visited, "state">): number => state.litres?.outL ?? 0;

/** A change of nearly what was planned does what the plan said of it. */
const NEARLY = 0.1;

/** The change, and what it was for where it was carried out as planned. */
export function change(visited: Visited, parameter: Parameter | null): Saying[] {
  const { facts, plan } = visited;
  const outL = changedL(visited);
  if (outL <= 0) return [{ ways: unchanged(visited) }];
  const said = { litres: { litres: outL }, share: Math.round((100 * outL) / systemVolumeL(facts)) };
  const expected = plan.water.after.find((e) => e.parameter === parameter);
  const asPlanned = Math.abs(outL - plan.water.litres.value) <= NEARLY * plan.water.litres.value;
  if (expected && parameter && asPlanned) {
    const so = { ...said, parameter: { parameter }, value: { reading: expected.after.value, of: parameter } };
    return [{ ways: [m("letter.changed.so", so), m("letter.changed.so.b", so)] }];
  }
  return [{ ways: [m("letter.changed", said), m("letter.changed.b", said), m("letter.changed.c", said)] }];
}

function unchanged({ plan }: Visited): Message[] {
  const [reason] = plan.water.reasons;
  if (plan.water.decision !== "change") {
    if (reason?.code === "treatment") {
      const until = { name: reason.name, until: { day: reason.until } };
      return [m("letter.unchanged.treatment", until), m("letter.unchanged.treatment.b", until)];
    }
    if (reason?.code === "automatic") return [m("letter.unchanged.automatic"), m("letter.unchanged.automatic.b")];
    if (reason?.code === "within-bands") return [m("letter.unchanged.right"), m("letter.unchanged.right.b")];
  }
  return [m("letter.unchanged"), m("letter.unchanged.b")];
}

/** Jobs that are told of in one sentence: of the glass and the bed, of the gear, of what was given. */
const TOGETHER: readonly (readonly Phase[])[] = [
  ["glass", "lift", "drain", "outside"],
  ["hardware", "media", "prepare", "power-down", "power-up", "refill", "verify"],
  ["dose", "feed-before", "feed-after"],
];

const ticked = ({ plan, state }: Visited): Step[] =>
  plan.steps.filter((s) => s.task && !testOf(s) && state.ticked[s.id] !== undefined);

/** A sentence tells of so many jobs at most. */
const MOST_IN_A_SENTENCE = 4;

/** What was done beside the change, as it was ticked: by its sense, in the past tense. */
export function jobsDone(visited: Visited): Saying[] {
  const jobs = ticked(visited).filter((s) => s.done);
  const groups = TOGETHER.map((phases) => jobs.filter((s) => phases.some((p) => p === s.phase))).flatMap((group) =>
    [0, MOST_IN_A_SENTENCE, 2 * MOST_IN_A_SENTENCE]
      .map((from) => group.slice(from, from + MOST_IN_A_SENTENCE))
      .filter((part) => part.length > 0),
  );
  const sentences = groups.map((group, i): Saying => {
    const all = { jobs: { all: group.flatMap((s) => (s.done ? [s.done] : [])) } };
    if (i === 0) return { ways: [m("letter.did", all), m("letter.did.b", all), m("letter.did.c", all)] };
    return i < groups.length - 1 || i === 1
      ? { ways: [m("letter.also", all), m("letter.also.b", all), m("letter.also.c", all)] }
      : { ways: [m("letter.last", all), m("letter.last.b", all), m("letter.last.c", all)] };
  });
  // A job that a firm named itself, or of a plan from before: only what was to be done is known of it.
  const others = ticked(visited).filter((s) => !s.done);
  if (others.length === 0) return sentences;
  const named = { jobs: { all: others.map((s) => jobName(s, visited.units)) } };
  return [...sentences, { ways: [m("letter.own-jobs", named), m("letter.own-jobs.b", named)] }];
}

const jobName = (step: Step, units: UnitPreference): string => inSentence(say(step.title, units));

/** What was poured in by hand, and what it does. */
export function dosed({ state }: Visited): Saying[] {
  return state.doses
    .filter((d) => d.amount > 0)
    .map(({ parameter, name, amount, unit, perUnit }) => {
      const said = {
        amount: m("dose.amount", { amount: { figure: amount, decimals: amount < 100 ? 1 : 0 }, unit }),
        product: name,
        parameter: { parameter },
        rise: { reading: amount * perUnit, of: parameter },
      };
      return { ways: [m("letter.dosed", said), m("letter.dosed.b", said)] };
    });
}

/** Jobs that were left, and gear that stayed off, each with its reason. */
export function leftUndone({ plan, state, units }: Visited): Saying[] {
  const left = plan.steps.filter((s) => s.task && !testOf(s) && state.skipped[s.id]);
  const reasons = [...new Set(left.map((s) => state.skipped[s.id] ?? ""))];
  const off = Object.entries(state.gear).flatMap(([gear, g]) => {
    if (g?.state !== "left-off") return [];
    const said = { gear: gearName(gear as Parameters<typeof gearName>[0]), why: g.reason ?? "" };
    return [{ ways: [m("letter.gear-off", said), m("letter.gear-off.b", said)] }];
  });
  return [
    ...reasons.map((why) =>
      leftFor(
        why,
        left.filter((s) => state.skipped[s.id] === why).map((s) => jobName(s, units)),
      ),
    ),
    ...off,
  ];
}

/** So many jobs are named; the rest is counted. */
const MOST_NAMED = 3;

/** Jobs that were left for one reason. */
function leftFor(why: string, jobs: readonly string[]): Saying {
  const more = jobs.length - MOST_NAMED;
  // One more is named as quickly as counted.
  const named = more > 1 ? [...jobs.slice(0, MOST_NAMED), m("letter.left.more", { count: more })] : jobs;
  const said = { why, jobs: { all: named } };
  return { ways: [m("letter.left", { count: jobs.length, ...said }), m("letter.left.b", said)] };
}

/** What was seen: the animals as far as they were looked at, findings by what became of them, notes. */
export function seen({ state, plan: { on } }: Visited): Saying[] {
  const looked: Saying = { ways: [m("letter.looked"), m("letter.looked.b"), m("letter.looked.c")], optional: true };
  return [
    ...(state.ticked.look === undefined || state.counts.length > 0 ? [] : [looked]),
    ...counts(state),
    ...state.troubles.flatMap((t) => trouble(t, on)),
    ...state.findings.map((f): Saying => ({ ways: [finding(f)] })),
    ...state.notes.map((n): Saying => ({ ways: [told(sentence(n.text))] })),
  ];
}

/** Animals that were counted, and those that were not seen or had died. */
function counts({ counts: counted }: VisitState): Saying[] {
  const animals = {
    all: counted.map(({ name, of, seen: alive }) =>
      alive < of ? m("letter.group.of", { count: alive, of, name }) : m("letter.group", { count: alive, name }),
    ),
  };
  const dead = counted.filter((c) => c.dead > 0);
  const missing = counted.some((c) => c.seen + c.dead < c.of);
  return [
    ...(counted.length > 0 ? [{ ways: [m("letter.counted", { animals }), m("letter.counted.b", { animals })] }] : []),
    ...dead.map(({ name, dead: number }) => ({ ways: [m("letter.died", { count: number, name })] })),
    ...(missing ? [{ ways: [m("letter.missing"), m("letter.missing.b")] }] : []),
  ];
}

/** A trouble in the words of the guide, and when it is looked at again. */
function trouble({ trouble: code }: VisitState["troubles"][number], on: string): Saying[] {
  const said = { trouble: m(`trouble.${code}`), why: m(`trouble.${code}.why`) };
  const [again] = lookAgainOn(code, on);
  return [
    { ways: [m("letter.trouble", said), m("letter.trouble.b", said)] },
    ...(again ? [{ ways: [m("letter.trouble.again", { day: { day: again.on } })] }] : []),
  ];
}

function finding({ text, outcome }: VisitState["findings"][number]): Message {
  const what = sentence(text).replace(/[.]$/, "");
  if (outcome?.how === "fixed") return m("letter.fixed", { what });
  if (outcome?.how === "owner") return m("letter.for-owner", { what });
  return outcome?.on ? m("letter.carried.on", { what, day: { day: outcome.on } }) : m("letter.carried", { what });
}
