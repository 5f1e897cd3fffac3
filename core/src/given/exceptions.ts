import { isLibraryTask, libraryTask, type TankTask, type TaskCode } from "../programme/index.ts";
import type { StandingException, TankFacts } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";

/** Jobs that take dirt out of the bed. */
const BED_JOBS: readonly TaskCode[] = ["vacuum-sector", "spot-siphon", "deep-sector", "sand-top"];
/** Jobs that touch rock. */
const ROCK_JOBS: readonly TaskCode[] = ["blow-rock", "brush-rock"];
const PANE_JOBS: readonly TaskCode[] = ["glass-inside"];

/** A pane left alone saves about a quarter of the time at the glass. */
const PANES = 4;

/** The jobs that an exception is about. */
function jobsOf({ kind, job }: StandingException): readonly string[] {
  switch (kind) {
    case "leave-pane":
      return PANE_JOBS;
    case "leave-growth":
      return [...PANE_JOBS, ...ROCK_JOBS];
    case "never-vacuum":
      return BED_JOBS;
    case "leave-rock":
      return [...ROCK_JOBS, ...BED_JOBS];
    case "feed-before":
      return [];
    default:
      return job ? [job] : [];
  }
}

const LEAVES_OUT: readonly StandingException["kind"][] = ["never-vacuum", "leave-job"];

/** The programme without the jobs that a standing exception forbids. */
export function withoutExcepted(tasks: readonly TankTask[], facts: Pick<TankFacts, "exceptions">): TankTask[] {
  const out = (facts.exceptions ?? []).filter((e) => LEAVES_OUT.includes(e.kind)).flatMap(jobsOf);
  return tasks.filter((task) => !out.includes(task.code));
}

/** Whether this tank is fed before the change whatever its way, and why. */
export function fedBefore(facts: Pick<TankFacts, "exceptions">): string | null {
  return facts.exceptions?.find((e) => e.kind === "feed-before")?.what ?? null;
}

/** An exception as a person says it, with the name of its job where it is about one. */
export function exceptionSentence({ kind, what, job }: StandingException): string {
  const which = what.replace(/[.]$/, "");
  const name = job && isLibraryTask(job) ? inSentence(libraryTask(job).name) : "";
  switch (kind) {
    case "leave-pane":
      return `Leave the ${which} alone.`;
    case "leave-growth":
      return `Do not scrape: ${which}.`;
    case "leave-rock":
      return `Do not move or press: ${which}.`;
    case "never-vacuum":
      return `Never vacuum: ${which}.`;
    case "feed-before":
      return `Always fed before the change: ${which}.`;
    case "leave-job":
      return `Never: ${name}; ${which}.`;
    case "say-at-job":
      return `${which}.`;
  }
}

/** What a job's step says and takes under the tank's exceptions. */
export function exceptedStep(
  code: string,
  facts: Pick<TankFacts, "exceptions">,
): { readonly caution: string; readonly minutesFactor: number } {
  const about = (facts.exceptions ?? []).filter((e) => jobsOf(e).includes(code));
  const panes = about.filter((e) => e.kind === "leave-pane").length;
  return {
    caution: about.map(exceptionSentence).join(" "),
    minutesFactor: Math.max(1, PANES - panes) / PANES,
  };
}
