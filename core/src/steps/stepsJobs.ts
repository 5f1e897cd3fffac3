import { sayDay } from "../calendar/civil.ts";
import type { PlanInput } from "../given/index.ts";
import { BED_JOBS, exceptedStep, MECHANICAL, mediaToBring, stepMinutes } from "../given/index.ts";
import {
  biologyLeft,
  type DueTask,
  HALVES,
  type HeldTask,
  halfCleaned,
  jobOf,
  type Phase,
  type TankTask,
  taskLibrary,
  taskName,
  UNRESTED_CARE,
  unitOf,
} from "../programme/index.ts";
import type { TankBook } from "../tank/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import { craftOfJob } from "./craft.ts";
import { type Making, type Step, sentences } from "./step.ts";

/** A job that is kept from this visit, and why. */
export function heldStep({ input }: Making, held: HeldTask): Step {
  const { task, because, until, other, strict } = held;
  const by = input.tasks.find((t) => t.code === other);
  const low = by ? lowerFirst(taskName(by, input.book)) : "another job";
  const why = {
    treatment: `A medication is in the water until ${sayDay(until)}; the filter is left alone, and media would take it up.`,
    "biological-rest": `The ${unitName(input, other)} was serviced less than four weeks ago; earliest ${sayDay(until)}.${strict ? "" : " Enough else is left alone here for you to decide otherwise."}`,
    "not-together": `Not on one visit with: ${low}.`,
  }[because];
  return {
    id: `held:${task.code}`,
    phase: "look",
    number: 28,
    title: `Not today: ${lowerFirst(taskName(task, input.book))}`,
    ...stepMinutes(input, `held:${task.code}`, 0),
    kit: [],
    reason: why,
    held: { code: task.code, strict },
  };
}

const lowerFirst = (text: string) => `${text.charAt(0).toLowerCase()}${text.slice(1)}`;

/** The unit of bacteria that another job opened. */
function unitName(input: PlanInput, code: string | undefined): string {
  const task = input.tasks.find((t) => t.code === code);
  const unit = task ? unitOf(task) : null;
  return unit === null ? "other filter" : biologyLeft(input.book, unit).unit;
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

/** One job of the programme as a step. */
export function jobStep(making: Making, { task, lateDays, against }: DueTask): Step {
  const { input, changing, water } = making;
  const { code } = task;
  const job = jobOf(task);
  const { book } = input;
  const place = Object.keys(taskLibrary).indexOf(code);
  // The firm's own jobs come last within their phase.
  const position = (place < 0 ? Object.keys(taskLibrary).length : place) / 1000;
  const bed = BED_JOBS.includes(code);
  const withDrain = changing && water.markOn === "display";
  // Without a drain a hose lifts the dirt through a sock, and the water stays: it has its place with the lifting.
  const phase = (bed && !withDrain) || (job.phase === "drain" && !changing) ? "lift" : job.phase;
  const sector = sectorOf(task, input);
  const soak = SOAKED.includes(code) ? SOAK[book.schools.acidSoak] : null;
  const excepted = exceptedStep(code, book);
  const alone = soak ? soak.aloneMinutes : (job.aloneMinutes ?? 0);
  return {
    id: code,
    phase,
    // A soak is begun first: it goes on while the rest is washed. The bed is the first part of the drain.
    number: (bed && withDrain ? BED_NUMBER : (PHASE_NUMBER[phase] ?? 120)) + (alone > 0 ? -1 : 0) + position,
    title: jobTitle(task, book, sector),
    reason: `${
      task.slips > 0
        ? `${job.reason} Skipped ${task.slips === 1 ? "once" : `${task.slips} times`}${task.lastSkipReason ? ` (${task.lastSkipReason})` : ""}.`
        : lateDays > task.giveDays
          ? `${job.reason} ${lateDays} days late.`
          : job.reason
    }${task.calledBy ? ` Called for: ${task.calledBy}.` : ""}${MECHANICAL.includes(code) ? shelfWords(input) : ""}`,
    ...stepMinutes(input, code, (job.minutes + (soak?.moreMinutes ?? 0)) * excepted.minutesFactor),
    kit: taskKit(input, task),
    ...craftOf(making, code, withDrain && bed),
    caution: sentences(
      ACRYLIC.includes(code) && book.material === "acrylic"
        ? "Acrylic: nothing hard, no blade, no ammonia or alcohol; a soft cloth."
        : (soak?.caution ?? job.caution),
      excepted.caution,
      against && againstWords(against, input),
    ),
    task: code,
    ...(typeof job.result === "object"
      ? { test: job.result.test }
      : job.result === "done" || job.result === "photo"
        ? {}
        : { result: job.result }),
    ...(job.skills ? { skills: job.skills } : {}),
    ...(sector ? { sector } : {}),
    ...(bed && withDrain ? { figure: "bed" as const } : {}),
    ...(task.slips > 0 ? { slips: task.slips } : {}),
    ...(alone > 0 ? { aloneMinutes: alone, until: changing ? ["power-up"] : ["verify"] } : {}),
  };
}

/** Before the rest of the drain, which is 110. */
const BED_NUMBER = 104;
/** Jobs at the panes, inside and outside. */
const ACRYLIC: readonly string[] = ["glass-inside", "outside-glass"];

/** How a good hand does it, with what the drain needs of the bed's part. */
function craftOf({ water, say, input }: Making, code: string, drains: boolean): { readonly craft?: string } {
  const words = sentences(
    drains && `The first ${say.litres(water.bedL)} of the drain leave here.`,
    BED_JOBS.includes(code) && !drains && "Through a filter sock, so that the water goes back into the tank.",
    craftOfJob(code, input.book),
  );
  return words ? { craft: words } : {};
}

/** Today's sector of the bed, or today's half of the only filter; whatever came last, the next one. */
function sectorOf(task: TankTask, { book }: PlanInput): number | undefined {
  if (halfCleaned(task, book)) return (task.lastSector % HALVES) + 1;
  const rotates = task.code === "vacuum-sector" ? book.schools.substrate === "sectors" : task.code === "deep-sector";
  return rotates ? (task.lastSector % book.sectors) + 1 : undefined;
}

/** What is said at a job that does not keep its rule. */
function againstWords({ because, other, until, reason }: NonNullable<DueTask["against"]>, input: PlanInput): string {
  const why = `Done all the same: ${reason}. `;
  const rule = {
    "biological-rest": `The ${unitName(input, other)} was serviced less than four weeks ago; they end on ${sayDay(until)}.`,
    treatment: `A medication is in the water until ${sayDay(until)}.`,
    "not-together": "It does not belong on one visit with another job of today.",
  }[because];
  return `${why}${rule} ${UNRESTED_CARE}`;
}

/** Jobs that soak a pump, and how each school does it; acids are poured into water, never the other way. */
const SOAKED: readonly string[] = ["pump-soak", "wave-maker-soak", "skimmer-soak"];
const SOAK = {
  weak: {
    kit: "vinegar",
    moreMinutes: 0,
    aloneMinutes: 30,
    caution: "Weak acid, half an hour; gloves on, never near bleach. Rinse until no smell is left.",
  },
  strong: {
    kit: "acid cleaner",
    moreMinutes: 0,
    aloneMinutes: 5,
    caution: "Strong acid, minutes only: gloves and eye cover, acid into water, window open, never near bleach.",
  },
  citric: {
    kit: "citric acid",
    moreMinutes: 0,
    aloneMinutes: 20,
    caution: "Acid into water, gloves on; never near bleach. Rinse until no smell is left.",
  },
  "in-place": {
    kit: "soak bucket with its own pump",
    moreMinutes: -5,
    aloneMinutes: 20,
    caution: "In its own bucket, running there; never with acid in the tank's circuit.",
  },
} as const;

const METHOD_KIT = { strips: "strips", liquid: "liquid kit", photometer: "photometer" } as const;
/** Read by an instrument of their own, whatever the school of tests. */
const OWN_INSTRUMENT: readonly Parameter[] = ["temperature", "salinity", "ph", "flow", "tds"];

/** What to bring for a job, as the tank's material and schools ask. */
function taskKit(input: PlanInput, task: TankTask): readonly string[] {
  const { code } = task;
  const { kit, uses, result } = jobOf(task);
  const { material, schools } = input.book;
  if (code === "glass-inside") return [material === "acrylic" ? "soft pad for acrylic" : "glass scraper"];
  if (code === "outside-glass") return [...kit, OUTSIDE_KIT[schools.outside]];
  if (code === "fertiliser") return [schools.fertiliser === "lean" ? "fertiliser, half the label" : "fertiliser"];
  if (SOAKED.includes(code)) return [...kit, SOAK[schools.acidSoak].kit];
  if (MECHANICAL.includes(code)) {
    const media = mediaToBring(input);
    if (media?.onShelf) return [];
    return uses.map((k) => (media && media.pieces > 1 ? `${k}, ${media.pieces}` : k));
  }
  if (typeof result === "object" && !OWN_INSTRUMENT.includes(result.test))
    return [`${parameterFacts[result.test].label.toLowerCase()}, ${METHOD_KIT[schools.testMethod]}`];
  return [...kit, ...uses];
}

/** What the count of clean pieces on the site's shelf comes to. */
function shelfWords(input: PlanInput): string {
  const media = mediaToBring(input);
  if (!media?.washBy) return "";
  return media.onShelf
    ? ` Clean ones are on the shelf here, until ${sayDay(media.washBy)}.`
    : ` The clean ones here run out on ${sayDay(media.washBy)}, before the next visit: bring some, and have the used ones washed.`;
}

const OUTSIDE_KIT = { water: "clean water", vinegar: "dilute vinegar", cleaner: "aquarium-safe cleaner" } as const;

function jobTitle(task: TankTask, book: TankBook, sector?: number): string {
  const { code } = task;
  if (sector && halfCleaned(task, book)) return `${taskName(task, book)}: half ${sector} of ${HALVES}`;
  if (code === "glass-inside") {
    const panes = { all: "all panes", viewing: "the viewing panes", "leave-one": "all panes but the grazers'" }[
      book.schools.panels
    ];
    return `Clean ${panes} inside`;
  }
  if (code === "vacuum-sector") {
    if (sector) return `Vacuum sector ${sector} of ${book.sectors}`;
    if (book.schools.substrate === "bare") return "Siphon spots off the bare floor";
    return book.schools.substrate === "whole" ? "Vacuum the whole bed" : "Skim the top of the bed with the siphon";
  }
  if (sector) return `${taskName(task, book)}: sector ${sector} of ${book.sectors}`;
  return taskName(task, book);
}
