import { gaussian, type Random } from "../numeric/index.ts";
import type { TimedChange, TimedValue } from "../readings/index.ts";
import type { TrendInput } from "./index.ts";

/** What a tank lives through in quarter days, and what somebody reads of it. No formula of the fit is used. */
export interface Lived {
  readonly perDay: (day: number) => number;
  readonly breakAt: number | null;
  readonly read: (value: number, random: Random) => Omit<TimedValue, "day"> | null;
  /** What a change really is that is booked as a share. */
  readonly really: (share: number, random: Random) => number;
}

const DAYS = 182;
const SHARE = 0.25;
const REFILL = 4;
const SIGMA = 1;
const plain = (value: number, random: Random) => ({ value: value + SIGMA * gaussian(random), sigma: SIGMA });

/** One tank lived through: what is known of it, the rate it has in the end, and what it then really stands at. */
function live(
  { perDay, breakAt, read, really }: Lived,
  random: Random,
): { input: TrendInput; rate: number; now: number } {
  const readings: TimedValue[] = [];
  const changes: TimedChange[] = [];
  let value = 15 + 10 * random();
  for (let step = 0; step <= DAYS * 4; step++) {
    const day = step / 4 - DAYS;
    if (step > 0 && step % 28 === 0) {
      const reading = read(value, random);
      if (reading) readings.push({ day, ...reading });
      changes.push({ day, share: SHARE, refill: REFILL });
      const share = really(SHARE, random);
      value = value * (1 - share) + REFILL * share;
    }
    value = Math.max(0, value + perDay(day) / 4);
  }
  const logged = breakAt === null ? [] : [{ day: breakAt, text: "Fish added" }];
  const events = { changes };
  return {
    input: { readings, events, logged, planned: [], daysAhead: 28, band: null, steady: null },
    rate: perDay(0),
    now: value,
  };
}

const steady = (random: Random) => {
  const rate = 0.6 + 1.2 * random();
  return () => rate;
};
const asBooked = (share: number) => share;

/** Tanks of each kind of trouble, by what is wrong with what was read of them. */
export const TROUBLES: Readonly<Record<string, (random: Random) => Lived>> = {
  "one reading in ten far off": (random) => ({
    ...{ perDay: steady(random), breakAt: null, really: asBooked },
    read: (value, r) => (r() < 0.1 ? { value: value + 12 + 10 * r(), sigma: SIGMA } : plain(value, r)),
  }),
  "one change of rate, logged": (random) => {
    const [before, since] = [0.5 + 0.3 * random(), 1.6 + 0.6 * random()];
    const breakAt = -70;
    return { perDay: (day) => (day < breakAt ? before : since), breakAt, read: plain, really: asBooked };
  },
  "changes a fifth off what is booked": (random) => ({
    ...{ perDay: steady(random), breakAt: null, read: plain },
    really: (share, r) => Math.max(0, share * (1 + 0.2 * gaussian(r))),
  }),
  "a biased kit, held against a reference twice": (random) => {
    const bias = 2 * gaussian(random);
    const offset = bias + (SIGMA * (gaussian(random) + gaussian(random))) / 2;
    const kit = { id: "kit", sigma: SIGMA / Math.SQRT2 };
    return {
      ...{ perDay: steady(random), breakAt: null, really: asBooked },
      read: (value, r) => ({ ...plain(value + bias - offset, r), kit }),
    };
  },
  "few readings, off a coarse card": (random) => ({
    ...{ perDay: steady(random), breakAt: null, really: asBooked },
    read: (value, r) => (r() < 0.5 ? null : { value: 2 * Math.round((value + 0.8 * gaussian(r)) / 2), sigma: SIGMA }),
  }),
};

/** Days ahead in which an edge may be reached. */
const AHEAD = 60;

/** A tank with an edge that it reaches on a day that is known: nothing is done until then, and it moves on at its rate. */
export function withEdge(
  make: (random: Random) => Lived,
  random: Random,
): { input: TrendInput; rate: number; day: number } {
  const { input, rate, now } = live(make(random), random);
  const reached = 6 + 20 * random();
  const actHigh = now + rate * reached;
  const band = {
    ...{ parameter: "nitrate" as const, actLow: -1, idealLow: 0, idealHigh: 0.9 * actHigh, actHigh },
    ...{ validDays: 30, required: true },
  };
  // Told in whole days: the first on which it stands beyond.
  return { input: { ...input, band, daysAhead: AHEAD }, rate, day: Math.ceil(reached) };
}
