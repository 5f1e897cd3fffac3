import { tasksFor } from "../programme/index.ts";
import { isSalt, schooled } from "../tank/index.ts";
import type { PlanInput } from "./inputs.ts";
import { orderSteps } from "./order.ts";
import { rulesFor } from "./rules.ts";
import { schoolTasks } from "./schoolTasks.ts";
import { buildSteps, type Step } from "./steps.ts";
import { planWater } from "./water.ts";
import type { WaterPlan } from "./waterPlan.ts";

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
  /** What to load in the morning and to check back in before leaving. */
  readonly kit: readonly string[];
  readonly minutes: number;
  readonly load: VisitLoad;
}

/** Any visit needs these. */
const ALWAYS_CARRIED = ["towels", "thermometer", "log"];

/**
 * Plans one visit: due tasks in the right order with minutes and reasons, the water change, the kit and the load.
 *
 * Pure and cheap: it runs on the server for the day's bundle and on the phone whenever a reading changes the plan.
 *
 * @throws {OutOfRangeError} for a tank without volume.
 * @throws {OrderCycleError} if rules contradict each other.
 */
export function planVisit(given: PlanInput): VisitPlan {
  const input = { ...given, book: schooled(given.book) };
  const { book } = input;
  const water = planWater(input);
  const treatmentUntil = book.treatment && input.on < book.treatment.followUpOn ? book.treatment.followUpOn : undefined;
  const { due, held } = tasksFor(
    schoolTasks(input, water.litres.value > 0),
    input.on,
    input.nextVisitOn,
    treatmentUntil,
  );
  const steps = orderSteps(buildSteps(input, water, due, held), rulesFor(book.schools));
  const kit = [...new Set([...ALWAYS_CARRIED, ...steps.flatMap((s) => s.kit)])].sort();
  return {
    tankId: book.id,
    on: input.on,
    steps,
    water,
    kit,
    minutes: minutesOnSite(steps),
    load: loadOf(input, water),
  };
}

/** One pair of hands: while the water runs out by itself, the bed is vacuumed and the hardware washed in it. */
function minutesOnSite(steps: readonly Step[]): number {
  const running = steps.filter((s) => s.runsItself).reduce((sum, s) => sum + s.minutes, 0);
  const meanwhile = steps
    .filter((s) => !s.runsItself && (s.phase === "drain" || s.phase === "hardware"))
    .reduce((sum, s) => sum + s.minutes, 0);
  const all = steps.reduce((sum, s) => sum + s.minutes, 0);
  return all - Math.min(running, meanwhile);
}

function loadOf(input: PlanInput, water: WaterPlan): VisitLoad {
  const { source, book } = input;
  const litres = water.litres.value;
  const fresh = water.freshL?.value ?? 0;
  const saltL = water.saltWaterL?.value ?? 0;
  const topUp = book.topUp === "reservoir" ? book.evaporationLPerDay * 7 : 0;
  return {
    mixL: source.kind === "mix" ? saltL : 0,
    seaL: source.kind === "natural-sea" ? saltL : 0,
    purifiedL:
      (source.kind === "purified" || source.kind === "remineralised" ? litres : 0) + (isSalt(book) ? fresh : 0) + topUp,
    wasteL: water.wasteL,
  };
}
