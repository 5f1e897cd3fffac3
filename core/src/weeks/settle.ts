import { addDays, daysBetween, weekday } from "../calendar/index.ts";
import { type Random, seeded } from "../numeric/index.ts";
import { distanceKm, travel } from "../round/index.ts";
import { isOpen } from "../series/index.ts";
import { type Board, type BoardPerson, type BoardStop, moved, runDay, type Slot } from "./board.ts";
import { refusedTo, SLACK } from "./breaks.ts";
import { costRefilled, type RefillStop, refilled, refillStops } from "./refills.ts";
import { Routes } from "./route.ts";
import { type BoardCost, costOf, type DayCost, dayCost } from "./settleCost.ts";
import { WEIGHTS, type Weights } from "./weights.ts";

const NO_MOVES: ReadonlyMap<string, Slot> = new Map();

/** What is settled, and how long it is tried. */
export interface Settling {
  /** Days on which stops may be put; nothing of other days moves. */
  readonly days: readonly string[];
  /** Stops that stay where they are. */
  readonly locked: readonly string[];
  /** The same seed gives the same answer. */
  readonly seed: number;
  /** How often something is taken out and put back. */
  readonly tries: number;
  readonly weights?: Weights;
}

/** The best that was found until now. */
export interface Settled {
  readonly tried: number;
  readonly moves: ReadonlyMap<string, Slot>;
  /** Returns to base that its days are better for once all of them are moved. */
  readonly refills: readonly RefillStop[];
  readonly before: BoardCost;
  readonly after: BoardCost;
  /** All of it weighed, minutes. */
  readonly cost: number;
  /** Minutes of driving that no round of these stops can do without. */
  readonly driveAtLeast: number;
}

/** Told so often for one seed. */
const TOLD = 25;
/** A stop without a rhythm of its own moves by so many days at most. */
const FREE_DAYS = 3;
/** What an answer may be worse by at first and at the end, minutes. */
const HOT = 30;
const COLD = 0.6;
/** A possible place is passed over this often: the same few would be tried for ever. */
const PASSED_OVER = 0.05;
/** So many stops are taken out at most; a whole day, or any of them, so often. */
const MOST_OUT = 6;
const OF_ONE_DAY = 0.25;
const ANYWHERE = 0.25;
/** A whole series is moved so often. */
const WHOLE = 0.3;

/** What a day costs in an order, and with one stop more where that costs least. */
interface Weighing {
  cost(person: BoardPerson, on: string, order: readonly BoardStop[]): DayCost;
  with(
    person: BoardPerson,
    on: string,
    order: readonly BoardStop[],
    stop: BoardStop,
  ): { order: BoardStop[]; cost: DayCost };
}

/** Each day by its best order, as the board shows it; with the returns to base that it is better for, or as it stands. */
class Exact implements Weighing {
  constructor(
    private readonly board: Board,
    private readonly weights: Weights,
    private readonly refills: boolean,
  ) {}

  cost(person: BoardPerson, on: string, order: readonly BoardStop[]): DayCost {
    const slot = { personId: person.id, on };
    const sorted = [...order].sort((a, b) => (a.id < b.id ? -1 : 1));
    return this.refills
      ? costRefilled(this.board, slot, sorted, this.weights)
      : dayCost(this.board, slot, runDay(this.board, slot, sorted), this.weights);
  }

  with(person: BoardPerson, on: string, order: readonly BoardStop[], stop: BoardStop) {
    const longer = [...order, stop];
    return { order: longer, cost: this.cost(person, on, longer) };
  }
}

/** Stops on their days while they are moved about. */
class Draft {
  private readonly cells = new Map<string, readonly BoardStop[]>();
  private readonly costs = new Map<string, DayCost>();
  readonly at = new Map<string, Slot>();
  private readonly people: ReadonlyMap<string, BoardPerson>;
  private readonly bySite: ReadonlyMap<string, readonly BoardStop[]>;
  private readonly bySeries: ReadonlyMap<string, readonly BoardStop[]>;
  private readonly beside: ReadonlyMap<string, readonly string[]>;

  /** The days of each person on which they work. */
  private readonly working: ReadonlyMap<string, readonly string[]>;

  constructor(
    readonly board: Board,
    readonly weights: Weights,
    days: readonly string[],
    private readonly weighing: Weighing,
  ) {
    this.people = new Map(board.people.map((p) => [p.id, p]));
    this.working = new Map(board.people.map((p) => [p.id, days.filter((on) => works(p, on))]));
    this.bySite = grouped(board.stops, (s) => s.siteId);
    this.bySeries = grouped(board.stops, (s) => s.seriesId ?? "");
    this.beside = new Map(
      [...grouped(board.beside, (b) => b.seriesId)].map(([id, list]) => [id, list.map((b) => b.on)]),
    );
    for (const s of board.stops) if (s.setAside === null) this.put(s, s);
  }

  put(stop: BoardStop, { personId, on }: Slot): void {
    this.at.set(stop.id, { personId, on });
    const person = this.people.get(personId);
    const cell = this.cell({ personId, on });
    this.cells.set(key({ personId, on }), person ? this.weighing.with(person, on, cell, stop).order : [...cell, stop]);
    this.costs.delete(key({ personId, on }));
  }

  take(stop: BoardStop): Slot | null {
    const slot = this.at.get(stop.id);
    if (!slot) return null;
    this.at.delete(stop.id);
    this.cells.set(
      key(slot),
      this.cell(slot).filter((s) => s !== stop),
    );
    this.costs.delete(key(slot));
    return slot;
  }

  cell(slot: Slot): readonly BoardStop[] {
    return this.cells.get(key(slot)) ?? NO_STOPS;
  }

  /** What a day costs as it is drafted. */
  cost(slot: Slot): DayCost {
    const known = this.costs.get(key(slot));
    if (known) return known;
    const person = this.people.get(slot.personId);
    const cost = person ? this.weighing.cost(person, slot.on, this.cell(slot)) : NO_COST;
    this.costs.set(key(slot), cost);
    return cost;
  }

  /** What it would cost with one stop more. */
  costWith(slot: Slot, stop: BoardStop): DayCost {
    const person = this.people.get(slot.personId);
    return person ? this.weighing.with(person, slot.on, this.cell(slot), stop).cost : NO_COST;
  }

  total(slots: readonly Slot[], home: ReadonlyMap<string, Slot>): number {
    let sum = 0;
    for (const slot of slots) sum += this.cost(slot).minutes;
    for (const personId of this.working.keys()) sum += this.unevenOf(personId);
    for (const [id, slot] of this.at) if (!same(home.get(id), slot)) sum += this.weights.moved;
    for (const s of this.board.stops) {
      const slot = this.at.get(s.id);
      if (slot) sum += this.apart(s, slot.on);
    }
    return sum + this.split();
  }

  /** More than one person for the same series, or visits that leave its rhythm each in their own way, weighted. */
  private split(): number {
    let sum = 0;
    for (const [id, stops] of this.bySeries) {
      if (id === "" || stops.length < 2) continue;
      const [people, shifts] = [new Set<string>(), new Set<number>()];
      for (const s of stops) {
        const slot = this.at.get(s.id);
        if (!slot) continue;
        people.add(slot.personId);
        shifts.add(slot.on === s.originalOn ? 0 : daysBetween(s.originalOn, slot.on));
      }
      sum += this.weights.split * (Math.max(0, people.size - 1) + Math.max(0, shifts.size - 1));
    }
    return sum;
  }

  /** Minutes by which a person's days differ from the mean of their working days, weighted; with one of them otherwise. */
  unevenOf(personId: string, on?: string, workMinutes?: number): number {
    const days = this.working.get(personId) ?? [];
    const work = days.map((d) => (d === on ? (workMinutes ?? 0) : this.cost({ personId, on: d }).workMinutes));
    const mean = work.reduce((a, b) => a + b, 0) / Math.max(1, work.length);
    return work.reduce((sum, minutes) => sum + this.weights.uneven * Math.abs(minutes - mean), 0);
  }

  /** Too near or too far from the visits of the same series, or at the same site on one day. */
  apart(stop: BoardStop, on: string): number {
    let sum = 0;
    for (const other of this.bySite.get(stop.siteId) ?? [])
      if (other.id !== stop.id && this.at.get(other.id)?.on === on) sum += this.weights.broken;
    if (stop.gapDays === null || stop.seriesId === null) return sum;
    const days = [...(this.beside.get(stop.seriesId) ?? [])];
    for (const other of this.bySeries.get(stop.seriesId) ?? []) {
      const slot = other.id === stop.id ? undefined : this.at.get(other.id);
      if (slot) days.push(slot.on);
    }
    const before = days
      .filter((d) => d < on)
      .sort()
      .at(-1);
    const after = days.filter((d) => d > on).sort()[0];
    for (const gap of [before && daysBetween(before, on), after && daysBetween(on, after)])
      if (typeof gap === "number" && Math.abs(gap - stop.gapDays) > stop.gapDays * SLACK) sum += this.weights.broken;
    return sum;
  }
}

const NO_STOPS: readonly BoardStop[] = [];
const NO_COST: DayCost = { minutes: 0, workMinutes: 0 };

function grouped<T>(list: readonly T[], by: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) groups.set(by(one), [...(groups.get(by(one)) ?? []), one]);
  return groups;
}

const key = ({ personId, on }: Slot): string => `${personId} ${on}`;
const same = (a: Slot | undefined, b: Slot): boolean => a?.personId === b.personId && a.on === b.on;

/** Whether somebody works on a day. */
const works = (person: BoardPerson, on: string): boolean =>
  person.workdays.includes(weekday(on)) && !person.away.some((a) => a.fromOn <= on && on <= a.untilOn);

/** Where a stop may be put: days near its own on which its site is open, with people who do it and work that day. */
export function placesFor(board: Board, stop: BoardStop, days: readonly string[]): Slot[] {
  if (stop.begun || stop.setAside !== null) return [];
  const reach = stop.gapDays === null ? FREE_DAYS : Math.floor(stop.gapDays * SLACK);
  // A reading that drifts does not wait.
  const late = stop.condition === "drifting" || stop.condition === "off" ? 0 : reach;
  const tides = stop.load.seaL > 0 ? board.quay?.windowsOn : undefined;
  const near = days.filter(
    (on) =>
      (tides === undefined || (tides[on]?.length ?? 0) > 0) &&
      on >= addDays(stop.originalOn, -reach) &&
      on <= addDays(stop.originalOn, late) &&
      isOpen(stop.windows, on),
  );
  const able = board.people.filter((p) => refusedTo(p, stop).length === 0);
  return able.flatMap((p) => near.filter((on) => works(p, on)).map((on) => ({ personId: p.id, on })));
}

/**
 * What a board costs with some of its stops elsewhere, minutes: what settling makes as small as it can.
 *
 * @param refills Whether its days may go back to base where they are better for it.
 */
export function weighed(
  board: Board,
  days: readonly string[],
  moves: ReadonlyMap<string, Slot>,
  refills = true,
): number {
  const home = new Map(board.stops.map((s) => [s.id, { personId: s.personId, on: s.on }]));
  const slots = board.people.flatMap((p) => days.map((on) => ({ personId: p.id, on })));
  const [after, weights] = [moved(board, moves), { ...WEIGHTS, ...board.weights }];
  return new Draft(after, weights, days, new Exact(after, weights, refills)).total(slots, home);
}

/**
 * Looks for better days and people for the stops of some days: taken out a few at a time, put back where they cost
 * least, kept where that is better or, at first, not much worse. Told every few tries; may be ended at any time.
 */
export function* settle(board: Board, { days, locked, seed, tries, weights: given }: Settling): Generator<Settled> {
  const weights = given ?? { ...WEIGHTS, ...board.weights };
  const random = seeded(seed);
  const home = new Map(board.stops.map((s) => [s.id, { personId: s.personId, on: s.on }]));
  const places = new Map(
    board.stops.map((s) => [
      s.id,
      locked.includes(s.id) || s.locked || !days.includes(s.on) ? [] : placesFor(board, s, days),
    ]),
  );
  const free = board.stops.filter((s) => (places.get(s.id)?.length ?? 0) > 0);
  const slots = board.people.flatMap((p) => days.map((on) => ({ personId: p.id, on })));
  const draft = new Draft(board, weights, days, new Routes(board, days, weights));
  const weighing = { ...board, weights };
  const start = weighed(weighing, days, NO_MOVES, false);
  let total = draft.total(slots, home);
  let best = { total, at: new Map(draft.at) };
  const before = costOf(board, slots);
  const whole = seriesOf(free);
  const every = Math.max(1, Math.ceil(tries / TOLD));
  const told = (tried: number): Settled => {
    const found = new Map([...best.at].filter(([id, slot]) => !same(home.get(id), slot)));
    // Searching weighs a day in one pass; what it found counts only if it is better when each day is laid out exactly.
    const stays = weighed(weighing, days, NO_MOVES);
    const cost = found.size === 0 ? stays : weighed(weighing, days, found);
    const moves = cost < stays - 1e-6 ? found : NO_MOVES;
    const there = moved(board, moves);
    const refills = refillStops(there, slots, weights);
    const after = costOf(refilled(there, refills), slots);
    return {
      ...{ tried, moves, refills, before, after },
      cost: Math.min(cost, stays, start),
      driveAtLeast: driveAtLeast(board, slots),
    };
  };
  for (let tried = 1; tried <= tries; tried++) {
    if (free.length > 0) {
      const before = new Map(draft.at);
      const series = whole.length > 0 && random() < WHOLE ? whole[Math.floor(random() * whole.length)] : undefined;
      const out = series ?? ruin(free, draft, random);
      for (const s of out) draft.take(s);
      if (series) putSeries(draft, series, places, home);
      else for (const s of shuffled(out, random)) putBack(draft, s, places.get(s.id) ?? [], home, weights, random);
      const now = draft.total(slots, home);
      const heat = HOT * (COLD / HOT) ** (tried / tries);
      if (now < total - heat * Math.log(random() || Number.MIN_VALUE)) total = now;
      else
        for (const s of out) {
          draft.take(s);
          const slot = before.get(s.id);
          if (slot) draft.put(s, slot);
        }
      if (now < best.total - 1e-6 && total === now) best = { total: now, at: new Map(draft.at) };
    }
    if (tried % every === 0 || tried === tries) yield told(tried);
  }
}

/** Series of which more than one visit may move: taken out and put back as a whole. */
function seriesOf(free: readonly BoardStop[]): BoardStop[][] {
  return [...grouped(free, (s) => s.seriesId ?? "")]
    .filter(([id, stops]) => id !== "" && stops.length > 1)
    .map(([, stops]) => [...stops].sort((a, b) => (a.on < b.on ? -1 : 1)));
}

/** Puts every visit of a series so many days from where it stood, with one person: the pattern that costs least. */
function putSeries(
  draft: Draft,
  series: readonly BoardStop[],
  places: ReadonlyMap<string, readonly Slot[]>,
  home: ReadonlyMap<string, Slot>,
): void {
  const [first] = series as [BoardStop];
  const stays = series.map((s) => home.get(s.id) as Slot);
  const patterns = [
    stays,
    ...(places.get(first.id) ?? []).flatMap((to): Slot[][] => {
      const shift = daysBetween(first.on, to.on);
      const slots = series.map((s) => ({ personId: to.personId, on: addDays(s.on, shift) }));
      return slots.every((slot, i) => places.get(series[i]?.id ?? "")?.some((p) => same(p, slot))) ? [slots] : [];
    }),
  ];
  let best: { slots: readonly Slot[]; cost: number } | null = null;
  for (const slots of patterns) {
    let cost = 0;
    series.forEach((s, i) => {
      const slot = slots[i] as Slot;
      cost += draft.costWith(slot, s).minutes - draft.cost(slot).minutes;
      if (!same(home.get(s.id), slot)) cost += draft.weights.moved;
    });
    series.forEach((s, i) => {
      draft.put(s, slots[i] as Slot);
    });
    for (const s of series) cost += draft.apart(s, draft.at.get(s.id)?.on ?? s.on);
    for (const s of series) draft.take(s);
    if (!best || cost < best.cost) best = { slots, cost };
  }
  series.forEach((s, i) => {
    draft.put(s, best?.slots[i] ?? (stays[i] as Slot));
  });
}

/**
 * Minutes that all days together drive at the least, whatever their order: half of the shortest way to each stop and from
 * it. Valid, and weak: the best round may well drive more.
 */
function driveAtLeast(board: Board, slots: readonly Slot[]): number {
  const on = new Set(slots.map((s) => s.on));
  const stops = board.stops.filter((s) => s.setAside === null && on.has(s.on));
  const places = [...new Map(stops.map((s) => [s.siteId, { lat: s.lat, lon: s.lon, key: s.siteId }])).values()];
  const all = [...places, board.base];
  let half = 0;
  for (const s of stops) {
    const here = { lat: s.lat, lon: s.lon, key: s.siteId };
    const others = all.filter((p) => p.key !== s.siteId || p === board.base);
    half += Math.min(...others.map((p) => travel(p, here, board.roads).minutes));
    half += Math.min(...others.map((p) => travel(here, p, board.roads).minutes));
  }
  return half / 2;
}

/** The best of several seeds, one after the other: where one is caught another may not be. */
export function* settleSeeds(
  board: Board,
  { seeds, ...settling }: Omit<Settling, "seed"> & { readonly seeds: readonly number[] },
): Generator<Settled> {
  let best: Settled | null = null;
  for (const [i, seed] of seeds.entries())
    for (const told of settle(board, { ...settling, seed })) {
      if (!best || told.cost < best.cost - 1e-6) best = told;
      yield { ...best, tried: i * settling.tries + told.tried };
    }
}

/** Stops that are taken out together: near each other, of one day, or anywhere. */
function ruin(free: readonly BoardStop[], draft: Draft, random: Random): BoardStop[] {
  const seed = free[Math.floor(random() * free.length)] as BoardStop;
  const count = 1 + Math.floor(random() * MOST_OUT);
  const kind = random();
  if (kind < OF_ONE_DAY) {
    const at = draft.at.get(seed.id);
    const day = at ? draft.cell(at).filter((s) => free.includes(s)) : [];
    return shuffled(day.length > 0 ? day : [seed], random).slice(0, MOST_OUT + 1);
  }
  if (kind < OF_ONE_DAY + ANYWHERE) return shuffled(free, random).slice(0, count);
  const near = [...free].sort((a, b) => distanceKm(seed, a) - distanceKm(seed, b) || (a.id < b.id ? -1 : 1));
  return near.filter((s) => s === seed || random() < 0.6).slice(0, count);
}

/** Puts a stop where it costs least; a move from where it stands now costs too. */
function putBack(
  draft: Draft,
  stop: BoardStop,
  places: readonly Slot[],
  home: ReadonlyMap<string, Slot>,
  weights: Weights,
  random: Random,
): void {
  let best: { slot: Slot; cost: number } | null = null;
  const stays = home.get(stop.id) as Slot;
  for (const slot of [stays, ...places.filter((p) => !same(stays, p))]) {
    if (best && random() < PASSED_OVER) continue;
    const { minutes, workMinutes } = draft.costWith(slot, stop);
    const cost =
      minutes -
      draft.cost(slot).minutes +
      draft.unevenOf(slot.personId, slot.on, workMinutes) -
      draft.unevenOf(slot.personId) +
      draft.apart(stop, slot.on) +
      (same(stays, slot) ? 0 : weights.moved);
    if (!best || cost < best.cost) best = { slot, cost };
  }
  if (best) draft.put(stop, best.slot);
}

function shuffled<T>(list: readonly T[], random: Random): T[] {
  return list
    .map((value) => ({ value, by: random() }))
    .sort((a, b) => a.by - b.by)
    .map(({ value }) => value);
}
