import { daysBetween } from "../calendar/index.ts";
import { type PlanInput, programmeOn } from "../given/index.ts";
import { usualKit } from "../kits/index.ts";
import { dueOn, isWaiting, jobOf, performerOf } from "../programme/index.ts";
import type { Step } from "../steps/index.ts";
import { courseOf } from "../treatment/index.ts";
import type { VisitPlan, VisitState } from "../visit/index.ts";
import type { StoreItem, StoreUnit } from "./item.ts";

/** Something that a visit takes from the stores, by the name its plan or log has for it. */
export interface Use {
  readonly name: string;
  readonly amount: number;
  /** "times": so often something was used up that is counted in whatever its item is counted in. */
  readonly unit: StoreUnit | "times";
  /** It is in water that is brought ready mixed: it left the shelf when that was mixed. */
  readonly mixed?: true;
}

type Water = Pick<PlanInput, "source" | "topUpSource">;
type Poured = Pick<VisitPlan, "load" | "water" | "corrections">;

/** Less than this of a water is none, L. */
export const LEAST_L = 0.05;

const SALT = "Salt";
const CONDITIONER = "Conditioner";

/** New water that a plan pours, whether by hand or by a machine until the next visit, L. */
const newL = ({ water }: Poured): number => (water.pourL?.value ?? 0) + (water.auto?.fillL ?? 0);

/** What goes into the water that a plan pours and tops up with. */
function ofWater({ source, topUpSource }: Water, plan: Poured): { readonly poured: Use[]; readonly topUp: Use[] } {
  const { water, load } = plan;
  const some = (name: string, unit: StoreUnit, amount: number | undefined, mixed = false): Use[] =>
    amount !== undefined && amount > 0 ? [{ name, unit, amount, ...(mixed ? { mixed: true as const } : {}) }] : [];
  const { minerals } = source;
  return {
    poured: [
      ...some(source.salt?.name ?? SALT, "g", water.saltG?.value, load.mixL >= LEAST_L),
      ...some(source.conditioner?.name ?? CONDITIONER, "mL", water.conditionerMl?.value),
      ...(minerals && source.kind === "tap-minerals"
        ? some(minerals.name, "g", (minerals.gramsPer100L * (water.pourL?.value ?? 0)) / 100)
        : []),
    ],
    topUp: some(topUpSource.conditioner?.name ?? CONDITIONER, "mL", water.topUpConditionerMl?.value),
  };
}

/** What a plan puts right by doses. */
const corrected = ({ corrections = [] }: Poured): Use[] =>
  corrections.flatMap((c): Use[] => (c.ok ? [{ name: c.product.name, unit: c.unit, amount: c.amount.value }] : []));

/** Doses of the course a tank is under. */
const courseDoses = ({ treatment }: Pick<PlanInput["facts"], "treatment">): DatedUse[] =>
  (treatment?.doses ?? []).map(({ on, unit, amount }) => ({ name: treatment?.name ?? "", on, unit, amount }));

/** What is poured or weighed out on a visit, by its plan: salt, conditioner, minerals, corrections, a remedy. */
export function pouredUses(plan: Poured, input: Water & Pick<PlanInput, "facts" | "on">): Use[] {
  const { poured, topUp } = ofWater(input, plan);
  const doses = courseDoses(input.facts).filter((d) => d.on === input.on);
  return [...poured, ...topUp, ...corrected(plan), ...doses.map(({ on: _, ...use }) => use)];
}

/** Ways of measuring that use something up; a meter reads again and again. */
const USED_UP: readonly string[] = ["strip", "liquid kit", "photometer"];

const testOf = (name: string, method: string): Use[] =>
  USED_UP.includes(method) ? [{ name, unit: "tests", amount: 1 }] : [];

/** A test for each reading that a plan asks for, with the kit that it is usually made with. */
function plannedTests(
  plan: VisitPlan,
  { readings, kits, facts }: Pick<PlanInput, "facts" | "readings" | "kits">,
): Use[] {
  const tests = plan.steps.flatMap((s) => (s.enters ?? []).flatMap((e) => ("reading" in e ? [e.reading] : [])));
  return tests.flatMap((parameter): Use[] => {
    const last = readings.filter((r) => r.parameter === parameter && r.kit !== undefined).at(-1)?.kit;
    const usual = usualKit(kits ?? [], parameter, facts.practice, last);
    return usual ? testOf(usual.kit.name, usual.method) : [];
  });
}

/** Everything that a visit is planned to take from the stores. */
export function plannedUses(plan: VisitPlan, input: Water & Pick<PlanInput, "facts" | "readings" | "kits">): Use[] {
  return [...pouredUses(plan, { ...input, on: plan.on }), ...plannedTests(plan, input), ...plan.steps.flatMap(usedUp)];
}

/** What a step uses up: of pieces as many as are brought. */
export const usedUp = ({ kit }: Step): Use[] =>
  kit.flatMap(({ item, amount, used }): Use[] =>
    used ? [{ name: item, unit: "times", amount: typeof amount === "number" ? amount : 1 }] : [],
  );

/** A visit as it went, for what it took. */
export interface DoneVisit extends Water {
  readonly state: VisitState;
  /** The last plan that it was carried out by; null where none is kept. */
  readonly plan: VisitPlan | null;
  readonly facts: Pick<PlanInput["facts"], "treatment">;
  readonly on: string;
}

const REFILLS: readonly string[] = ["refill", "exchange"];
const TOP_UP = /^top-up/;
const DOSED = /^course:dose:(\d+)$/;

/**
 * What a visit took from the stores, by its log: of what was poured as much as its litres are to those planned, tests as readings,
 * doses as they were given, and what the jobs that were done use up. Of what nobody did nothing was taken.
 */
export function loggedUses(visit: DoneVisit): Use[] {
  const { state, plan } = visit;
  return [
    ...(plan ? pouredByLog(visit, plan) : []),
    ...state.doses.map((d): Use => ({ name: d.name, unit: d.unit, amount: d.amount })),
    ...dosesOfCourse(visit),
    ...state.readings.flatMap((r): Use[] => (r.kit ? testOf(r.kit.name, r.method) : [])),
    ...(plan?.steps ?? []).filter((s) => s.id in state.ticked).flatMap(usedUp),
  ].filter((u) => u.amount > 0);
}

function pouredByLog({ state, source, topUpSource }: DoneVisit, plan: VisitPlan): Use[] {
  const { poured, topUp } = ofWater({ source, topUpSource }, plan);
  const ticked = (which: (step: string) => boolean) => Object.keys(state.ticked).some(which);
  const done = (logged: number | null | undefined, planned: number, was: boolean) =>
    planned <= 0 ? 0 : (logged ?? (was ? planned : 0)) / planned;
  const { freshL } = plan.water;
  const into = done(
    state.litres?.inL,
    newL(plan),
    ticked((s) => REFILLS.includes(s)),
  );
  const above = done(
    state.litres?.topUpL,
    freshL?.value ?? 0,
    ticked((s) => TOP_UP.test(s)),
  );
  const { batch } = state;
  return [
    // What was weighed into a batch is known better than by its litres.
    ...poured.map((u) => ({ ...u, amount: batch && u.name === source.salt?.name ? batch.grams : u.amount * into })),
    ...topUp.map((u) => ({ ...u, amount: u.amount * above })),
  ];
}

/** Doses of a course that were given: of the one that began on this visit, or of the one the tank is under. */
function dosesOfCourse({ state, facts, on }: DoneVisit): Use[] {
  const course = state.treated ? courseOf(state.treated.remedy, on, state.treated.litres) : facts.treatment;
  const doses = course?.doses ?? [];
  return Object.keys(state.ticked).flatMap((step): Use[] => {
    const dose = doses[Number(DOSED.exec(step)?.[1] ?? 0) - 1];
    return dose && course ? [{ name: course.name, unit: dose.unit, amount: dose.amount }] : [];
  });
}

/** A use on a day to come. */
export interface DatedUse extends Use {
  readonly on: string;
}

/** A job that uses something up: how much of it, when it comes next, and how often. */
export interface JobUse {
  readonly name: string;
  readonly amount: number;
  readonly dueOn: string;
  readonly everyDays: number;
}

/** What a tank takes: on each visit, on days of their own, and with jobs that do not come with each visit. */
export interface TankNeeds {
  readonly each: readonly Use[];
  readonly dated: readonly DatedUse[];
  readonly jobs: readonly JobUse[];
}

/**
 * What a tank takes on its coming visits, by the plan of its next one. The water and the tests of that are taken to be those of each; a
 * correction is made once, and jobs come in their own rhythm.
 */
export function tankNeeds(plan: VisitPlan, input: PlanInput): TankNeeds {
  const { poured, topUp } = ofWater(input, plan);
  const planned = plan.steps.flatMap(usedUp);
  const jobs = programmeOn(input, true).filter((t) => performerOf(t) === "technician" && !isWaiting(t));
  return {
    each: [...poured, ...topUp, ...plannedTests(plan, input)],
    dated: [
      ...corrected(plan).map((u) => ({ ...u, on: plan.on })),
      ...courseDoses(input.facts).filter((d) => d.on >= plan.on),
    ],
    jobs: jobs.flatMap((task) =>
      jobOf(task).uses.map((name) => ({
        name,
        amount: planned.find((u) => u.name === name)?.amount ?? 1,
        dueOn: dueOn(task),
        everyDays: task.everyDays,
      })),
    ),
  };
}

/**
 * The same, laid on the days of its visits.
 *
 * @param visits Civil days, ascending.
 */
export function comingUses({ each, dated, jobs }: TankNeeds, visits: readonly string[]): DatedUse[] {
  const uses = [
    ...dated.filter((u) => u.on <= (visits.at(-1) ?? "")),
    ...visits.flatMap((on) => each.map((u) => ({ ...u, on }))),
  ];
  for (const { name, amount, dueOn: first, everyDays } of jobs) {
    let last: string | null = null;
    for (const on of visits) {
      const comes: boolean = last === null ? on >= first : daysBetween(last, on) >= everyDays;
      if (!comes) continue;
      uses.push({ name, unit: "times", amount, on });
      last = on;
    }
  }
  return uses;
}

/** How much of an item a use takes, in the item's unit; null where it is counted in another. */
export function amountOf(use: Pick<Use, "amount" | "unit">, item: Pick<StoreItem, "unit" | "perUse">): number | null {
  if (use.unit === "times") return use.amount * item.perUse;
  return use.unit === item.unit ? use.amount : null;
}
