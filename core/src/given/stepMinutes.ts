import { learnFrom } from "../programme/index.ts";
import type { PlanInput } from "./inputs.ts";

/** What a step takes on this tank, by this person, and what that was learnt from. */
export interface StepMinutes {
  readonly minutes: number;
  /** How far that spreads, on a logarithmic scale. */
  readonly spread: number;
  readonly libraryMinutes: number;
  readonly timesLogged: number;
}

/** The minutes of a step by its id; a step of no time stays one. */
export function stepMinutes(
  input: Pick<PlanInput, "loggedMinutes" | "personFactor">,
  id: string,
  libraryMinutes: number,
): StepMinutes {
  const logged = input.loggedMinutes[id] ?? [];
  const learnt = libraryMinutes > 0 ? learnFrom(libraryMinutes, logged) : { minutes: 0, spread: 0 };
  return {
    // Seconds, and a thousandth of a spread: a plan that is kept stays small.
    minutes: Math.round(learnt.minutes * (input.personFactor ?? 1) * 1000) / 1000,
    spread: Math.round(learnt.spread * 1000) / 1000,
    libraryMinutes,
    timesLogged: logged.length,
  };
}
