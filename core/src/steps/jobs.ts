import { daysBetween } from "../calendar/civil.ts";
import { BED_JOBS, exceptedStep, MECHANICAL, mediaToBring, type PlanInput, stepMinutes } from "../given/index.ts";
import {
  biologyLeft,
  type DueTask,
  HALVES,
  type HeldTask,
  halfCleaned,
  type Job,
  jobHere,
  jobOf,
  type KitItem,
  type Phase,
  placeInLibrary,
  type TankTask,
  taskDone,
  taskName,
  unitOf,
} from "../programme/index.ts";
import { type Message, m, told } from "../say/index.ts";
import { inSentence } from "../text/index.ts";
import { type Making, type Step, those } from "./step.ts";

/** A job that is kept from this visit, and why. */
export function heldStep({ input }: Making, held: HeldTask): Step {
  const { task, strict } = held;
  return {
    id: `held:${task.code}`,
    phase: "look",
    number: 28,
    title: m("held.title", { job: inSentence(taskName(task, input.facts)) }),
    ...stepMinutes(input, `held:${task.code}`, 0),
    kit: [],
    reason: whyHeld(input, held),
    held: { code: task.code, strict },
  };
}

function whyHeld(input: PlanInput, { because, until, other, strict }: HeldTask): Message[] {
  const day = { day: until };
  switch (because) {
    case "treatment":
      return [m("held.treatment", { day })];
    case "biological-rest":
      return [m("held.rest", { unit: unitName(input, other), day }), ...(strict ? [] : [m("held.advice")])];
    case "not-together": {
      const by = input.tasks.find((t) => t.code === other);
      return [m("held.together", { other: by ? inSentence(taskName(by, input.facts)) : m("held.another") })];
    }
  }
}

/** The unit of bacteria that another job opened. */
function unitName(input: PlanInput, code: string | undefined): string | Message {
  const task = input.tasks.find((t) => t.code === code);
  const unit = task ? unitOf(task) : null;
  return unit === null ? m("held.filter") : biologyLeft(input.facts, unit).unit;
}

const PHASE_NUMBER: Partial<Record<Phase, number>> = {
  look: 22,
  "feed-before": 31,
  test: 40,
  prepare: 56,
  glass: 70,
  lift: 80,
  drain: 112,
  hardware: 120,
  media: 160,
  dose: 170,
  "feed-after": 189,
  verify: 195,
  outside: 220,
  leave: 240,
};
/** The bed is the first part of the drain: before the rest of it, which is 110. */
const BED_NUMBER = 104;

/** One job of the programme as a step. */
export function jobStep(making: Making, { task, lateDays, against }: DueTask): Step {
  const { input, changing, water } = making;
  const { code } = task;
  const job = jobOf(task);
  const bedDrained = BED_JOBS.includes(code) && changing && water.markOn === "display";
  // Without a drain a hose lifts the dirt through a sock, and the water stays: it has its place with the lifting.
  const lifts = (BED_JOBS.includes(code) && !bedDrained) || (job.phase === "drain" && !changing);
  const phase = lifts ? "lift" : job.phase;
  const sector = sectorOf(task, input);
  const here = jobHere(code, job, {
    facts: input.facts,
    kit: job.kit,
    uses: job.uses,
    sector,
    bedL: bedDrained ? water.bedL : null,
    systemL: water.systemL.value,
    daysToNext: Math.max(1, daysBetween(input.on, input.nextVisitOn)),
    media: MECHANICAL.includes(code) ? mediaToBring(input) : null,
  });
  const excepted = exceptedStep(code, input.facts);
  const alone = here.aloneMinutes ?? job.aloneMinutes ?? 0;
  const caution = those(
    here.caution ?? (job.caution ? wordsOf(task, "caution") : null),
    excepted.caution ? told(excepted.caution) : null,
    ...(against ? againstWords(against, input) : []),
  );
  const kit = (here.kit ?? [...job.kit, ...job.uses].map((item): KitItem => ({ item }))).map((k) =>
    job.uses.includes(k.item) ? { ...k, used: true as const } : k,
  );
  return {
    id: code,
    phase,
    // A soak is begun first: it goes on while the rest is washed.
    number:
      (bedDrained ? BED_NUMBER : (PHASE_NUMBER[phase] ?? 120)) + (alone > 0 ? -1 : 0) + placeInLibrary(code) / 1000,
    title: titleOf(task, input, sector, here.title),
    ...doneOf(task, input, here.done),
    reason: reasonsOf(input, task, lateDays),
    ...stepMinutes(input, code, (job.minutes + (here.moreMinutes ?? 0)) * excepted.minutesFactor),
    kit,
    ...(here.craft ? { craft: here.craft } : {}),
    ...(caution ? { caution } : {}),
    task: code,
    ...recorded(job),
    ...(job.skills ? { skills: job.skills } : {}),
    ...(sector ? { sector } : {}),
    ...(bedDrained ? { figure: "bed" as const } : {}),
    ...(task.slips > 0 ? { slips: task.slips } : {}),
    ...(alone > 0 ? { aloneMinutes: alone, until: changing ? ["power-up"] : ["verify"] } : {}),
  };
}

/** The words of a job: the library's by their place, a firm's own as they are. */
function wordsOf(task: TankTask, its: "name" | "done" | "reason" | "caution"): Message {
  return task.job ? told(task.job[its] ?? "") : { job: task.code, its };
}

/** What is written down of a job. */
function recorded({ result }: Job): Pick<Step, "enters"> {
  if (typeof result === "object") return { enters: [{ reading: result.test, needed: true }] };
  return result === "done" ? {} : { enters: [{ noted: result }] };
}

/** Today's sector of the bed, or today's half of the only filter; whatever came last, the next one. */
function sectorOf(task: TankTask, { facts }: PlanInput): number | undefined {
  if (halfCleaned(task, facts)) return (task.lastSector % HALVES) + 1;
  const rotates = task.code === "vacuum-sector" ? facts.practice.substrate === "sectors" : task.code === "deep-sector";
  return rotates ? (task.lastSector % facts.sectors) + 1 : undefined;
}

function titleOf(task: TankTask, { facts }: PlanInput, sector: number | undefined, own: Message | undefined): Message {
  const job = taskName(task, facts);
  if (sector && halfCleaned(task, facts)) return m("job.half", { job, sector, sectors: HALVES });
  if (own) return own;
  if (sector) return m("job.sector", { job, sector, sectors: facts.sectors });
  return job === jobOf(task).name ? wordsOf(task, "name") : told(job);
}

function doneOf(task: TankTask, { facts }: PlanInput, own: Message | undefined): Pick<Step, "done"> {
  const words = taskDone(task, facts);
  const kept = !task.job && words === jobOf(task).done;
  const done = own ?? (words === null ? null : kept ? wordsOf(task, "done") : told(words));
  return done ? { done } : {};
}

/** Why it is done, why today, and what that means for what is used. */
function reasonsOf(input: PlanInput, task: TankTask, lateDays: number): Message[] {
  const { slips, lastSkipReason, giveDays, calledBy, code } = task;
  const skipped = lastSkipReason
    ? m("job.skipped-why", { times: slips, why: lastSkipReason })
    : m("job.skipped", { times: slips });
  return [
    wordsOf(task, "reason"),
    ...(slips > 0 ? [skipped] : lateDays > giveDays ? [m("job.late", { days: lateDays })] : []),
    ...(calledBy ? [m("job.called", { by: calledBy })] : []),
    ...(MECHANICAL.includes(code) ? shelfWords(input) : []),
  ];
}

/** What the count of clean pieces on the site's shelf comes to. */
function shelfWords(input: PlanInput): Message[] {
  const media = mediaToBring(input);
  if (!media?.washBy) return [];
  const day = { day: media.washBy };
  return [media.onShelf ? m("media.on-shelf", { day }) : m("media.run-out", { day })];
}

/** What is said at a job that does not keep its rule. */
function againstWords({ because, other, until, reason }: NonNullable<DueTask["against"]>, input: PlanInput): Message[] {
  const day = { day: until };
  const rule = {
    "biological-rest": () => m("rule.rest-care", { unit: unitName(input, other), day }),
    treatment: () => m("rule.treatment-care", { day }),
    "not-together": () => m("rule.together-care"),
  }[because];
  return [m("job.against", { why: reason }), rule(), m("rule.unrested")];
}
