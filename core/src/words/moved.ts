import { sayDay } from "../calendar/index.ts";
import type { MergePlacement } from "../programme/index.ts";
import { figure } from "../units/index.ts";

const inSentence = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

/**
 * Why a job does not ride with the visit nearest its day, in a sentence; null where it does.
 *
 * @param nameOf What a job is called, by its id.
 */
export function movedSentence(placement: MergePlacement, nameOf: (id: string) => string): string | null {
  const { cause, on, nearestOn, lateDays, taskId } = placement;
  if (!cause) return null;
  const late = lateDays > 0 ? `, ${lateDays} ${lateDays === 1 ? "day" : "days"} after its window` : "";
  const moved = `${nameOf(taskId)} on ${sayDay(on)}${late}`;
  switch (cause.code) {
    case "full":
      return `${moved}: ${sayDay(cause.on)} is full, by ${figure(cause.overMinutes, 0)} min with it.`;
    case "biological-rest":
      return `${moved}: ${inSentence(nameOf(cause.taskId))} on ${sayDay(cause.on)} needs four weeks of rest around it.`;
    case "not-together":
      return `${moved}: not together with ${inSentence(nameOf(cause.taskId))} on ${sayDay(cause.on)}.`;
    case "half-apart":
      return `${moved}: ${sayDay(cause.on)} is too near another turn of it.`;
    case "pinned":
      return `${moved}, where somebody put it.`;
    case "no-visit-in-window":
      return `${moved}: no visit falls inside its window; the nearest would be ${sayDay(nearestOn)}.`;
  }
}
