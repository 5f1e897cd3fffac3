import { daysBetween } from "../calendar/index.ts";

/** What happened to a stock. A count says what was there; everything else by how much it changed. */
export const MOVE_KINDS = ["delivered", "used", "counted", "moved", "thrown"] as const;
export type MoveKind = (typeof MOVE_KINDS)[number];

/** One line of an item's ledger, in the item's unit. */
export interface StoreMove {
  readonly id: string;
  readonly kind: MoveKind;
  /** Null at the base, else whose van. */
  readonly place: string | null;
  /** Signed; of a count what was there. */
  readonly amount: number;
  /** What the plan of the visit would have taken; of a use alone. */
  readonly planned: number | null;
  /** When it happened, ms: a phone may tell of it later. */
  readonly atMs: number;
  readonly on: string;
  readonly lot: string;
  readonly expiresOn: string | null;
}

/** A count against what was booked until then. */
export interface Counted {
  readonly id: string;
  readonly place: string | null;
  readonly on: string;
  readonly booked: number;
  readonly counted: number;
  /** Since the count before it at this place; null of a first one, which says what there is and not what was lost. */
  readonly days: number | null;
  /** Taken by that count since the one before, and by the plans of that time. */
  readonly used: number;
  readonly planned: number;
}

/** What is left of one delivery. */
export interface Lot {
  readonly lot: string;
  readonly expiresOn: string | null;
  readonly amount: number;
}

/** An item's stock as its ledger leaves it. */
export interface Stock {
  readonly total: number;
  /** By place; the base is "". May be below nothing: more was logged than was there. */
  readonly places: ReadonlyMap<string, number>;
  /** What there is, the soonest to expire first: that is used first. */
  readonly lots: readonly Lot[];
  readonly counts: readonly Counted[];
}

export const placeKey = (place: string | null): string => place ?? "";

/** In the order things happened; of one moment a count comes last, since it saw the rest. */
const inOrder = (a: StoreMove, b: StoreMove): number =>
  a.atMs - b.atMs || Number(a.kind === "counted") - Number(b.kind === "counted") || (a.id < b.id ? -1 : 1);

interface Since {
  readonly on: string | null;
  readonly start: number;
  came: number;
  planned: number;
}

/** Folds an item's ledger. What a phone tells late of a time before a count changes what that count found, and not what there is. */
export function stockOf(moves: readonly StoreMove[]): Stock {
  const places = new Map<string, number>();
  const since = new Map<string, Since>();
  const counts: Counted[] = [];
  for (const move of [...moves].sort(inOrder)) {
    const key = placeKey(move.place);
    const booked = places.get(key) ?? 0;
    const before = since.get(key) ?? { on: null, start: 0, came: 0, planned: 0 };
    if (move.kind !== "counted") {
      places.set(key, booked + move.amount);
      if (move.kind !== "used") before.came += move.amount;
      before.planned += move.planned ?? 0;
      since.set(key, before);
      continue;
    }
    counts.push({
      ...{ id: move.id, place: move.place, on: move.on, booked, counted: move.amount },
      days: before.on === null ? null : Math.max(1, daysBetween(before.on, move.on)),
      // Before a first count nobody knows what there was.
      used: before.on === null ? 0 : before.start + before.came - move.amount,
      planned: before.on === null ? 0 : before.planned,
    });
    places.set(key, move.amount);
    since.set(key, { on: move.on, start: move.amount, came: 0, planned: 0 });
  }
  const total = [...places.values()].reduce((sum, x) => sum + x, 0);
  return { total, places, lots: lotsOf(moves, total), counts };
}

/** What is left of each delivery, if the soonest to expire went first; what was there before any is of no lot. */
export function lotsOf(moves: readonly StoreMove[], total: number): Lot[] {
  const came = new Map<string, Lot>();
  for (const { kind, lot, expiresOn, amount } of moves) {
    if (kind !== "delivered" || (lot === "" && expiresOn === null)) continue;
    const key = `${lot} ${expiresOn}`;
    came.set(key, { lot, expiresOn, amount: (came.get(key)?.amount ?? 0) + amount });
  }
  const latestFirst = [...came.values()].sort((a, b) => ((a.expiresOn ?? "9999") < (b.expiresOn ?? "9999") ? 1 : -1));
  let left = total;
  const kept: Lot[] = [];
  // What is left is of the last to expire.
  for (const lot of latestFirst) {
    const amount = Math.min(lot.amount, left);
    if (amount <= 0) break;
    kept.unshift({ ...lot, amount });
    left -= amount;
  }
  return left > 0 ? [...kept, { lot: "", expiresOn: null, amount: left }] : kept;
}

/** A count and the one before it weigh as 1 : ½, and so on back. */
const OLDER = 0.5;

/** What goes missing a day without being logged, by counts: positive where less was found than booked; null before two counts. */
export function lossPerDay(counts: readonly Counted[]): number | null {
  let [sum, weight, w] = [0, 0, 1];
  for (const { booked, counted, days } of [...counts].reverse()) {
    if (days === null) continue;
    sum += (w * (booked - counted)) / days;
    weight += w;
    w *= OLDER;
  }
  return weight > 0 ? sum / weight : null;
}
