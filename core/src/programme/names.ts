import type { TankFacts } from "../tank/index.ts";
import { biologyLeft, unitOf } from "./biology.ts";
import { libraryJob } from "./library/index.ts";
import { jobOf, type TankTask } from "./task.ts";

/** Halves of a unit that is the only one: one is cleaned, the other carries the tank. */
export const HALVES = 2;

type Named = Pick<TankFacts, "filterUnits" | "display" | "sump" | "kind" | "targetPsu">;

/** Whether a job opens the only unit of bacteria, so that it is half-cleaned. */
export function halfCleaned(task: Pick<TankTask, "code" | "job">, facts: Named): boolean {
  const unit = unitOf(task);
  return unit !== null && biologyLeft(facts, unit).single;
}

/** What a job was, once it is done, as it follows "I"; null for a job that a firm named itself and told no such words of. */
export function taskDone(task: Pick<TankTask, "code" | "job">, facts: Named): string | null {
  const job = jobOf(task);
  const library = libraryJob(task.code);
  const done = job.done ?? (library?.name === job.name ? library.done : undefined);
  const unit = unitOf(task);
  if (done === undefined) return null;
  if (unit === null || !/^Service filter/.test(job.name)) return done;
  const { unit: name, single } = biologyLeft(facts, unit);
  return single ? `cleaned half of the ${name}` : `serviced the ${name}`;
}

/** What a job is called on a tank: a service by the name of the unit it opens. */
export function taskName(task: Pick<TankTask, "code" | "job">, facts: Named): string {
  const job = jobOf(task);
  const unit = unitOf(task);
  // What says itself why it came keeps its name.
  if (unit === null || !/^Service filter/.test(job.name)) return job.name;
  const { unit: name, single } = biologyLeft(facts, unit);
  return single ? `Clean half of the ${name}` : `Service the ${name}`;
}
