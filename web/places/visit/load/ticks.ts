import { z } from "zod";

/** What was loaded for a day, what came back, and where a thing stayed; by the name of the thing. */
export interface Ticks {
  readonly loaded: readonly string[];
  readonly back: readonly string[];
  readonly stays: Readonly<Record<string, string>>;
}

export const NO_TICKS: Ticks = { loaded: [], back: [], stays: {} };
const TicksSchema = z.object({
  loaded: z.array(z.string()),
  back: z.array(z.string()),
  stays: z.record(z.string(), z.string()),
});

const keyOf = (day: string) => `keel-load ${day}`;

/** The ticks of a day as they lie on the device; whatever is none is left out. */
export function readTicks(kept: string | null): Ticks {
  if (kept === null) return NO_TICKS;
  try {
    const read = TicksSchema.safeParse(JSON.parse(kept));
    return read.success ? read.data : NO_TICKS;
  } catch (error) {
    // Half written: nothing is taken to be loaded.
    if (error instanceof SyntaxError) return NO_TICKS;
    throw error;
  }
}

export const ticksOf = (day: string): Ticks => readTicks(localStorage.getItem(keyOf(day)));

export function keepTicks(day: string, ticks: Ticks): void {
  localStorage.setItem(keyOf(day), JSON.stringify(ticks));
}

const without = (list: readonly string[], item: string) => list.filter((x) => x !== item);

/** A thing was loaded, or is not after all. */
export const tickLoaded = (ticks: Ticks, item: string): Ticks => ({
  ...ticks,
  loaded: ticks.loaded.includes(item) ? without(ticks.loaded, item) : [...ticks.loaded, item],
});

/** A thing came back, or did not after all; what came back stays nowhere. */
export const tickBack = (ticks: Ticks, item: string): Ticks => ({
  ...ticks,
  back: ticks.back.includes(item) ? without(ticks.back, item) : [...ticks.back, item],
  stays: Object.fromEntries(Object.entries(ticks.stays).filter(([thing]) => thing !== item)),
});

/** A thing stayed at a place; an empty place takes that back. */
export const staysAt = (ticks: Ticks, item: string, place: string): Ticks => ({
  ...ticks,
  back: without(ticks.back, item),
  stays: place
    ? { ...ticks.stays, [item]: place }
    : Object.fromEntries(Object.entries(ticks.stays).filter(([thing]) => thing !== item)),
});
