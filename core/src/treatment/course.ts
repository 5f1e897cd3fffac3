import { addDays } from "../calendar/civil.ts";
import { type Message, m, type Value } from "../say/index.ts";
import { gearName, type TankFacts, type Treatment } from "../tank/index.ts";
import { harmedBy, poisonsInvertebrates, type Remedy, remedyAmount } from "./remedy.ts";

/** What stands in the way of a course; none of it can be overruled here. */
export interface Refused {
  readonly ok: false;
  readonly reasons: readonly Message[];
}

/** A course that may begin: what it will be, and what to mind. */
export interface Allowed {
  readonly ok: true;
  readonly course: Treatment;
  readonly cares: readonly Message[];
}

/** What a tank is before a course begins. */
export interface Before {
  readonly facts: TankFacts;
  readonly on: string;
  /** In the tank as it stands, L. */
  readonly litresNow: number;
}

/**
 * A course of a remedy from a day on: its doses for the litres that stand in the tank, what is off and out until when, and when it
 * is followed up.
 */
export function courseOf(remedy: Remedy, on: string, litresNow: number): Treatment {
  const lastDoseOn = addDays(on, (remedy.doses - 1) * remedy.everyDays);
  const contactDays = (remedy.doses - 1) * remedy.everyDays + remedy.contactDays;
  const overOn = addDays(on, contactDays);
  const amount = remedyAmount(remedy, litresNow);
  return {
    name: remedy.name,
    startedOn: on,
    contactDays,
    followUpOn: addDays(overOn, remedy.followUpDays),
    group: remedy.group,
    litres: litresNow,
    doses: amount === null ? [] : dosesOf(remedy, on, amount),
    off: [...remedy.off],
    carbonOut: remedy.carbonOut,
    backOn: remedy.contactMinutes === null ? overOn : lastDoseOn,
    changeShare: remedy.changeShare,
    ...(remedy.contactMinutes === null ? {} : { contactMinutes: remedy.contactMinutes }),
  };
}

const dosesOf = ({ doses, everyDays, unit }: Remedy, on: string, amount: number): NonNullable<Treatment["doses"]> =>
  Array.from({ length: doses }, (_, i) => ({ on: addDays(on, i * everyDays), amount, unit }));

/** Whether a course of a remedy may begin in a tank today, with what stands in the way, by name. */
export function mayBegin(remedy: Remedy, before: Before): Refused | Allowed {
  const { facts, on, litresNow } = before;
  const reasons = [...standing(remedy, before)];
  const harmed = harmedBy(remedy, facts);
  if (harmed.length > 0) reasons.push(m("treat.harms", { name: remedy.name, animals: { all: harmed } }));
  else if (poisonsInvertebrates(remedy, facts)) reasons.push(m("treat.copper", { name: remedy.name }));
  if (reasons.length > 0) return { ok: false, reasons };
  return {
    ok: true,
    course: courseOf(remedy, on, litresNow),
    cares: [
      ...(facts.animals.length === 0 ? [m("treat.roster")] : []),
      m("treat.change-first"),
      m("treat.air"),
      ...(remedy.group === "oxidiser" ? [m("treat.oxidiser")] : []),
      m("treat.law"),
    ],
  };
}

/** What of the tank and the remedy themselves stands in the way. A tank has one course at a time: two of them may not meet. */
function standing(remedy: Remedy, { facts: { treatment }, on, litresNow }: Before): Message[] {
  const runs = treatment && on <= treatment.followUpOn;
  return [
    ...(remedy.prescription ? [m("treat.prescription", { name: remedy.name })] : []),
    ...(remedy.per100L !== null && litresNow <= 0 ? [m("treat.volume")] : []),
    ...(runs ? [m("treat.running", { name: treatment.name, day: { day: treatment.followUpOn } })] : []),
  ];
}

/** A day of a course with what is done on it. */
export interface CourseDay {
  readonly on: string;
  readonly what: "dose" | "back" | "follow-up";
  readonly says: Message;
}

/** The calendar of a course, in its order. */
export function courseCalendar(course: Treatment): CourseDay[] {
  const { doses = [], name, backOn, followUpOn } = course;
  const days: CourseDay[] = doses.map(({ on, amount, unit }, i) => ({
    ...{ on, what: "dose" as const },
    says: m("treat.dose", {
      ...{ number: i + 1, of: doses.length, name, unit },
      amount: { figure: amount, decimals: amount < 10 ? 1 : 0 },
    }),
  }));
  const back = backMessage(course);
  if (backOn && back) days.push({ on: backOn, what: "back", says: back });
  days.push({ on: followUpOn, what: "follow-up", says: followUpMessage(course) });
  return days.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

/** What is switched on and put back when its time is over; null where nothing was off or out. */
export function backMessage({ off = [], carbonOut }: Treatment): Message | null {
  if (off.length === 0 && !carbonOut) return null;
  return m("treat.back", { things: { all: thingsOf({ off, carbonOut }) } });
}

/** What is off and out during a course. */
export const thingsOf = ({ off = [], carbonOut }: Pick<Treatment, "off" | "carbonOut">): Value[] => [
  ...off.map(gearName),
  ...(carbonOut ? [m("treat.carbon")] : []),
];

function followUpMessage({ name, changeShare }: Treatment): Message {
  return changeShare
    ? m("treat.follow-up.change", { name, percent: Math.round(changeShare * 100) })
    : m("treat.follow-up", { name });
}
