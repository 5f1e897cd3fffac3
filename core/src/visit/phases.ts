import { m, say } from "../say/index.ts";
import type { Step } from "../steps/index.ts";
import { METRIC } from "../units/index.ts";

/** The parts of a visit, in their usual order: each is one screen. */
const VISIT_PHASES = ["arrive", "measure", "prepare", "above", "drain", "below", "refill", "on", "leave"] as const;
export type VisitPhase = (typeof VISIT_PHASES)[number];

const PART_OF: Readonly<Record<Step["phase"], VisitPhase>> = {
  arrive: "arrive",
  look: "measure",
  "feed-before": "measure",
  test: "measure",
  prepare: "prepare",
  glass: "above",
  lift: "above",
  "power-down": "drain",
  drain: "drain",
  hardware: "below",
  refill: "refill",
  "power-up": "on",
  media: "on",
  dose: "on",
  "feed-after": "on",
  verify: "leave",
  outside: "leave",
  leave: "leave",
};

/** Steps that are done together. */
export interface PhaseOfVisit<S> {
  /** The phase, with a number where it comes a second time: "refill", "refill 2". */
  readonly id: string;
  readonly phase: VisitPhase;
  readonly title: string;
  readonly steps: readonly S[];
}

/**
 * The phases of a visit: its steps in their order, those of one part together.
 *
 * A part comes twice where the order on site asks for it, as hardware that is washed once the water is back.
 */
export function phasesOf<S extends Pick<Step, "phase">>(steps: readonly S[]): PhaseOfVisit<S>[] {
  const phases: { id: string; phase: VisitPhase; title: string; steps: S[] }[] = [];
  for (const step of steps) {
    const phase = PART_OF[step.phase];
    const last = phases.at(-1);
    if (last?.phase === phase) {
      last.steps.push(step);
      continue;
    }
    const times = 1 + phases.filter((p) => p.phase === phase).length;
    const id = times === 1 ? phase : `${phase} ${times}`;
    phases.push({ id, phase, title: say(m(`phase.${phase}`), METRIC), steps: [step] });
  }
  return phases;
}
