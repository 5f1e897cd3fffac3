import { isSalt, systemVolumeL, type TankFacts } from "../tank/index.ts";
import { rockKgOf } from "../vessel/index.ts";
import { jobOf, type TankTask } from "./task.ts";

/** What is left undisturbed while a unit of bacteria is opened, and how strictly the rest of four weeks is kept. */
export interface BiologyLeft {
  readonly unit: string;
  readonly left: readonly string[];
  /** Both hold a service back; what is only advice a person may put aside for any reason. */
  readonly strict: boolean;
  /** Nothing else that is serviced holds bacteria: it is half-cleaned. */
  readonly single: boolean;
}

/** Dry rock, kg per litre of the system: some of it, and so much that it carries the tank. */
const SOME_ROCK = 0.05;
const MUCH_ROCK = 0.15;
/** A bed of less holds too little. */
const LIVE_BED_M = 0.03;
/** With this much left alone the four weeks are advice. */
const PLENTY = 4;
const PLANTED: readonly TankFacts["kind"][] = ["planted", "planted-low"];

/** Names of the tank's units of bacteria, in its own order. Floss and socks hold none. */
const biologicalUnits = (facts: Pick<TankFacts, "filterUnits">): string[] =>
  facts.filterUnits.filter((u) => u.biological && u.kind !== "mechanical").map((u) => u.name);

/**
 * What stays undisturbed while one unit is opened: the other units, live rock, a living bed, dense planting.
 *
 * The fewer and smaller it is, the stricter the rule.
 *
 * @param unit Position of the unit among the tank's units of bacteria, from 0.
 */
export function biologyLeft(
  facts: Pick<TankFacts, "filterUnits" | "display" | "sump" | "kind" | "targetPsu">,
  unit: number,
): BiologyLeft {
  const units = biologicalUnits(facts);
  const others = units.filter((_, i) => i !== unit);
  const { substrate, substrateDepthM } = facts.display;
  const rock = rockKgOf(facts.display) / systemVolumeL(facts);
  const bed = substrate !== "bare" && substrateDepthM >= LIVE_BED_M;
  const planted = PLANTED.includes(facts.kind);
  const left = [
    ...others,
    ...(rock >= SOME_ROCK ? [isSalt(facts) ? "live rock" : "rock"] : []),
    ...(bed ? ["the bed"] : []),
    ...(planted ? ["plants"] : []),
  ];
  const weight =
    others.length + (rock >= MUCH_ROCK ? 2 : rock >= SOME_ROCK ? 1 : 0) + (bed ? 1 : 0) + (planted ? 1 : 0);
  return { unit: units[unit] ?? "filter", left, strict: weight < PLENTY, single: units.length <= 1 };
}

/** The unit a task opens; null where it opens none. */
export const unitOf = (task: Pick<TankTask, "code" | "job">): number | null => jobOf(task).unit ?? null;
