import { addDays } from "../calendar/civil.ts";
import type { TimedValue } from "../readings/index.ts";
import { type Message, m } from "../say/index.ts";
import type { Band } from "../tank/index.ts";
import type { Parameter } from "../units/index.ts";

/** A stretch of readings beyond a band. */
export interface Spell {
  readonly side: "high" | "low";
  /** Its first and last reading beyond, days of the readings' axis. */
  readonly from: number;
  readonly to: number;
  /** The furthest of them. */
  readonly worst: number;
  /** The newest reading is one of them. */
  readonly lasts: boolean;
}

/** A reading is beyond where it is by more than so many of its own sigmas. */
const SURELY = 1;

/**
 * The stretches in which a figure stood beyond its ideal band, oldest first: readings of one side in a row, each beyond by more
 * than its own error.
 */
export function spellsOf(readings: readonly TimedValue[], band: Band): Spell[] {
  const spells: Spell[] = [];
  let before: Spell["side"] | null = null;
  for (const [i, { day, value, sigma }] of readings.entries()) {
    const side = sideOf(value, SURELY * sigma, band);
    const last = spells.at(-1);
    const lasts = i === readings.length - 1;
    if (side && side === before && last) {
      const worst = side === "high" ? Math.max(last.worst, value) : Math.min(last.worst, value);
      spells[spells.length - 1] = { ...last, to: day, worst, lasts };
    } else if (side) spells.push({ side, from: day, to: day, worst: value, lasts });
    before = side;
  }
  return spells;
}

function sideOf(value: number, error: number, { idealLow, idealHigh }: Band): Spell["side"] | null {
  if (value - error > idealHigh) return "high";
  return idealLow >= 0 && value + error < idealLow ? "low" : null;
}

/** So many spells are told, the newest. */
const MOST_TOLD = 2;

/** What a colleague would say of them. */
export function spellSentences(parameter: Parameter, spells: readonly Spell[], on: string): Message[] {
  const day = (days: number) => ({ day: addDays(on, Math.round(days)) });
  return spells.slice(-MOST_TOLD).map(({ side, from, to, worst, lasts }) => {
    const told = {
      way: side === "high" ? "high" : "other",
      worst: { reading: worst, of: parameter },
      from: day(from),
    } as const;
    if (lasts) return m("trend.spell.lasts", told);
    return from === to ? m("trend.spell.once", told) : m("trend.spell.past", { ...told, to: day(to) });
  });
}

/** A fall from the best that was ever read is told from this part on. */
const FALLS = 0.15;

/** Of a flow: how much of its best is left, where that is worth telling; null elsewhere. */
export function fallSentence(readings: readonly TimedValue[], on: string): Message | null {
  const last = readings.at(-1);
  const best = readings.reduce<TimedValue | null>(
    (most, r) => (most === null || r.value > most.value ? r : most),
    null,
  );
  if (!last || !best || best.value <= 0 || last.value > (1 - FALLS) * best.value) return null;
  return m("trend.fall", {
    left: Math.round((100 * last.value) / best.value),
    best: { reading: best.value, of: "flow" },
    on: { day: addDays(on, Math.round(best.day)) },
    now: { reading: last.value, of: "flow" },
  });
}
