import { type Place, type Roads, travel } from "./travel.ts";

/** Litres a stop takes from the van and gives back to it. */
export interface StopLoad {
  readonly mixL: number;
  readonly seaL: number;
  readonly purifiedL: number;
  readonly wasteL: number;
}

/** A stop of a day before it has a time. */
export interface DayStop extends Place {
  readonly id: string;
  readonly name: string;
  /** Minutes of the day; the work ends inside. Null: any time. */
  readonly window: { readonly from: number; readonly to: number } | null;
  readonly minutes: number;
  readonly load: StopLoad;
  /** Under treatment: after every other stop. */
  readonly keptLast: boolean;
  /** Steady tanks may slip; others may not. */
  readonly maySlip: boolean;
}

export interface DayInput {
  readonly stops: readonly DayStop[];
  readonly base: Place;
  readonly startMinute: number;
  readonly endMinute: number;
  readonly roads: Roads;
  /** What the van carries, kg of water. */
  readonly vanKg: number;
  /** Stops after which the van goes back to base, fills up and gives its waste away. */
  readonly refillAfter: readonly string[];
}

/** A stop with its place in the day. */
export interface TimedStop {
  readonly stop: DayStop;
  readonly arrive: number;
  readonly start: number;
  readonly end: number;
  /** Minutes by which the work ends outside its window. */
  readonly lateMinutes: number;
}

/** A stretch of the day that is not a stop. */
export interface Leg {
  readonly kind: "travel" | "wait" | "break" | "refill";
  readonly from: number;
  readonly to: number;
  readonly km: number;
}

/** Kilograms of water on board at a minute, by kind. */
export interface OnBoard {
  readonly minute: number;
  readonly mixKg: number;
  readonly seaKg: number;
  readonly purifiedKg: number;
  readonly wasteKg: number;
}

/** A way to make a day fit its van. */
export interface Remedy {
  readonly kind: "refill" | "mix-on-site" | "other-day";
  readonly stopId: string;
  readonly stopName: string;
  readonly peakKg: number;
  readonly fits: boolean;
  readonly extraMinutes: number;
}

export interface DayPlan {
  readonly stops: readonly TimedStop[];
  readonly legs: readonly Leg[];
  readonly onBoard: readonly OnBoard[];
  readonly peakKg: number;
  readonly fits: boolean;
  readonly homeAt: number;
  readonly overtimeMinutes: number;
  readonly km: number;
  readonly remedies: readonly Remedy[];
}

/** 1.025 kg/L: sea water of 35 PSU at tank temperature (EOS-80 gives 1.023 at 25 °C). */
const SALT_KG_PER_L = 1.025;
const BREAK_MINUTES = 30;
/** The break comes at the first departure after this. */
const BREAK_FROM = 11 * 60 + 45;
const REFILL_MINUTES = 25;
/** Partial orders kept while searching; a day of twelve stops is searched almost whole. */
const BEAM = 240;

interface Partial {
  readonly order: readonly number[];
  readonly minute: number;
  readonly late: number;
  readonly km: number;
  readonly rested: boolean;
  readonly at: Place;
}

function stepTo(
  input: DayInput,
  from: Partial,
  index: number,
): Partial & { arrive: number; start: number; end: number } {
  const stop = input.stops[index] as DayStop;
  const way = travel(from.at, stop, input.roads);
  const rest = !from.rested && from.minute >= BREAK_FROM && from.order.length > 0;
  const arrive = from.minute + (rest ? BREAK_MINUTES : 0) + way.minutes;
  const start = Math.max(arrive, stop.window?.from ?? 0);
  const end = start + stop.minutes;
  const late = Math.max(0, end - (stop.window?.to ?? Number.POSITIVE_INFINITY));
  const refill = input.refillAfter.includes(stop.id);
  const back = refill ? travel(stop, input.base, input.roads) : null;
  return {
    order: [...from.order, index],
    minute: end + (back ? back.minutes + REFILL_MINUTES : 0),
    late: from.late + late,
    km: from.km + way.km + (back?.km ?? 0),
    rested: from.rested || rest,
    at: refill ? input.base : stop,
    arrive,
    start,
    end,
  };
}

/** Order of stops: fewest minutes outside windows, then the earliest end, then the shortest way. Kept-last stops last. */
export function orderStops(input: DayInput): readonly number[] {
  const begin: Partial = { order: [], minute: input.startMinute, late: 0, km: 0, rested: false, at: input.base };
  let beam: Partial[] = [begin];
  const ordinary = input.stops.filter((s) => !s.keptLast).length;
  for (let depth = 0; depth < input.stops.length; depth++) {
    const next: Partial[] = [];
    for (const state of beam) {
      input.stops.forEach((stop, i) => {
        if (state.order.includes(i) || (stop.keptLast && depth < ordinary)) return;
        next.push(stepTo(input, state, i));
      });
    }
    beam = next.sort((a, b) => a.late - b.late || a.minute - b.minute || a.km - b.km).slice(0, BEAM);
  }
  return beam[0]?.order ?? [];
}

/**
 * Puts a day's stops in order and draws it to the clock, with the water on board as it falls and rises.
 *
 * Service times end inside their windows where they can; what cannot be met is reported, never hidden. Where the load
 * does not fit the van the plan says what would make it fit.
 */
export function planDay(input: DayInput): DayPlan {
  const order = orderStops(input);
  const plan = timeline(input, order);
  if (plan.fits) return { ...plan, remedies: [] };
  return { ...plan, remedies: remediesFor(input, plan) };
}

function timeline(input: DayInput, order: readonly number[]): Omit<DayPlan, "remedies"> {
  const stops: TimedStop[] = [];
  const legs: Leg[] = [];
  let state: Partial = { order: [], minute: input.startMinute, late: 0, km: 0, rested: false, at: input.base };
  for (const index of order) {
    const stop = input.stops[index] as DayStop;
    const next = stepTo(input, state, index);
    let at = state.minute;
    if (next.rested && !state.rested) {
      legs.push({ kind: "break", from: at, to: at + BREAK_MINUTES, km: 0 });
      at += BREAK_MINUTES;
    }
    const way = travel(state.at, stop, input.roads);
    legs.push({ kind: "travel", from: at, to: next.arrive, km: way.km });
    if (next.start > next.arrive) legs.push({ kind: "wait", from: next.arrive, to: next.start, km: 0 });
    stops.push({
      stop,
      arrive: next.arrive,
      start: next.start,
      end: next.end,
      lateMinutes: Math.max(0, next.end - (stop.window?.to ?? 1440)),
    });
    if (input.refillAfter.includes(stop.id)) {
      const back = travel(stop, input.base, input.roads);
      legs.push({ kind: "travel", from: next.end, to: next.end + back.minutes, km: back.km });
      legs.push({ kind: "refill", from: next.end + back.minutes, to: next.minute, km: 0 });
    }
    state = next;
  }
  const home = travel(state.at, input.base, input.roads);
  const homeAt = state.minute + home.minutes;
  if (order.length > 0) legs.push({ kind: "travel", from: state.minute, to: homeAt, km: home.km });
  const onBoard = waterOnBoard(input, stops, legs);
  const peakKg = Math.max(0, ...onBoard.map((b) => b.mixKg + b.seaKg + b.purifiedKg + b.wasteKg));
  return {
    stops,
    legs,
    onBoard,
    peakKg,
    fits: peakKg <= input.vanKg + 1e-6,
    homeAt,
    overtimeMinutes: Math.max(0, homeAt - input.endMinute),
    km: state.km + home.km,
  };
}

function kilograms(load: StopLoad): Omit<OnBoard, "minute"> {
  return {
    mixKg: load.mixL * SALT_KG_PER_L,
    seaKg: load.seaL * SALT_KG_PER_L,
    purifiedKg: load.purifiedL,
    wasteKg: load.wasteL * SALT_KG_PER_L,
  };
}

function waterOnBoard(input: DayInput, stops: readonly TimedStop[], legs: readonly Leg[]): OnBoard[] {
  const refills = legs.filter((l) => l.kind === "refill");
  const segments: TimedStop[][] = [[]];
  for (const s of stops) {
    segments.at(-1)?.push(s);
    if (input.refillAfter.includes(s.stop.id)) segments.push([]);
  }
  const points: OnBoard[] = [];
  segments.forEach((segment, i) => {
    const loads = segment.map((s) => kilograms(s.stop.load));
    let [mixKg, seaKg, purifiedKg, wasteKg] = [0, 0, 0, 0];
    for (const l of loads) {
      mixKg += l.mixKg;
      seaKg += l.seaKg;
      purifiedKg += l.purifiedKg;
    }
    const push = (minute: number) =>
      points.push({
        minute,
        mixKg: Math.max(0, mixKg),
        seaKg: Math.max(0, seaKg),
        purifiedKg: Math.max(0, purifiedKg),
        wasteKg,
      });
    push(i === 0 ? input.startMinute : (refills[i - 1]?.to ?? input.startMinute));
    segment.forEach((s, j) => {
      push(s.start);
      const l = loads[j] as Omit<OnBoard, "minute">;
      mixKg -= l.mixKg;
      seaKg -= l.seaKg;
      purifiedKg -= l.purifiedKg;
      wasteKg += l.wasteKg;
      push(s.end);
    });
    const refill = refills[i];
    if (refill) push(refill.from);
    else if (i === segments.length - 1) push(legs.at(-1)?.to ?? input.endMinute);
  });
  return points;
}

/** Ways to make an overloaded day fit, those that fit first, then by the minutes they cost. */
function remediesFor(input: DayInput, plan: Omit<DayPlan, "remedies">): Remedy[] {
  const remedies: Remedy[] = [];
  const consider = (kind: Remedy["kind"], stop: DayStop, changed: DayInput) => {
    const order = kind === "refill" ? plan.stops.map((s) => input.stops.indexOf(s.stop)) : orderStops(changed);
    const result = timeline(changed, order);
    remedies.push({
      kind,
      stopId: stop.id,
      stopName: stop.name,
      peakKg: result.peakKg,
      fits: result.fits,
      extraMinutes: Math.round(result.homeAt - plan.homeAt),
    });
  };
  for (const { stop } of plan.stops.slice(0, -1))
    consider("refill", stop, { ...input, refillAfter: [...input.refillAfter, stop.id] });
  for (const stop of input.stops) {
    if (stop.load.mixL > 0)
      consider("mix-on-site", stop, {
        ...input,
        stops: input.stops.map((s) =>
          s === stop ? { ...s, minutes: s.minutes + 30, load: { ...s.load, mixL: 0 } } : s,
        ),
      });
    if (stop.maySlip) consider("other-day", stop, { ...input, stops: input.stops.filter((s) => s !== stop) });
  }
  const best = (kind: Remedy["kind"]) =>
    remedies
      .filter((r) => r.kind === kind && r.peakKg < plan.peakKg)
      .sort((a, b) => Number(b.fits) - Number(a.fits) || a.extraMinutes - b.extraMinutes || a.peakKg - b.peakKg)[0];
  return (["refill", "mix-on-site", "other-day"] as const).flatMap((kind) => best(kind) ?? []);
}
