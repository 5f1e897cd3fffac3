import { COLLECT, type Collection, litresToCollect, type WithQuay, waysToCollect } from "./collect.ts";
import type { DayInput, DayStop } from "./day.ts";
import { BREAK_FROM, BREAK_MINUTES, type DayOrder, orderDay, REFILL_MINUTES } from "./dayOrder.ts";
import { kilograms, type OnBoard, type Peak, peakOf } from "./load.ts";
import { pieceFor, piecesOf } from "./pieces.ts";
import { type Place, travel } from "./travel.ts";

/** A stop with its place in the day. */
export interface TimedStop {
  readonly stop: DayStop;
  readonly arrive: number;
  readonly start: number;
  readonly end: number;
}

/** A stop that does not fit into its window on this day. */
export interface LeftOver {
  readonly stop: DayStop;
  /** When its work would end if it were the first of the day, minute of the day. */
  readonly earliestEnd: number;
  /** Whether it would fit if it were the only stop. */
  readonly alone: boolean;
}

/** A stretch of the day that is not a stop. */
export interface Leg {
  readonly kind: "travel" | "wait" | "break" | "refill";
  readonly from: number;
  readonly to: number;
  readonly km: number;
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

export interface DayPlan extends Peak {
  readonly stops: readonly TimedStop[];
  readonly leftOver: readonly LeftOver[];
  readonly legs: readonly Leg[];
  readonly onBoard: readonly OnBoard[];
  /** When to leave base: not before the day begins, and later where doors are closed until then. */
  readonly leaveAt: number;
  readonly homeAt: number;
  readonly overtimeMinutes: number;
  readonly km: number;
  readonly remedies: readonly Remedy[];
  /** The sea water of the day; null where no stop takes any, or nothing is known of a place to collect it. */
  readonly collection: Collection | null;
}

type Timeline = Omit<DayPlan, "remedies" | "collection">;

/**
 * Puts a day's stops in order and draws it to the clock, with the water on board as it falls and rises.
 *
 * Every service ends inside its window; a stop that fits into none any more is left over and named with the reason,
 * never pushed to a time at which nobody opens. Where the load does not fit the van the plan says what would make it fit.
 */
export function planDay(input: DayInput): DayPlan {
  const { whole, collection } = collected(input);
  const plan = timeline(whole, orderDay(beforeLights(whole)));
  return { ...plan, remedies: plan.fits ? [] : remediesFor(whole, plan), collection: collection(plan) };
}

/**
 * The day with every reef in its window before the lights come on, as far as that costs no stop, no overtime and no load:
 * its animals are still closed then.
 */
function beforeLights(input: DayInput): DayInput {
  let now = input;
  let plain: Timeline | null = null;
  for (const { id, lightsOn, window, minutes } of input.stops) {
    if (!lightsOn || lightsOn >= (window?.to ?? MIDNIGHT) || (window?.from ?? 0) + minutes > lightsOn) continue;
    plain ??= timeline(input, orderDay(input, WEIGHED_STOPS));
    const tried = {
      ...now,
      stops: now.stops.map((s) =>
        s.id === id ? { ...s, window: { ...window, from: window?.from ?? 0, to: lightsOn } } : s,
      ),
    };
    const plan = timeline(tried, orderDay(tried, WEIGHED_STOPS));
    const worse =
      plan.leftOver.length > plain.leftOver.length ||
      plan.overtimeMinutes > plain.overtimeMinutes + 1 ||
      plan.peakKg > Math.max(input.vanKg, plain.peakKg) + 1e-6 ||
      plan.homeAt - plan.leaveAt > plain.homeAt - plain.leaveAt + LIGHTS_MINUTES;
    if (!worse) now = tried;
  }
  return now;
}

const MIDNIGHT = 1440;
/** Before its lights come on is worth so many minutes of driving and waiting. */
const LIGHTS_MINUTES = 20;

/** While ways are weighed, a day is searched whole up to so many stops: nine take a few hundredths of a second. */
const WEIGHED_STOPS = 9;

/** The day with its stop at the quay, in the window that costs least; as it is where no tide fits or none is asked for. */
function collected(input: DayInput): { whole: DayInput; collection: (plan: Timeline) => Collection | null } {
  const litres = litresToCollect(input.stops);
  if (litres === 0 || !input.collecting) return { whole: input, collection: () => null };
  const { collecting } = input;
  if (collecting.windows.length === 0) return { whole: input, collection: () => ({ none: "no-window", litres }) };
  const most = timeline(input, orderDay(input, WEIGHED_STOPS)).leftOver.length;
  let best: { way: WithQuay; cost: number } | null = null;
  for (const way of waysToCollect(input, collecting, litres)) {
    if (best && best.way.input.startMinute > way.input.startMinute) break;
    const plan = timeline(way.input, orderDay(way.input, WEIGHED_STOPS));
    if (plan.leftOver.length > most) continue;
    const cost = plan.overtimeMinutes + plan.homeAt - plan.leaveAt;
    if (!best || cost < best.cost) best = { way, cost };
  }
  if (!best) return { whole: input, collection: () => ({ none: "no-room", litres }) };
  const { way } = best;
  return {
    whole: way.input,
    collection: (plan) => {
      const quay = plan.stops.find((s) => s.stop.id === COLLECT);
      if (!quay) return { none: "no-room", litres };
      const { start, end } = quay;
      const alarmAt = plan.leaveAt - collecting.readyMinutes;
      return { none: null, litres, window: way.window, start, end, leaveAt: plan.leaveAt, alarmAt };
    },
  };
}

function timeline(input: DayInput, order: DayOrder): Timeline {
  const stops: TimedStop[] = [];
  const legs: Leg[] = [];
  let [minute, at, km]: [number, Place, number] = [input.startMinute + order.leaveLater, input.from ?? input.base, 0];
  const leg = (kind: Leg["kind"], to: number, legKm = 0) => {
    legs.push({ kind, from: minute, to, km: legKm });
    minute = to;
    km += legKm;
  };
  const drive = (to: Place) => {
    const way = travel(at, to, input.roads);
    leg("travel", minute + way.minutes, way.km);
    at = to;
  };
  for (const { kind, index } of order.moves) {
    const stop = input.stops[index];
    if (kind === "rest") {
      if (minute < BREAK_FROM) leg("wait", BREAK_FROM);
      leg("break", minute + BREAK_MINUTES);
    } else if (kind === "refill") {
      drive(input.base);
      leg("refill", minute + REFILL_MINUTES);
    } else if (stop) {
      drive(stop);
      const arrive = minute;
      const opens = pieceFor(piecesOf(stop.window), minute, stop.minutes)?.opens ?? 0;
      if (minute < opens) leg("wait", opens);
      stops.push({ stop, arrive, start: minute, end: minute + stop.minutes });
      minute += stop.minutes;
    }
  }
  if (stops.length > 0) drive(input.base);
  else minute = input.startMinute;
  const onBoard = waterOnBoard(input, stops, legs);
  return {
    stops,
    leftOver: order.left.flatMap((i) => leftOver(input, input.stops[i])),
    legs,
    onBoard,
    ...peakOf(onBoard, input),
    leaveAt: stops.length > 0 ? input.startMinute + order.leaveLater : input.startMinute,
    homeAt: minute,
    overtimeMinutes: Math.max(0, minute - input.endMinute),
    km,
  };
}

/** The same without ways to mend it, its order searched whole up to so many stops only: for weighing many days. */
export function draftDay(input: DayInput, exactStops: number): DayPlan {
  const { whole, collection } = collected(input);
  const plan = timeline(whole, orderDay(whole, exactStops));
  return { ...plan, remedies: [], collection: collection(plan) };
}

/** A stop that the day has no room for: alone it might have been done in time, or not even so. */
function leftOver(input: DayInput, stop: DayStop | undefined): LeftOver[] {
  if (!stop) return [];
  const reached = input.startMinute + travel(input.from ?? input.base, stop, input.roads).minutes;
  const piece = pieceFor(piecesOf(stop.window), reached, stop.minutes);
  const earliestEnd = Math.max(reached, piece?.opens ?? stop.window?.from ?? 0) + stop.minutes;
  return [{ stop, earliestEnd, alone: piece !== null }];
}

const NOTHING = { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 };

export function waterOnBoard(input: DayInput, stops: readonly TimedStop[], legs: readonly Leg[]): OnBoard[] {
  const refills = legs.filter((l) => l.kind === "refill");
  const segments: TimedStop[][] = [[]];
  for (const s of stops) {
    segments.at(-1)?.push(s);
    if (input.refillAfter.includes(s.stop.id)) segments.push([]);
  }
  const points: OnBoard[] = [];
  const collects = stops.some((s) => s.stop.collectsL !== undefined);
  let seaKg = 0;
  segments.forEach((segment, i) => {
    const loads = segment.map((s) => kilograms(s.stop.load));
    let [mixKg, purifiedKg, wasteKg] = [0, 0, 0];
    for (const l of loads) {
      mixKg += l.mixKg;
      // What is collected on the way is not on board from the start.
      if (!collects) seaKg += l.seaKg;
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
    push(i === 0 ? (legs[0]?.from ?? input.startMinute) : (refills[i - 1]?.to ?? input.startMinute));
    segment.forEach((s, j) => {
      push(s.start);
      const l = loads[j] as Omit<OnBoard, "minute">;
      mixKg -= l.mixKg;
      seaKg += kilograms({ ...NOTHING, seaL: s.stop.collectsL ?? 0 }).seaKg - l.seaKg;
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

/** A day is laid anew for each way to mend it: a longer one is not searched whole each time. */
const REMEDY_STOPS = 8;

/** Ways to make an overloaded day fit, those that fit first, then by the minutes they cost. */
function remediesFor(input: DayInput, plan: Timeline): Remedy[] {
  const remedies: Remedy[] = [];
  const consider = (kind: Remedy["kind"], stop: DayStop, changed: DayInput) => {
    const result = timeline(changed, orderDay(changed, REMEDY_STOPS));
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
    if (stop.id !== COLLECT) consider("refill", stop, { ...input, refillAfter: [...input.refillAfter, stop.id] });
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
