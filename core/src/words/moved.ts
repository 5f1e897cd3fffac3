import { daysWords, type MergePlacement, type MergePlan, type RestLimit } from "../programme/index.ts";
import { type Message, m, say, type Value } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { METRIC } from "../units/index.ts";

const day = (on: string): Value => ({ day: on });

/**
 * Why a job does not ride with the visit nearest its day, in a sentence; null where it does.
 *
 * @param nameOf What a job is called, by its id.
 */
export function movedSentence(placement: MergePlacement, nameOf: (id: string) => string): string | null {
  const { cause, also, on, lateDays, taskId } = placement;
  if (!cause) return null;
  const told = { job: nameOf(taskId), day: day(on), late: Math.max(0, lateDays) };
  if (cause.code === "pinned") return say(m("moved.pinned", told), METRIC);
  const because = [cause, ...also].map((c) => say(causeOf(c, placement, nameOf), METRIC)).join("; and ");
  return say(m("moved.because", { ...told, because }), METRIC);
}

function causeOf(
  cause: NonNullable<MergePlacement["cause"]>,
  { nearestOn }: MergePlacement,
  nameOf: (id: string) => string,
): Message {
  switch (cause.code) {
    case "full":
      return m("moved.full", { day: day(cause.on), minutes: { figure: cause.overMinutes, decimals: 0 } });
    case "biological-rest":
    case "not-together":
      return m(`moved.${cause.code}`, { job: inSentence(nameOf(cause.taskId)), day: day(cause.on) });
    case "treatment":
      return m("moved.treatment", { day: day(cause.until) });
    case "half-apart":
      return m("moved.half-apart", { day: day(cause.on) });
    case "pinned":
      return m("moved.where-put");
    case "no-visit-in-window":
      return m("moved.no-visit-in-window", { day: day(nearestOn) });
  }
}

/** A rule that a plan does not keep, in a sentence. */
export function brokenSentence(broken: MergePlan["broken"][number], nameOf: (id: string) => string): string {
  const { rule, taskId, on, otherId, otherOn } = broken;
  const told = { job: nameOf(taskId), day: day(on), other: inSentence(nameOf(otherId)) };
  return say(
    rule === "biological-rest"
      ? m("broken.biological-rest", { ...told, otherDay: day(otherOn) })
      : m("broken.not-together", told),
    METRIC,
  );
}

/** How far the four weeks can be kept where units are set to come too often, and what the plan does about it. */
export function limitWords({ units, leastEveryDays, setEveryDays }: RestLimit, strict: boolean): string {
  const told = { units: { all: units }, least: daysWords(leastEveryDays), set: daysWords(setEveryDays) };
  return say(m(strict ? "rest.strict" : "rest.advice", told), METRIC);
}
