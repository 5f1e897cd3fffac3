import { cautiousMinutes, tasksFor } from "../programme/index.ts";
import { isSalt, schooled } from "../tank/index.ts";
import type { PlanInput } from "./inputs.ts";
import { orderSteps } from "./order.ts";
import { programmeOn } from "./programmeOn.ts";
import { rulesFor } from "./rules.ts";
import { buildSteps, type Step } from "./steps.ts";
import { timelineOf } from "./timeline.ts";
import { mayWait } from "./trimOf.ts";
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
  /** The middle of what it takes, and what eight visits in ten keep to. */
  readonly minutes: number;
  readonly cautiousMinutes: number;
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
  const tasks = programmeOn(input, water.litres.value > 0);
  const { due, held } = tasksFor(
    tasks,
    {
      on: input.on,
      nextOn: input.nextVisitOn,
      treatmentUntil: book.treatment && input.on < book.treatment.followUpOn ? book.treatment.followUpOn : undefined,
      drifting: !mayWait(input),
      overridden: input.overridden,
    },
    book,
  );
  const steps = orderSteps(
    buildSteps(input, water, due, held),
    rulesFor(
      book.schools,
      due.map((d) => d.task),
    ),
  );
  const kit = [...new Set([...ALWAYS_CARRIED, ...steps.flatMap((s) => s.kit)])].sort();
  const { minutes } = timelineOf(steps);
  return {
    tankId: book.id,
    on: input.on,
    steps,
    water,
    kit,
    minutes,
    cautiousMinutes: cautiousMinutes(steps, minutes),
    load: loadOf(input, water),
  };
}

/** Of a visit's kit, what a van does not carry anyway: by its name, without how much or how long. */
export function missingIn(kit: readonly string[], van: readonly string[]): string[] {
  const plain = (text: string) => (text.split(",")[0] ?? "").trim().toLowerCase();
  const carried = new Set(van.map(plain));
  return kit.filter((k) => !carried.has(plain(k)));
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
