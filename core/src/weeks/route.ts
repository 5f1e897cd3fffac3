import type { DayStop } from "../round/index.ts";
import { kilograms, pieceFor, piecesOf, REFILL_MINUTES, travel } from "../round/index.ts";
import { windowOn } from "../series/index.ts";
import type { Board, BoardPerson, BoardStop } from "./board.ts";
import type { DayCost } from "./settleCost.ts";
import type { Weights } from "./weights.ts";

/** A break of half an hour lies in a day over six hours. */
const LONG_MINUTES = 360;
const BREAK_MINUTES = 30;

/** A stop as a route needs it. */
interface Call {
  readonly place: number;
  readonly minutes: number;
  readonly downKg: number;
  readonly upKg: number;
  readonly keptLast: boolean;
  readonly windows: ReadonlyMap<string, DayStop["window"]>;
}

/**
 * Days as they are tried by the thousand: a stop goes where it lengthens a route least, and a route is weighed in one pass.
 *
 * Quicker than the exact order of a day, and never better: what is found is laid out exactly afterwards.
 */
export class Routes {
  private readonly calls = new Map<string, Call>();
  private readonly minutes: readonly (readonly number[])[];
  private readonly base: number;

  constructor(
    board: Board,
    days: readonly string[],
    private readonly weights: Weights,
  ) {
    const sites = [...new Map(board.stops.map((s) => [s.siteId, s])).values()];
    const at = new Map(sites.map((s, i) => [s.siteId, i]));
    this.base = sites.length;
    const places = [...sites.map((s) => ({ lat: s.lat, lon: s.lon, key: s.siteId })), board.base];
    this.minutes = places.map((a) => places.map((b) => travel(a, b, board.roads).minutes));
    for (const s of board.stops) {
      const kg = kilograms(s.load);
      this.calls.set(s.id, {
        place: at.get(s.siteId) ?? 0,
        minutes: s.minutes,
        downKg: kg.mixKg + kg.seaKg + kg.purifiedKg,
        upKg: kg.wasteKg,
        keptLast: s.keptLast,
        windows: new Map([...days, s.on].map((on) => [on, windowOn(s.windows, on)])),
      });
    }
  }

  /** What a person's day costs in an order: too heavy, or with returns to base, whichever is cheaper. */
  cost(person: BoardPerson, on: string, order: readonly BoardStop[]): DayCost {
    const agreed = this.walk(person, on, order, (i) => order[i]?.refillAfter === true);
    if (agreed.overKg <= 0) return agreed;
    const full = this.fullAfter(person, order);
    const returning = this.walk(person, on, order, (i) => full.has(i));
    return returning.minutes < agreed.minutes ? returning : agreed;
  }

  /** Where the van goes back at the latest: before the stop that would be too much for it. */
  private fullAfter(person: BoardPerson, order: readonly BoardStop[]): ReadonlySet<number> {
    const full = new Set<number>();
    let [load, high, down] = [0, 0, 0];
    order.forEach((stop, i) => {
      const call = this.calls.get(stop.id) as Call;
      const [nextDown, nextLoad] = [down + call.downKg, load + call.upKg - call.downKg];
      if (i > 0 && nextDown + Math.max(0, high, nextLoad) > person.vanKg) {
        full.add(i - 1);
        [down, load, high] = [call.downKg, call.upKg - call.downKg, Math.max(0, call.upKg - call.downKg)];
      } else [down, load, high] = [nextDown, nextLoad, Math.max(high, nextLoad)];
      if (stop.refillAfter) {
        full.add(i);
        [load, high, down] = [0, 0, 0];
      }
    });
    return full;
  }

  /** One pass along a day that goes back to base after some of its stops. */
  private walk(
    person: BoardPerson,
    on: string,
    order: readonly BoardStop[],
    refills: (i: number) => boolean,
  ): DayCost & { readonly overKg: number } {
    if (order.length === 0) return { minutes: 0, workMinutes: 0, overKg: 0 };
    const { overtime, leftOut, overKg } = this.weights;
    let [minute, at, served, left] = [person.startMinute, this.base, 0, 0];
    let [load, high, down, over] = [0, 0, 0, 0];
    let begun = -1;
    let rested = false;
    for (const [i, stop] of order.entries()) {
      const call = this.calls.get(stop.id) as Call;
      const window = call.windows.get(on) ?? null;
      let arrive = minute + (this.minutes[at]?.[call.place] ?? 0);
      if (!rested && begun >= 0 && arrive - begun > LONG_MINUTES / 2) {
        rested = true;
        arrive += BREAK_MINUTES;
      }
      const piece = pieceFor(piecesOf(window), arrive, call.minutes);
      const start = Math.max(arrive, piece?.opens ?? window?.from ?? 0);
      if (begun < 0) begun = minute + start - arrive;
      served += call.minutes;
      minute = start + call.minutes;
      if (!piece) left++;
      at = call.place;
      down += call.downKg;
      load += call.upKg - call.downKg;
      high = Math.max(high, load);
      if (!refills(i)) continue;
      minute += (this.minutes[at]?.[this.base] ?? 0) + REFILL_MINUTES;
      at = this.base;
      over = Math.max(over, down + high - person.vanKg);
      [load, high, down] = [0, 0, 0];
    }
    const homeAt = minute + (this.minutes[at]?.[this.base] ?? 0);
    const work = homeAt - begun;
    const rest = work > LONG_MINUTES && !rested ? BREAK_MINUTES : 0;
    over = Math.max(over, down + high - person.vanKg, 0);
    return {
      overKg: over,
      workMinutes: work + rest,
      minutes:
        work +
        rest -
        served +
        overtime * Math.max(0, homeAt + rest - person.endMinute) +
        overKg * over +
        leftOut * left,
    };
  }

  /** The order with one stop more, where it costs least; what is kept last stays last. */
  with(
    person: BoardPerson,
    on: string,
    order: readonly BoardStop[],
    stop: BoardStop,
  ): { order: BoardStop[]; cost: DayCost } {
    const firstKept = order.findIndex((s) => s.keptLast);
    const kept = firstKept < 0 ? order.length : firstKept;
    const [from, to] = stop.keptLast ? [kept, order.length] : [0, kept];
    let best: { order: BoardStop[]; cost: DayCost } | null = null;
    for (let i = from; i <= to; i++) {
      const tried = [...order.slice(0, i), stop, ...order.slice(i)];
      const cost = this.cost(person, on, tried);
      if (!best || cost.minutes < best.cost.minutes) best = { order: tried, cost };
    }
    return best ?? { order: [stop], cost: this.cost(person, on, [stop]) };
  }
}
