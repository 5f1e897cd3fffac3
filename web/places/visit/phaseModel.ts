import { type SaidStep, testOf } from "@keel-round/core/steps";
import { gearName } from "@keel-round/core/tank";
import type { VisitState } from "@keel-round/core/visit";

/** Whether a step has its tick, or its reason for having none. A job that a rule keeps from the visit is only said. */
export const isSettled = ({ ticked, skipped }: VisitState, { id, held }: SaidStep): boolean =>
  held !== undefined || ticked[id] !== undefined || skipped[id] !== undefined;

const notes = (step: SaidStep, what: "level" | "count" | "photo") =>
  step.enters?.some((e) => "noted" in e && e.noted === what) === true;

/** Whether a step asks how far the water stands below its fill line. */
export const readsLevel = (step: SaidStep): boolean => notes(step, "level");

/** Whether a step goes on by itself once the hands have left it. */
export const goesOnAlone = (step: SaidStep): boolean =>
  step.aloneMinutes !== undefined || step.runsItself === true || step.runsWater === true;

/** Which way a switch is turned. */
export type Turn = "on" | "off";

/** Of each turn: what the log says of a thing that needs nothing more. */
export const SETTLED: Record<Turn, readonly string[]> = { on: ["on", "left-off", "left-on"], off: ["off", "left-on"] };

/** What a step waits for before it may be ticked, as a sentence that says what to do; null where it waits for nothing. */
export function waitsFor(
  step: SaidStep,
  { readings, litres, doses, gear, counts, findings, photos, belowMarkCm }: VisitState,
): string | null {
  const test = testOf(step);
  if (test && !readings.some((r) => r.parameter === test))
    return "Enter a reading first, or say that it was not measured.";
  const uncounted = step.enters?.some((e) => "litres" in e && e.needed && litres?.[e.litres] == null);
  const ungiven = step.enters?.some((e) => "dose" in e && e.needed && !doses.some((d) => d.parameter === e.dose));
  if (uncounted || ungiven) return "Enter what you counted, or tap the planned amount.";
  if (belowMarkCm === null && readsLevel(step))
    return "Enter how far the water stands below its line, or say that it was not measured.";
  if (notes(step, "photo") && !photos.some((p) => p.spot.kind === "tank"))
    return "Take the picture, or say why there is none.";
  // Whoever only looked has not counted.
  if (counts.length === 0 && notes(step, "count")) return "Enter a count, or say why nobody counted.";
  const unanswered = step.enters?.some(
    (e) => "settles" in e && !findings.some((f) => f.id === e.settles && f.outcome !== null),
  );
  if (unanswered) return "Say what became of it: fixed, for the owner, or put off.";
  const open = step.confirms?.on?.filter((g) => !SETTLED.on.includes(gear[g]?.state ?? "")) ?? [];
  return open.length > 0 ? `Switch on ${open.map(gearName).join(", ")}, or say why it stays off.` : null;
}

/** Whether a step drains to a line while a heater that should be off is still on: it may only meet air when it has cooled. */
export const heaterStillOn = (step: SaidStep, steps: readonly SaidStep[], { gear }: VisitState): boolean =>
  step.figure === "mark" && steps.some((s) => s.confirms?.off?.includes("heater")) && gear.heater?.state !== "off";

/** What holds a whole phase back: litres that were poured and switches. A reading, a count, a picture may stay empty until the end. */
const holdsPhase = (step: SaidStep): boolean =>
  step.enters?.some((e) => "litres" in e || "dose" in e) === true || step.confirms?.on !== undefined;

/** What of a phase is open: steps that can simply be ticked, and those that wait for a figure or a switch. */
export function openIn(steps: readonly SaidStep[], state: VisitState) {
  const open = steps.filter((s) => !isSettled(state, s));
  return {
    plain: open.filter((s) => waitsFor(s, state) === null),
    waiting: open.filter((s) => waitsFor(s, state) !== null && holdsPhase(s)),
    /** Stays empty if nobody enters it: it is asked for again at the end. */
    empty: open.filter((s) => waitsFor(s, state) !== null && !holdsPhase(s)),
  };
}

/** Whether a step shows what it is about at once: it has a figure to work by or a field to fill in. */
export const isOpenAtOnce = (step: SaidStep): boolean =>
  step.figure !== undefined ||
  step.confirms?.on !== undefined ||
  (step.enters ?? []).some((e) => !("noted" in e) || e.noted !== "dirt");
