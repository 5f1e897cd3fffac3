import type { SaidStep } from "@keel-round/core/steps";
import type { LiveVisit } from "@/device/useVisit";
import { beforeTheDrain, drains } from "./drainGate";
import { SETTLED } from "./phaseModel";
import { refusalSentence } from "./refusals";

/** Whether the gate of a drain holds its tick back. */
export const isGated = (visit: LiveVisit, step: SaidStep): boolean => drains(step) && beforeTheDrain(visit).length > 0;

/** Ticks a step with what it switches off; answers why not, as a sentence. */
export async function tickStep(visit: LiveVisit, step: SaidStep): Promise<string | null> {
  if (isGated(visit, step)) return "Measure first what today's water depends on, or say that it was not measured.";
  const { gear: known } = await visit.latest();
  for (const gear of step.confirms?.off ?? [])
    if (!SETTLED.off.includes(known[gear]?.state ?? "")) await visit.say({ type: "switch", gear, state: "off" });
  const refusal = await visit.say({ type: "tick", step: step.id });
  return refusal ? refusalSentence(refusal) : null;
}
