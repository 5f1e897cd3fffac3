import type { TankFacts } from "../tank/index.ts";
import { biologyLeft, unitOf } from "./biology.ts";
import { jobOf, type TankTask } from "./task.ts";

/** What a job is to the rules of what may ride with what. */
export type Nature = "media" | "only-filter" | "deep-clean" | "medication";

/** Why a job may not come where another one does. */
export const RULES_TOGETHER = ["biological-rest", "not-together"] as const;
export type RuleTogether = (typeof RULES_TOGETHER)[number];

/** Two services of bacteria on one tank stay this many civil days apart. General practice: a filter grows back in four weeks. */
export const BIOLOGICAL_REST_DAYS = 28;

const DIRTIES: readonly (Nature | undefined)[] = ["deep-clean", "medication"];
const TENDER: readonly (Nature | undefined)[] = ["media", "only-filter"];

/** What never comes on one visit: fresh media or the only filter with a deep clean or a medication. */
export const neverTogether = (a: Nature | undefined, b: Nature | undefined): boolean =>
  (TENDER.includes(a) && DIRTIES.includes(b)) || (DIRTIES.includes(a) && TENDER.includes(b));

/** Whether two jobs open two different units of bacteria, so that they rest four weeks from each other. */
export const restApart = <Unit>(a: Unit | null | undefined, b: Unit | null | undefined): boolean =>
  a !== null && a !== undefined && b !== null && b !== undefined && a !== b;

/** Doses beside a remedy muddle its effect. */
const POURED: readonly string[] = ["trace", "fertiliser"];

/** Whether a job waits for a remedy in the water: it would take it up, muddle it, bring acid to it, or disturb animals that suffer already. */
export const waitsForRemedy = (
  task: Pick<TankTask, "code" | "job">,
  unit: number | null,
  nature: Nature | undefined,
): boolean =>
  unit !== null ||
  nature !== undefined ||
  POURED.includes(task.code) ||
  (jobOf(task).skills?.includes("acid") ?? false);

/** What a job of a tank is to these rules; undefined for one that minds nothing. */
export function natureOf(
  task: Pick<TankTask, "code" | "job">,
  facts: Pick<TankFacts, "filterUnits" | "display" | "sump" | "kind" | "targetPsu">,
): Nature | undefined {
  const { kind } = jobOf(task);
  if (kind) return kind;
  const unit = unitOf(task);
  return unit !== null && biologyLeft(facts, unit).single ? "only-filter" : undefined;
}
