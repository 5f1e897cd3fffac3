import { type Correction, correctionsOn, type WaterPlan, waterOn } from "../change/index.ts";
import { followsChange, jobsOn, type PlanInput, tankOnDay, withBed } from "../given/index.ts";
import { cautiousMinutes, type KitItem } from "../programme/index.ts";
import { buildSteps, orderSteps, rulesFor, type Step, timelineOf } from "../steps/index.ts";

/** What a visit puts on the van and takes away, litres. */
export interface VisitLoad {
  readonly mixL: number;
  readonly seaL: number;
  readonly purifiedL: number;
  readonly wasteL: number;
}

/** One tank's visit, planned. */
export interface VisitPlan {
  readonly tankId: string;
  readonly on: string;
  readonly steps: readonly Step[];
  readonly water: WaterPlan;
  /** What is put right by doses, and what is not and why; missing in what an earlier version kept. */
  readonly corrections?: readonly Correction[];
  /** What to load in the morning and to check back in before leaving. */
  readonly kit: readonly KitItem[];
  /** The middle of what it takes, and what eight visits in ten keep to. */
  readonly minutes: number;
  readonly cautiousMinutes: number;
  readonly load: VisitLoad;
}

/** Any visit needs these. */
const ALWAYS_CARRIED: readonly KitItem[] = [{ item: "towels" }, { item: "thermometer" }, { item: "log" }];

/**
 * Plans one visit: due tasks in the right order with minutes and reasons, the water change, the kit and the load.
 *
 * Pure and cheap: it runs on the server for the day's bundle and on the phone whenever a reading changes the plan.
 *
 * @throws {OutOfRangeError} for a tank without volume.
 * @throws {OrderCycleError} if rules contradict each other.
 */
export function planVisit(given: PlanInput): VisitPlan {
  const found = tankOnDay(given);
  const { input, facts } = found;
  const withChange = jobsOn(found, true);
  const water = waterOn(withBed(found, withChange.due));
  const corrections = correctionsOn(found, water);
  const changing = water.litres.value > 0;
  const { due, held } = changing || !followsChange(input) ? withChange : jobsOn(found, false);
  const steps = orderSteps(
    buildSteps(input, water, due, held, corrections),
    rulesFor(
      facts.practice,
      due.map((d) => d.task),
      water.exposed.length > 0,
    ),
  );
  const { minutes } = timelineOf(steps);
  return {
    tankId: facts.id,
    on: input.on,
    steps,
    water,
    ...(corrections.length > 0 ? { corrections } : {}),
    kit: kitOf(steps),
    minutes,
    cautiousMinutes: cautiousMinutes(steps, minutes),
    load: loadOf(input, water),
  };
}

/** Everything that the steps ask for, each thing once. */
function kitOf(steps: readonly Step[]): KitItem[] {
  const once = new Map<string, KitItem>();
  for (const kit of [ALWAYS_CARRIED, ...steps.map((s) => s.kit)])
    for (const thing of kit) once.set(thing.amount === undefined ? thing.item : JSON.stringify(thing), thing);
  return [...once.values()];
}

/** Of a visit's kit, what a van does not carry anyway: by its name, without how much or how long. */
export function missingIn(kit: readonly string[], van: readonly string[]): string[] {
  const plain = (text: string) => (text.split(",")[0] ?? "").trim().toLowerCase();
  const carried = new Set(van.map(plain));
  return kit.filter((k) => !carried.has(plain(k)));
}

function loadOf(input: PlanInput, water: WaterPlan): VisitLoad {
  const { source, topUpSource, facts } = input;
  const poured = water.pourL?.value ?? 0;
  // What a machine changes until the next visit is brought as well.
  const brought = source.atSite ? 0 : poured + (water.auto?.fillL ?? 0);
  const reservoirL = facts.topUp === "reservoir" ? facts.evaporationLPerDay * DAYS_TO_CARRY : 0;
  const topUpL = fromVan(topUpSource) ? (water.freshL?.value ?? 0) + reservoirL : 0;
  return {
    // Salt that is stirred in on site leaves the water at home.
    mixL: source.kind === "mix" && facts.practice.saltAge !== "when-clear" ? brought : 0,
    seaL: source.kind === "natural-sea" ? brought : 0,
    purifiedL: (source.kind === "purified" || source.kind === "remineralised" ? brought : 0) + topUpL,
    wasteL: water.wasteL,
  };
}

/** A reservoir is filled for so many days. */
const DAYS_TO_CARRY = 7;

/** A tap is at the site, and so is what a site makes for itself; any other water is brought. */
const fromVan = ({ kind, atSite }: PlanInput["source"]): boolean =>
  kind !== "tap" && kind !== "tap-minerals" && !atSite;
