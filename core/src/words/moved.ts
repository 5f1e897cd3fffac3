import { sayDay } from "../calendar/index.ts";
import { daysWords, type MergePlacement, type MergePlan, type RestLimit } from "../programme/index.ts";
import { inSentence } from "../text/index.ts";
import { figure } from "../units/index.ts";

/**
 * Why a job does not ride with the visit nearest its day, in a sentence; null where it does.
 *
 * @param nameOf What a job is called, by its id.
 */
export function movedSentence(placement: MergePlacement, nameOf: (id: string) => string): string | null {
  const { cause, also, on, lateDays, taskId } = placement;
  if (!cause) return null;
  const late = lateDays > 0 ? `, ${lateDays} ${lateDays === 1 ? "day" : "days"} after its window` : "";
  const because = [cause, ...also].map((c) => causeWords(c, placement, nameOf));
  const moved = `${nameOf(taskId)} on ${sayDay(on)}${late}`;
  return cause.code === "pinned" ? `${moved}, ${because[0]}.` : `${moved}: ${because.join("; and ")}.`;
}

function causeWords(
  cause: NonNullable<MergePlacement["cause"]>,
  { nearestOn }: MergePlacement,
  nameOf: (id: string) => string,
): string {
  switch (cause.code) {
    case "full":
      return `${sayDay(cause.on)} is full, by ${figure(cause.overMinutes, 0)} min with it`;
    case "biological-rest":
      return `${inSentence(nameOf(cause.taskId))} on ${sayDay(cause.on)} needs four weeks of rest around it`;
    case "not-together":
      return `not together with ${inSentence(nameOf(cause.taskId))} on ${sayDay(cause.on)}`;
    case "treatment":
      return `a medication is in the water until ${sayDay(cause.until)}`;
    case "half-apart":
      return `${sayDay(cause.on)} is too near another turn of it`;
    case "pinned":
      return "where somebody put it";
    case "no-visit-in-window":
      return `no visit falls inside its window; the nearest would be ${sayDay(nearestOn)}`;
  }
}

/** A rule that a plan does not keep, in a sentence. */
export function brokenSentence(broken: MergePlan["broken"][number], nameOf: (id: string) => string): string {
  const { rule, taskId, on, otherId, otherOn } = broken;
  const [a, b] = [nameOf(taskId), inSentence(nameOf(otherId))];
  return rule === "biological-rest"
    ? `${a} on ${sayDay(on)} and ${b} on ${sayDay(otherOn)} lie less than four weeks apart.`
    : `${a} and ${b} do not belong on one visit, ${sayDay(on)}.`;
}

/** How far the four weeks can be kept where units are set to come too often, and what the plan does about it. */
export function limitWords({ units, leastEveryDays, setEveryDays }: RestLimit, strict: boolean): string {
  const then = strict
    ? "The plan keeps the rule, and they come later than set."
    : "The plan keeps them, and they come later than set; enough else is left alone here for you to decide otherwise on site.";
  return `Four weeks between ${units.join(" and ")} can only be kept if each comes every ${daysWords(leastEveryDays)} or less often; one is set to every ${daysWords(setEveryDays)}. ${then}`;
}
