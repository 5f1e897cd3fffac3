import { daysBetween, sayDay } from "../calendar/civil.ts";
import {
  biologyLeft,
  type DueTask,
  HALVES,
  type HeldTask,
  halfCleaned,
  jobOf,
  learnFrom,
  type Phase,
  type Skill,
  type TankTask,
  taskLibrary,
  taskName,
  UNRESTED_CARE,
  unitOf,
} from "../programme/index.ts";
import { isSalt, type SwitchGear, type TankBook } from "../tank/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import { runBack } from "../vessel/index.ts";
import { heatingHours } from "../water/index.ts";
import { exceptedStep, fedBefore } from "./exceptions.ts";
import type { PlanInput } from "./inputs.ts";
import type { Orderable } from "./order.ts";
import { MECHANICAL, mediaToBring } from "./programmeOn.ts";
import { sourceTest } from "./sourceOn.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** One thing to do on a visit. */
export interface Step extends Orderable {
  readonly phase: Phase | "arrive";
  readonly title: string;
  readonly reason: string;
  /** Learnt from the log; `libraryMinutes` and `timesLogged` are what it was learnt from. */
  readonly minutes: number;
  /** How far that spreads, on a logarithmic scale. */
  readonly spread: number;
  readonly libraryMinutes: number;
  readonly timesLogged: number;
  readonly kit: readonly string[];
  readonly caution?: string;
  readonly task?: string;
  readonly skills?: readonly Skill[];
  readonly test?: Parameter;
  /** Which planned figure the step is about. */
  readonly figure?: "mark" | "litres" | "refill" | "mix" | "temperature" | "salinity-check";
  readonly result?: "dirt" | "count";
  readonly off?: readonly SwitchGear[];
  readonly on?: readonly SwitchGear[];
  readonly sector?: number;
  readonly slips?: number;
  /** It runs by itself once it was started: hands are free meanwhile. */
  readonly runsItself?: boolean;
  /** It goes on by itself for so long once the hands have done with it: cooling, warming, soaking. */
  readonly aloneMinutes?: number;
  /** Steps and phases that wait until it has ended by itself. */
  readonly until?: readonly string[];
  /** It could be ready before the visit. */
  readonly readyBefore?: boolean;
  /** A job that is kept from this visit by a rule, and whether only advice does. */
  readonly held?: { readonly code: string; readonly strict: boolean };
}

const GEAR_NAME: Record<SwitchGear, string> = {
  "top-up": "top-up",
  dosing: "dosing",
  feeder: "feeder",
  skimmer: "skimmer",
  uv: "UV lamp",
  chiller: "chiller",
  reactor: "reactor",
  co2: "CO2",
  heater: "heater",
  filter: "filter",
  return: "return pump",
  "wave-maker": "wave-makers",
  lights: "lights",
};

/** What a thing that is switched is called. */
export function gearName(gear: SwitchGear): string {
  return GEAR_NAME[gear];
}

/** Bubbles are caught under a bell or swallowed: barred whatever the school. */
const NO_BUBBLES: readonly TankBook["kind"][] = ["jellyfish", "seahorse"];

const HAZARD: Record<string, string> = {
  sting: "Stinging animals in this tank: gloves, and know where they are before a hand goes in.",
  spine: "Venomous spines in this tank: use tools, keep hands out. After a prick: hot water, and medical help.",
  bite: "Animals here bite: move slowly and keep a net between.",
  toxin: "Some corals here carry a strong toxin: gloves and eye cover, never scrub, heat or spray them.",
};

/** Gear that must be off for this change, in the order it goes off. */
export function gearOff(book: TankBook, water: WaterPlan): SwitchGear[] {
  if (water.litres.value <= 0) return [];
  const stays: readonly SwitchGear[] =
    water.markOn === "display"
      ? []
      : water.markOn === "sump"
        ? ["wave-maker", "chiller", "filter", "lights"]
        : ["wave-maker", "return", "filter", "chiller", "uv", "lights"];
  return book.gear.filter(
    (g) => !stays.includes(g) && !(g === "heater" && ["lowered", "none"].includes(book.schools.heater)),
  );
}

/** Makes the steps of a visit from its due tasks and its water plan; `orderSteps` puts them in order. */
export function buildSteps(
  input: PlanInput,
  water: WaterPlan,
  due: readonly DueTask[],
  held: readonly HeldTask[],
): Step[] {
  const { book } = input;
  const steps: Step[] = [];
  const add = (
    id: string,
    phase: Step["phase"],
    number: number,
    title: string,
    minutes: number,
    reason: string,
    more: Partial<Step> = {},
  ) => steps.push({ id, phase, number, title, reason, ...minutesOf(input, id, minutes), kit: [], ...more });

  const hazards = [...new Set(book.animals.flatMap((a) => (a.hazard ? [HAZARD[a.hazard] ?? ""] : [])))].join(" ");
  const changing = water.litres.value > 0;
  const carried = changing && input.source.kind !== "tap" && (input.site.stairs ?? 0) > 0;
  const off = gearOff(book, water);

  add(
    "arrive",
    "arrive",
    10,
    "Towels down, hands and kit clean",
    2,
    `${
      input.site.hygieneLast
        ? "This tank is under treatment: its own kit only, and nothing of it goes on to another tank."
        : "Floors first; soap on a hand kills what a tank lives on."
    }${input.site.parking ? ` Parking: ${input.site.parking}.` : ""}`,
    {
      kit: [
        "towels",
        "tarp",
        ...(carried ? ["carrying straps"] : []),
        ...(input.site.floors ? [`cover for the floor: ${input.site.floors}`] : []),
        ...(input.site.hygieneLast ? ["kit kept for this tank"] : []),
      ],
      caution:
        [
          input.site.hygieneLast ? "Disinfect everything after this tank and rinse it." : "",
          input.site.pets ? `In the house: ${input.site.pets}. Doors closed while hoses lie.` : "",
          book.access ? `Getting at it: ${book.access}` : "",
          carried
            ? `${input.site.stairs} steps to climb, and a litre is a kilogram: ${book.name} moves ${Math.round(water.litres.value)} kg. Small loads, or two people.`
            : "",
        ]
          .filter(Boolean)
          .join(" ") || undefined,
    },
  );
  add(
    "look",
    "look",
    20,
    lookTitle(book),
    3,
    "With pumps on: behaviour, wounds, sound, flow, level, leaks. Gasping at the surface means air at once.",
    { caution: hazards || undefined },
  );
  for (const finding of input.findings) {
    const late = finding.dueOn !== undefined && daysBetween(finding.dueOn, input.on) >= 0;
    add(
      `finding:${finding.id}`,
      "look",
      21,
      `Look again: ${finding.text}`,
      2,
      late ? "It was put off to today." : "Still open from an earlier visit.",
    );
  }
  add(
    "level",
    "look",
    25,
    "Read how far the water stands below its mark",
    1,
    book.sump
      ? "Only the return chamber of the sump shows what evaporated."
      : "Salinity belongs to a level; what is missing is replaced with fresh water.",
    { kit: ["ruler"] },
  );

  const always = fedBefore(book);
  if (book.schools.feeding === "before" || always !== null)
    add(
      "feed-before",
      "feed-before",
      30,
      "Feed a little",
      3,
      always
        ? `This tank is always fed first: ${always}.`
        : "Fifteen minutes early, so that leftovers leave with the old water and animals eat before the stress.",
      { kit: ["food"], ...(changing && book.schools.feeding === "before" ? EATING : {}) },
    );

  if (book.schools.bubbles === "on-purpose" && !NO_BUBBLES.includes(book.kind) && changing)
    add(
      "bubbles",
      "lift",
      79,
      "Air stone on under the rock for a few minutes",
      3,
      "Fine bubbles lift dirt that a baster does not reach, so that it leaves with the water.",
      { kit: ["air pump and stone"], caution: "Off again before the water falls to it." },
    );

  for (const job of due) addTask(steps, input, job, changing);

  if (changing) {
    addPreparation(add, input, water);
    if (off.includes("heater"))
      add("heater-off", "prepare", 60, "Heater off", 1, "It cools for 15 to 20 minutes before the water leaves it.", {
        off: ["heater"],
        ...(book.schools.heater === "off" ? COOLING : {}),
        caution:
          "Hands only in a tank behind a tested residual-current device. Without one, everything is off at the wall.",
      });
    const rest = off.filter((g) => g !== "heater");
    if (book.schools.pumpsAtSiphon === "on" && book.sump) {
      const back = runBack(book.display, book.sump);
      add(
        "siphon-start",
        "lift",
        95,
        "Start the siphon and let the sump fall",
        2,
        `When the return stops ${Math.round(back.litres)} L run back; there is room for ${Math.round(back.roomL)}.`,
        {
          caution:
            back.litres > 0.9 * back.roomL
              ? "The sump is nearly too full for what runs back: draw it down first."
              : undefined,
          kit: ["siphon hose"],
        },
      );
    }
    if (book.schools.how === "animals-out") {
      add("flow-off", "prepare", 58, "Circulation off", 1, "Bells are never moved in a current.", { off: rest });
      add(
        "animals-out",
        "prepare",
        59,
        `Move the ${book.animals[0]?.name ?? "animals"} out under water`,
        10,
        "In a submerged vessel, never lifted into the air.",
        { kit: ["holding vessel"] },
      );
    } else if (rest.length > 0)
      add(
        "power-down",
        "power-down",
        100,
        `Off: ${rest.map(gearName).join(", ")}`,
        2,
        "In this order, from this tank's own list; nothing may run dry.",
        { off: rest },
      );
    addChange(add, input, water);
    const on = [...rest].reverse();
    if (off.includes("heater") && book.schools.heater !== "in-sump")
      add(
        "heater-on",
        "power-up",
        150,
        "Heater under water, then on",
        1,
        "Only when the water stands above it again.",
        { on: ["heater"] },
      );
    if (on.length > 0)
      add(
        "power-up",
        "power-up",
        152,
        `On: ${on.map(gearName).join(", ")}`,
        2,
        "Weir and siphon noise first; the skimmer with its cup raised, top-up last, when the level is right.",
        { on },
      );
    if (off.includes("heater") && book.schools.heater === "in-sump")
      add(
        "heater-on",
        "power-up",
        153,
        "Heater in the sump on",
        1,
        "After the return runs and the level has settled.",
        { on: ["heater"] },
      );
    if (book.schools.how === "animals-out")
      add(
        "animals-back",
        "verify",
        154,
        `Bring the ${book.animals[0]?.name ?? "animals"} back under water`,
        10,
        "Level and salinity are right; the flow is on.",
        { kit: ["holding vessel"] },
      );
  }

  if (book.schools.feeding === "after")
    add(
      "feed-after",
      "feed-after",
      190,
      "Feed sparingly and watch",
      3,
      "A reward, and a check: what does not eat is not well.",
      { kit: ["food"] },
    );
  if (changing && isSalt(book) && water.share.value > 0.1)
    add(
      "salinity-again",
      "verify",
      200,
      "Salinity and temperature once more",
      3,
      "More than a tenth was changed: the figure that counts is the one after it.",
      { figure: "salinity-check" },
    );
  add(
    "verify",
    "verify",
    205,
    "Everything moves, nothing leaks, level at its mark",
    2,
    "Every pump that was stopped is looked at, not listened for.",
  );
  add(
    "kit",
    "leave",
    250,
    "Count the kit, rinse and disinfect it",
    2,
    "A hose carries disease from one tank to the next.",
    { kit: ["disinfectant"] },
  );
  add("tell", "leave", 260, "Tell the owner, leave it dry", 1, "What was done, what was seen, what they should do.");
  for (const h of held) steps.push(heldStep(input, h));
  return steps;
}

/** A heater cools before it meets air; what runs dry waits for it. */
const COOLING = { aloneMinutes: 15, until: ["drain", "exchange"] } as const;
/** Leftovers float free before they leave with the water. */
const EATING = { aloneMinutes: 15, until: ["drain", "exchange"] } as const;

/** A job that is kept from this visit, and why. */
function heldStep(input: PlanInput, held: HeldTask): Step {
  const { task, because, until, other, strict } = held;
  const by = input.tasks.find((t) => t.code === other);
  const low = by ? lowerFirst(taskName(by, input.book)) : "another job";
  const why = {
    treatment: `A medication is in the water until ${sayDay(until)}; the filter is left alone, and media would take it up.`,
    "biological-rest": `The ${unitName(input, other)} was serviced less than four weeks ago; earliest ${sayDay(until)}.${strict ? "" : " Enough else is left alone here: it is advice."}`,
    "not-together": `Not on one visit with: ${low}.`,
  }[because];
  return {
    id: `held:${task.code}`,
    phase: "look",
    number: 28,
    title: `Not today: ${lowerFirst(taskName(task, input.book))}`,
    ...minutesOf(input, `held:${task.code}`, 0),
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

/** The minutes of a step with what they were learnt from; a step of no time stays one. */
function minutesOf(
  input: PlanInput,
  id: string,
  libraryMinutes: number,
): Pick<Step, "minutes" | "spread" | "libraryMinutes" | "timesLogged"> {
  const logged = input.loggedMinutes[id] ?? [];
  const learnt = libraryMinutes > 0 ? learnFrom(libraryMinutes, logged) : { minutes: 0, spread: 0 };
  return {
    minutes: learnt.minutes * (input.personFactor ?? 1),
    spread: learnt.spread,
    libraryMinutes,
    timesLogged: logged.length,
  };
}

function lookTitle(book: TankBook): string {
  const total = book.animals.reduce((sum, a) => sum + a.count, 0);
  const first = book.animals[0];
  return first ? `Look first: ${total} animals, ${first.name} above all` : "Look first, with pumps on";
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
  verify: 195,
  outside: 220,
  leave: 240,
};

function addTask(steps: Step[], input: PlanInput, { task, lateDays, against }: DueTask, changing: boolean): void {
  const { code } = task;
  const job = jobOf(task);
  const { book } = input;
  const place = Object.keys(taskLibrary).indexOf(code);
  // The firm's own jobs come last within their phase.
  const position = (place < 0 ? Object.keys(taskLibrary).length : place) / 1000;
  // Without a drain a siphon job is done with a jug of tank water: it has its place with the lifting.
  const phase = job.phase === "drain" && !changing ? "lift" : job.phase;
  if (code === "vacuum-sector" && book.schools.substrate === "never") return;
  const sector = sectorOf(task, input);
  const soak = SOAKED.includes(code) ? SOAK[book.schools.acidSoak] : null;
  const excepted = exceptedStep(code, book);
  const alone = soak ? soak.aloneMinutes : (job.aloneMinutes ?? 0);
  steps.push({
    id: code,
    phase,
    // A soak is begun first: it goes on while the rest is washed.
    number: (PHASE_NUMBER[phase] ?? 120) + (alone > 0 ? -1 : 0) + position,
    title: taskTitle(task, book, sector),
    reason: `${
      task.slips > 0
        ? `${job.reason} Skipped ${task.slips === 1 ? "once" : `${task.slips} times`}${task.lastSkipReason ? ` (${task.lastSkipReason})` : ""}.`
        : lateDays > task.giveDays
          ? `${job.reason} ${lateDays} days late.`
          : job.reason
    }${task.calledBy ? ` Called for: ${task.calledBy}.` : ""}${MECHANICAL.includes(code) ? shelfWords(input) : ""}`,
    ...minutesOf(input, code, (job.minutes + (soak?.moreMinutes ?? 0)) * excepted.minutesFactor),
    kit: taskKit(input, task),
    caution:
      [
        code === "glass-inside" && book.material === "acrylic"
          ? "Acrylic: nothing hard, no blade, no ammonia or alcohol."
          : (soak?.caution ?? job.caution ?? ""),
        excepted.caution,
        against ? againstWords(against, input) : "",
      ]
        .filter(Boolean)
        .join(" ") || undefined,
    task: code,
    ...(typeof job.result === "object"
      ? { test: job.result.test }
      : job.result === "done" || job.result === "photo"
        ? {}
        : { result: job.result }),
    ...(job.skills ? { skills: job.skills } : {}),
    ...(sector ? { sector } : {}),
    ...(task.slips > 0 ? { slips: task.slips } : {}),
    ...(alone > 0 ? { aloneMinutes: alone, until: changing ? ["power-up"] : ["verify"] } : {}),
  });
}

/** Today's sector of the bed, or today's half of the only filter; whatever came last, the next one. */
function sectorOf(task: TankTask, { book }: PlanInput): number | undefined {
  if (halfCleaned(task, book)) return (task.lastSector % HALVES) + 1;
  const rotates = task.code === "vacuum-sector" ? book.schools.substrate === "sectors" : task.code === "deep-sector";
  return rotates ? (task.lastSector % book.sectors) + 1 : undefined;
}

/** What is said at a job that does not keep its rule. */
function againstWords({ because, other, until, reason }: NonNullable<DueTask["against"]>, input: PlanInput): string {
  const why = reason ? `Done all the same: ${reason}. ` : "";
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

function taskTitle(task: TankTask, book: TankBook, sector?: number): string {
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

type Add = (
  id: string,
  phase: Step["phase"],
  number: number,
  title: string,
  minutes: number,
  reason: string,
  more?: Partial<Step>,
) => void;

/** What is looked at in a mix, by how old it is when it is used. */
const MIX = {
  "when-clear": {
    title: "Check the fresh mix: clear, salinity, temperature",
    reason: "Used as soon as it is clear; matched to the tank's measured salinity before any of it goes in.",
  },
  hours: {
    title: "Check the mix: salinity and temperature",
    reason: "Matched to the tank's measured salinity before any of it goes in.",
  },
  weeks: {
    title: "Stir the kept mix, then check salinity and temperature",
    reason: "What stood for weeks has settled and lost water; it is matched again before any of it goes in.",
  },
} as const;

function addPreparation(add: Add, input: PlanInput, water: WaterPlan): void {
  const { source } = input;
  if (source.kind === "mix") {
    const { title, reason } = MIX[input.book.schools.saltAge];
    add("mix", "prepare", 50, title, 2, reason, { figure: "mix", kit: ["salinity meter"] });
  }
  if (source.kind === "natural-sea")
    add(
      "sea-check",
      "prepare",
      50,
      "Check the sea water: salinity, smell, age",
      2,
      "Low after rain; too old and it has gone flat.",
      { figure: "mix", kit: ["salinity meter"] },
    );
  if (source.kind === "tap")
    add("temper", "prepare", 52, "Set the mixer tap and check it half-way", 3, "It drifts while it runs.", {
      figure: "temperature",
      kit: [
        "thermometer",
        source.conditioner?.name ?? "conditioner",
        ...(input.site.tapDistanceM === undefined ? [] : [hose("fill", input.site.tapDistanceM)]),
      ],
      caution: "Fish that gasp while water runs in: stop, condition the whole tank, give air, test.",
    });
  const test = sourceTest(source);
  if (test)
    add(
      "source-test",
      "test",
      44,
      `Test ${source.kind === "tap" ? "the tap" : "the sea water"}: ${test.parameters.map((p) => parameterFacts[p].label.toLowerCase()).join(", ")}`,
      6,
      test.lastOn
        ? `Trust expires: it was last measured on ${sayDay(test.lastOn)}. What it brings decides what a change can reach.`
        : "It was never measured here. What it brings decides what a change can reach.",
      { kit: ["test kits for the new water"] },
    );
  if (source.kind === "remineralised")
    add(
      "remineralise",
      "prepare",
      52,
      "Check the hardness of the new water",
      3,
      "Purified water has none of its own.",
      { kit: ["GH test"] },
    );
  if (source.kind !== "tap" && source.canWarm)
    add("warm", "prepare", 54, "Warm the new water", 2, "It warms by itself while the glass is cleaned.", {
      figure: "temperature",
      aloneMinutes: warmingMinutes(input, water),
      until: ["refill", "exchange"],
      readyBefore: true,
      kit: ["barrel heater"],
      caution: "The heater stays unplugged until the barrel is filled above its line.",
    });
  if (water.wasteL > 0)
    add(
      "waste-barrel",
      "prepare",
      57,
      "Waste barrel ready",
      2,
      "This site must not have salt water in its drain: all of it is carried away.",
      { kit: ["waste barrel"] },
    );
}

/** A barrel heater as it is carried, W, and what a barrel of its size loses, W/K. */
const BARREL_HEATER_W = 2000;
const BARREL_LOSS_W_PER_K = 4;

/** Minutes until the new water is as warm as the plan asks for. */
function warmingMinutes({ source, book }: PlanInput, water: WaterPlan): number {
  const hours = heatingHours({
    litres: water.litres.value,
    fromC: source.coldC,
    toC: water.refillC?.value ?? book.targetC,
    watts: BARREL_HEATER_W,
    lossWPerK: BARREL_LOSS_W_PER_K,
    roomC: source.coldC,
    water: isSalt(book) ? "sea" : "fresh",
  });
  return Math.round((hours ?? 0) * 60);
}

function addChange(add: Add, input: PlanInput, water: WaterPlan): void {
  const { book } = input;
  if (water.markOn === "none") {
    add(
      "exchange",
      "refill",
      130,
      "Run new water in and old water out together",
      Math.max(2, water.refillMinutes),
      "Gentle: nothing is ever in air. A countdown ends it, and nobody leaves the room.",
      { figure: "litres", kit: ["drain pump", "refill pump"], caution: "Both ends of each hose tied down." },
    );
    return;
  }
  const sump = water.markOn === "sump";
  add(
    "drain",
    "drain",
    110,
    sump ? "Drain the sump to its tape" : "Drain to the tape",
    Math.max(1, water.drainMinutes),
    sump
      ? "The display stays as it is; the mark is on the sump."
      : `To a mark, with the intake fixed there, so that it ends by itself.${dropWords(input)}`,
    {
      figure: "mark",
      runsItself: true,
      until: ["refill"],
      kit: [hose("drain", input.site.drainDistanceM), "tape", ...(uphill(input) ? ["drain pump"] : [])],
      caution:
        book.schools.heater === "off" && book.gear.includes("heater")
          ? "Heater is off. Leave it off until the water is back above it."
          : book.schools.heater === "lowered"
            ? "The heater hangs below the mark: check before you drain."
            : undefined,
    },
  );
  add(
    "refill",
    "refill",
    130,
    input.source.kind === "tap" ? "Conditioner in, then refill slowly" : "Refill slowly, spread over a dish",
    Math.max(1, water.refillMinutes),
    "Slow, to keep sand and corals in place and the water free of fine bubbles.",
    { figure: "refill", kit: ["refill pump", "dish"] },
  );
  if (water.freshL && isSalt(book))
    add(
      "level-fresh",
      "refill",
      140,
      "Bring the level up with fresh water",
      2,
      "Salt mass is right; evaporation took only water.",
      { figure: "refill", kit: ["purified water"] },
    );
}

/** Whether the drain lies too high for a siphon. */
const uphill = (input: PlanInput) => input.site.drainDropM !== undefined && input.site.drainDropM < SIPHON_DROP_M;
/** A siphon with less than this to fall hardly runs. */
const SIPHON_DROP_M = 0.3;
/** From here on a siphon runs faster than a person looks away. */
const LONG_DROP_M = 3;

function dropWords({ site }: PlanInput): string {
  if (site.drainDropM === undefined) return "";
  if (site.drainDropM < SIPHON_DROP_M) return " The drain lies too high for a siphon: it is pumped.";
  return site.drainDropM >= LONG_DROP_M ? ` It falls ${site.drainDropM} m to the drain: it runs fast.` : "";
}

/** A hose by the length that its way asks for, with a metre to spare at each end. */
const hose = (what: string, metres: number | undefined) =>
  metres === undefined ? `${what} hose` : `${what} hose, ${Math.ceil(metres) + 2} m`;
