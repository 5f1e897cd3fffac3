import { addDays, daysBetween } from "../calendar/civil.ts";
import { type PlanInput, type TankOnDay, tankOnDay } from "../given/index.ts";
import { jobOf, taskName } from "../programme/index.ts";
import { type Message, m } from "../say/index.ts";
import { isSalt } from "../tank/index.ts";
import { inSentence } from "../text/index.ts";
import type { Parameter } from "../units/index.ts";
import type { ClueCode } from "./clues.ts";
import { type Answers, isFirstWeeks, isYoung, type Setting } from "./rank.ts";

/** What the tank's own data say, with the figures it is seen in. */
export interface TankClue {
  readonly clue: ClueCode;
  readonly yes: boolean;
  readonly says: Message;
}

/** Bacteria take so long to settle in a filter that is new. */
const YOUNG_FILTER_DAYS = 42;
const LONG_LIGHT_HOURS = 9;
/** A flow that lost so much of its best is seen by nobody and felt by everything. */
const FELL_SHARE = 0.2;
const HELD_SHARE = 0.1;
const LATELY_DAYS = 2;
const STOCKED_DAYS = 30;
/** How far back a rise is looked for, and what it has to be. */
const RISE_DAYS = 60;
const ROSE = 1.3;
const APART_C = 2;
const LOW_CM = 3;
const AMMONIA_MG_L = 0.1;
const NO_AMMONIA_MG_L = 0.05;
const CHLORINE_MG_L = 0.05;
/** What a kit cannot tell from nothing. */
const NOTHING: Partial<Record<Parameter, number>> = { nitrate: 1, phosphate: 0.02 };
const SOMETHING: Partial<Record<Parameter, number>> = { nitrate: 3, phosphate: 0.04 };

/** The tank as the ranking takes it. */
export const settingOf = ({ facts, on }: Pick<PlanInput, "facts" | "on">): Setting => ({
  kind: facts.kind,
  salt: isSalt(facts),
  ageDays: Math.max(0, daysBetween(facts.startedOn, on)),
});

/**
 * Everything that a tank's own data say about what may be wrong with it; what nobody measured is left out.
 *
 * @param changedToday Whether new water went in on this visit.
 * @throws {OutOfRangeError} for a tank without volume.
 */
export function tankClues(input: PlanInput, changedToday = false): TankClue[] {
  const tank = tankOnDay(input);
  return [
    ...ofAge(input),
    ...ofNutrients(tank),
    ...ofFlow(input),
    ...ofWater(tank),
    ...ofPlace(input),
    ...ofWork(input),
    ...ofChange(input, changedToday),
  ];
}

/** Clues as answers of the ranking; what somebody says goes before what is known. */
export const answersWith = (clues: readonly TankClue[], said: Answers): Answers => ({
  ...Object.fromEntries(clues.map(({ clue, yes }) => [clue, yes])),
  ...said,
});

function ofAge({ facts, on }: PlanInput): TankClue[] {
  const days = Math.max(0, daysBetween(facts.startedOn, on));
  const age = m("clue.age", { since: { day: facts.startedOn }, weeks: Math.round(days / 7) });
  return [
    { clue: "first-weeks", yes: isFirstWeeks(days), says: age },
    { clue: "young-months", yes: isYoung(days), says: age },
    { clue: "young-filter", yes: days < YOUNG_FILTER_DAYS, says: age },
    ...(facts.startedWith && isSalt(facts)
      ? [
          {
            clue: "dry-rock" as const,
            yes: facts.startedWith === "dry-rock",
            says: m("clue.rock", { rock: facts.startedWith === "dry-rock" ? "dry" : "other" }),
          },
        ]
      : []),
  ];
}

function ofNutrients({ known, input }: TankOnDay): TankClue[] {
  const both = (["nitrate", "phosphate"] as const).flatMap((p) => {
    const now = known[p];
    return now ? [{ p, value: now.value, band: input.facts.bands.find((b) => b.parameter === p) }] : [];
  });
  if (both.length === 0) return [];
  const none = both.every(({ p, value }) => value <= (NOTHING[p] ?? 0));
  const some = both.some(({ p, value }) => value >= (SOMETHING[p] ?? 0));
  const high = both.filter(({ value, band }) => band && value > band.idealHigh);
  const says = m("clue.nutrients", {
    all: {
      all: both.map(({ p, value }) => m("clue.reading", { of: { parameter: p }, is: { reading: value, of: p } })),
    },
  });
  const rise = riseOf(input);
  return [
    ...(none || some ? [{ clue: "nutrients-none" as const, yes: none, says }] : []),
    ...(both.every(({ band }) => band) ? [{ clue: "nutrients-high" as const, yes: high.length > 0, says }] : []),
    ...(rise ? [rise] : []),
  ];
}

/** Whether nitrate or phosphate rose from visit to visit: the mean of the last two against what was read before. */
function riseOf({ readings, on }: PlanInput): TankClue | null {
  const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
  let steady: TankClue | null = null;
  for (const p of ["phosphate", "nitrate"] as const) {
    const lately = readings.filter((r) => r.parameter === p && r.on >= addDays(on, -RISE_DAYS));
    const [first] = lately;
    if (!first || lately.length < 4) continue;
    const [before, now] = [mean(lately.slice(0, 2).map((r) => r.value)), mean(lately.slice(-2).map((r) => r.value))];
    const sigma = Math.max(...lately.map((r) => r.sigma));
    const says = m("clue.rose", {
      what: { parameter: p, begins: true },
      from: { reading: before, of: p, bare: true },
      to: { reading: now, of: p },
      day: { day: first.on },
    });
    if (now >= before * ROSE && now - before > 2 * sigma) return { clue: "nutrients-rising", yes: true, says };
    steady ??= { clue: "nutrients-rising", yes: false, says };
  }
  return steady;
}

function ofFlow({ readings, on }: PlanInput): TankClue[] {
  const flows = readings.filter((r) => r.parameter === "flow" && r.on >= addDays(on, -3 * RISE_DAYS));
  const now = flows.at(-1);
  if (!now || flows.length < 2) return [];
  const best = flows.reduce((a, b) => (b.value > a.value ? b : a));
  const lost = 1 - now.value / best.value;
  if (lost < FELL_SHARE && lost > HELD_SHARE) return [];
  return [
    {
      clue: "flow-fell",
      yes: lost >= FELL_SHARE,
      says: m("clue.flow", { percent: Math.max(0, Math.round(lost * 100)), day: { day: best.on } }),
    },
  ];
}

function ofWater({ known, salt, input }: TankOnDay): TankClue[] {
  const { facts, on, belowMarkCm } = input;
  const reading = (p: Parameter) =>
    m("clue.reading", { of: { parameter: p }, is: { reading: known[p]?.value ?? 0, of: p } });
  const clues: TankClue[] = [];
  const temperature = known.temperature;
  if (temperature?.today) {
    const off = temperature.value - facts.targetC;
    clues.push({ clue: "water-warm", yes: off > APART_C, says: reading("temperature") });
    clues.push({ clue: "water-cold", yes: off < -APART_C, says: reading("temperature") });
  }
  if (belowMarkCm !== null)
    clues.push({ clue: "level-low", yes: belowMarkCm > LOW_CM, says: m("clue.level", { below: { cm: belowMarkCm } }) });
  const ammonia = known.ammonia;
  if (ammonia?.today && (ammonia.value > AMMONIA_MG_L || ammonia.value < NO_AMMONIA_MG_L))
    clues.push({ clue: "ammonia-read", yes: ammonia.value > AMMONIA_MG_L, says: reading("ammonia") });
  const chlorine = input.readings.findLast((r) => r.parameter === "chlorine" && r.on === on);
  if (chlorine) clues.push({ clue: "chlorine-read", yes: chlorine.value > CHLORINE_MG_L, says: reading("chlorine") });
  if (!salt) return clues;
  const band = facts.bands.find((b) => b.parameter === "salinity");
  const salinity = known.salinity;
  if (band && salinity) {
    clues.push({ clue: "salt-low", yes: salinity.value < band.idealLow, says: reading("salinity") });
    clues.push({ clue: "salt-high", yes: salinity.value > band.idealHigh, says: reading("salinity") });
  }
  const measured = (["alkalinity", "calcium", "magnesium"] as const).filter((p) => known[p]);
  const low = measured.filter((p) => {
    const edge = facts.bands.find((b) => b.parameter === p)?.idealLow;
    return edge !== undefined && (known[p]?.value ?? edge) < edge;
  });
  if (measured.length > 0)
    clues.push({
      clue: "levels-low",
      yes: low.length > 0,
      says: m("clue.levels", { all: { all: (low.length > 0 ? low : measured).map(reading) } }),
    });
  return clues;
}

function ofPlace({ facts, source }: PlanInput): TankClue[] {
  return [
    { clue: "open-top", yes: !facts.lidded, says: m(facts.lidded ? "clue.lidded" : "clue.open") },
    ...(facts.lightsHours === undefined
      ? []
      : [
          {
            clue: "long-light" as const,
            yes: facts.lightsHours > LONG_LIGHT_HOURS,
            says: m("clue.light", { hours: facts.lightsHours }),
          },
        ]),
    ...(isSalt(facts) && (source.kind === "tap" || source.kind === "mix")
      ? [{ clue: "tap-source" as const, yes: source.kind === "tap", says: m("clue.source", { water: source.name }) }]
      : []),
  ];
}

function ofWork({ tasks, facts, evidence, kits, readings, on }: PlanInput): TankClue[] {
  const hardware = tasks.filter((t) => jobOf(t).phase === "hardware");
  const slipped = hardware.filter((t) => t.slips > 0);
  const stocked = evidence?.events.findLast((e) => e.kind === "stocking" && e.on <= on);
  const fresh = stocked !== undefined && daysBetween(stocked.on, on) <= STOCKED_DAYS;
  const used = new Set(readings.filter((r) => r.on >= addDays(on, -LATELY_DAYS)).map((r) => r.kit));
  const doubtful = (kits ?? []).filter((k) => used.has(k.kit.id) && k.problems.length > 0);
  return [
    ...(hardware.length > 0
      ? [
          {
            clue: "jobs-slipped" as const,
            yes: slipped.length > 0,
            says:
              slipped.length > 0
                ? m("clue.slipped", { jobs: { all: slipped.map((t) => inSentence(taskName(t, facts))) } })
                : m("clue.kept"),
          },
        ]
      : []),
    ...(evidence
      ? [
          {
            clue: "new-animals" as const,
            yes: fresh,
            says: fresh ? m("clue.stocked", { day: { day: stocked.on } }) : m("clue.unstocked", { days: STOCKED_DAYS }),
          },
        ]
      : []),
    ...(used.size > 0 && kits
      ? [
          {
            clue: "kit-doubtful" as const,
            yes: doubtful.length > 0,
            says:
              doubtful.length > 0
                ? m("clue.doubtful", { kits: { all: doubtful.map((k) => inSentence(k.kit.name)) } })
                : m("clue.kits-good"),
          },
        ]
      : []),
  ];
}

function ofChange({ lastChangeOn, on }: PlanInput, today: boolean): TankClue[] {
  if (today) return [{ clue: "changed-lately", yes: true, says: m("clue.changed-today") }];
  if (!lastChangeOn) return [];
  const days = daysBetween(lastChangeOn, on);
  return [
    { clue: "changed-lately", yes: days <= LATELY_DAYS, says: m("clue.changed", { day: { day: lastChangeOn }, days }) },
  ];
}
