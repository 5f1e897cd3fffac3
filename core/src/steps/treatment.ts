import { addDays } from "../calendar/civil.ts";
import { m } from "../say/index.ts";
import type { Treatment } from "../tank/index.ts";
import { backMessage, thingsOf } from "../treatment/course.ts";
import { type Making, type Step, stepOf, those } from "./step.ts";

/** Steps of a course by their ids: what its log says of it. */
const COURSE_STEPS = { air: "course:air", off: "course:off", back: "course:back" } as const;
const courseDoseStep = (number: number): string => `course:dose:${number}`;

/** What a course of treatment asks for on this visit. A course that an earlier version kept says no more than its days. */
export function courseSteps(making: Making): Step[] {
  const { treatment } = making.input.facts;
  if (!treatment?.doses) return [];
  return [...begins(making, treatment), ...doses(making, treatment), ...ends(making, treatment)];
}

function begins(making: Making, course: Treatment): Step[] {
  const { on } = making.input;
  if (on !== course.startedOn) return [];
  const things = thingsOf(course);
  const until = { day: { day: course.backOn ?? addDays(on, course.contactDays) } };
  return [
    stepOf(making, COURSE_STEPS.air, "look", 23.1, 1, {
      title: m("treat.air.title", { name: course.name }),
      reason: [m("treat.air.why")],
      kit: [{ item: "air pump and stone" }],
    }),
    ...(things.length > 0
      ? [
          stepOf(making, COURSE_STEPS.off, "dose", 168, 4, {
            title: m("treat.off", { name: course.name, things: { all: things } }),
            reason: [m("treat.off.why", until)],
          }),
        ]
      : []),
  ];
}

/** Doses that are due: one that no visit came for is given on the next. */
function doses(making: Making, course: Treatment): Step[] {
  const { on, lastVisitOn } = making.input;
  const all = course.doses ?? [];
  return all.flatMap((dose, i): Step[] => {
    const missed = dose.on < on && (lastVisitOn === null || dose.on > lastVisitOn) && on <= course.followUpOn;
    if (dose.on !== on && !missed) return [];
    const { amount, unit } = dose;
    const figure = { figure: amount, decimals: amount < 10 ? 1 : 0 };
    const said = { number: i + 1, of: all.length, amount: figure, unit, name: course.name };
    return [
      stepOf(making, courseDoseStep(i + 1), "dose", 169 + i / 100, 3, {
        title: m("treat.dose.for", { ...said, litres: { litres: course.litres ?? 0 } }),
        reason: [m("treat.dose.why")],
        kit: [{ item: course.name, amount: `${Number(amount.toFixed(1))} ${unit}` }],
        caution: those(course.group === "oxidiser" && m("treat.oxidiser"), m("treat.law")),
        ...(course.contactMinutes ? { aloneMinutes: course.contactMinutes, until: ["verify"] } : {}),
      }),
    ];
  });
}

/** What was off and out comes back on the first visit after its time is over. */
function ends(making: Making, course: Treatment): Step[] {
  const { on, lastVisitOn } = making.input;
  const { backOn } = course;
  const back = backMessage(course);
  if (!back || !backOn || on < backOn || (lastVisitOn !== null && lastVisitOn >= backOn)) return [];
  // After a bath or on spots it comes back on the same visit, once that has worked; else fresh media comes before all else.
  const sameDay = course.doses?.some((d) => d.on === on) ?? false;
  if (sameDay && course.contactMinutes === undefined) return [];
  return [
    stepOf(making, COURSE_STEPS.back, sameDay ? "verify" : "media", sameDay ? 193 : 167, 4, {
      title: back,
      reason: [m("treat.back.why", { name: course.name })],
      ...(course.carbonOut ? { kit: [{ item: "rinsed carbon", used: true as const }] } : {}),
    }),
  ];
}
