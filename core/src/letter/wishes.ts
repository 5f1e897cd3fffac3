import { daysBetween } from "../calendar/civil.ts";
import { dueOn, jobOf, libraryJob, ownerList, performerOf, type TankTask, taskName } from "../programme/index.ts";
import type { Condition, ConditionReason } from "../readings/index.ts";
import { isPlainCode, m, type PlainCode } from "../say/index.ts";
import { isSalt, type TankFacts } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import { courseCalendar } from "../treatment/index.ts";
import { troubleOf } from "../trouble/index.ts";
import type { Parameter } from "../units/index.ts";
import { changedL, type Visited } from "./account.ts";
import type { Saying } from "./wording.ts";

/** An owner reads no more wishes than this. */
const MOST_WISHES = 2;
/** Long jobs are announced so many days before. */
const ANNOUNCED_DAYS = 45;

/** What the owner is asked for, what matters most first. */
export function wishes({ facts, state, plan }: Visited, condition: Condition): Saying[] {
  const asked: Saying[] = [
    ...state.troubles.flatMap(({ trouble }): Saying[] =>
      troubleOf(trouble).owner ? [{ ways: [m(`trouble.${trouble}.owner` as PlainCode)] }] : [],
    ),
    ...restOfDoses({ state, plan }),
  ];
  const { treatment } = facts;
  if (treatment) {
    const said = { name: treatment.name, until: { day: treatment.followUpOn } };
    asked.push({ ways: [m("letter.wish.treatment", said), m("letter.wish.treatment.b", said)] });
  }
  if (reasonsOf(condition).some((r) => "side" in r && r.parameter === "salinity" && r.side === "high"))
    asked.push({ ways: [m("letter.wish.salty"), m("letter.wish.salty.b")] });
  const nitrate = state.readings.findLast((r) => r.parameter === "nitrate");
  const band = facts.bands.find((b) => b.parameter === "nitrate");
  if (facts.practice.feeding === "by-owner") asked.push({ ways: [m("letter.wish.feed"), m("letter.wish.feed.b")] });
  else if (nitrate && band && nitrate.value > band.idealHigh)
    asked.push({ ways: [m("letter.wish.feed-less"), m("letter.wish.feed-less.b")] });
  if (facts.topUp === "owner" && facts.evaporationLPerDay > 0) asked.push(topUp(facts));
  return asked.slice(0, MOST_WISHES);
}

/** What the owner goes on with of a dose that was begun as planned, where they are trusted with it. */
function restOfDoses({ state, plan }: Pick<Visited, "state" | "plan">): Saying[] {
  return (plan.corrections ?? []).flatMap((c): Saying[] => {
    const given = c.ok && state.doses.find((d) => d.parameter === c.parameter && d.product === c.product.id);
    if (!c.ok || !given || given.amount <= 0 || c.restDays === 0 || !c.product.ownerGives) return [];
    const perDay = c.restAmount / c.restDays;
    const amount = m("dose.amount", { amount: { figure: perDay, decimals: perDay < 100 ? 1 : 0 }, unit: c.unit });
    const said = { amount, product: c.product.name, days: c.restDays };
    return [{ ways: [m("letter.wish.dose", said), m("letter.wish.dose.b", said)] }];
  });
}

function topUp(facts: TankFacts): Saying {
  const said = { litres: { litres: facts.evaporationLPerDay }, water: isSalt(facts) ? "salt" : "other" } as const;
  // It is the same every week: who was told it last time knows it.
  return { ways: [m("letter.wish.top-up", said)], optional: true };
}

const reasonsOf = ({ reason, others }: Condition): ConditionReason[] => (reason ? [reason, ...others] : [...others]);

/** The owner's own list, a line a rhythm; told again only where it is another than last time. */
export const ownersList = (tasks: readonly TankTask[]): Saying[] =>
  ownerList(tasks).map(({ when, jobs }) => ({
    ways: [m("letter.list", { when, jobs: { all: jobs.map((j) => inSentence(j.name)) } })],
    optional: true,
  }));

/** What is normal tonight, after a change. */
export function normalTonight(visited: Visited): Saying[] {
  const code = `letter.after.${visited.facts.kind}`;
  if (changedL(visited) <= 0 || !isPlainCode(code)) return [];
  return [{ ways: [m(code)], optional: true }];
}

/** When to call at once: only with cause. */
const POISONS: readonly Parameter[] = ["ammonia", "nitrite", "temperature", "chlorine", "chloramine"];

export function alarm({ state, ...condition }: Condition, facts: TankFacts, phone: string): Saying[] {
  const poisoned = reasonsOf({ state, ...condition }).some(
    (r) => r.code === "free-ammonia" || ("parameter" in r && POISONS.includes(r.parameter) && r.code === "beyond-act"),
  );
  if (!poisoned && !facts.treatment) return [];
  return [{ ways: [m("letter.gasps", { phone }), m("letter.gasps.b", { phone })] }];
}

/** Names of jobs: those of the library say what is done ("soak and brush the pump"), those of a firm may say anything. */
function byWhoNamed(tasks: readonly TankTask[], facts: TankFacts): readonly [ours: string[], own: string[]] {
  const isOurs = (t: TankTask) => libraryJob(t.code)?.name === jobOf(t).name;
  const names = (of: readonly TankTask[]) => of.map((t) => inSentence(taskName(t, facts)));
  return [names(tasks.filter(isOurs)), names(tasks.filter((t) => !isOurs(t)))];
}

/** What comes next for this tank. */
export function ahead({ facts }: Visited, condition: Condition, tasks: readonly TankTask[], on: string): Saying[] {
  const again = [...new Set(reasonsOf(condition).flatMap((r) => ("parameter" in r ? [r.parameter] : [])))];
  // What was put off is told as that.
  const soon = tasks.filter(
    (t) =>
      t.slips === 0 && jobOf(t).long && performerOf(t) === "technician" && daysBetween(on, dueOn(t)) <= ANNOUNCED_DAYS,
  );
  const late = tasks.filter((t) => t.slips > 0);
  const sayings: Saying[] = [];
  if (again.length > 0) {
    const parameters = { parameters: { all: again.map((parameter) => ({ parameter })) } };
    sayings.push({ ways: [m("letter.again", parameters), m("letter.again.b", parameters)] });
  }
  const [lateOurs, lateOwn] = byWhoNamed(late, facts);
  if (lateOurs.length > 0) {
    const jobs = { all: lateOurs };
    sayings.push({ ways: [m("letter.put-off", { count: lateOurs.length, jobs }), m("letter.put-off.b", { jobs })] });
  }
  if (lateOwn.length > 0) sayings.push({ ways: [m("letter.put-off.own", { jobs: { all: lateOwn } })] });
  const [soonOurs, soonOwn] = byWhoNamed(soon, facts);
  if (soonOurs.length > 0) {
    const jobs = { jobs: { all: soonOurs } };
    sayings.push({ ways: [m("letter.soon", jobs), m("letter.soon.b", jobs)], optional: true });
  }
  if (soonOwn.length > 0) sayings.push({ ways: [m("letter.soon.own", { jobs: { all: soonOwn } })], optional: true });
  if (facts.treatment?.doses) {
    const days = courseCalendar(facts.treatment).filter((d) => d.on > on);
    if (days.length > 0)
      sayings.push({
        ways: [
          m("letter.course", {
            days: { all: days.map((d) => m("letter.course.day", { day: { day: d.on }, what: d.says })) },
          }),
        ],
      });
  } else if (facts.treatment)
    sayings.push({
      ways: [m("letter.follow-up", { name: facts.treatment.name, day: { day: facts.treatment.followUpOn } })],
    });
  return sayings;
}
