import { addDays } from "@keel-round/core/calendar";
import { seeded } from "@keel-round/core/numeric";
import { distanceKm } from "@keel-round/core/round";
import {
  type Board,
  type BoardPerson,
  type BoardStop,
  placesFor,
  type Slot,
  settleSeeds,
  weighed,
} from "@keel-round/core/weeks";

// How good a settled round is: small ones beside every way there is, large ones beside a search ten times as long and beside
// the plain way; and how its time grows.
const MONDAY = "2026-11-30";
/** Tries of each seed, as the weeks settle. */
const TRIES = 4000;
const SEEDS = [1978, 31, 404, 8];
const WEEK = [0, 1, 2, 3, 4].map((d) => addDays(MONDAY, d));

/** A week of some sites about a town, three in ten with morning hours, one in five salt that one person does not do. */
function weekOf(sites: number, people: number, days: readonly string[], seed: number): Board {
  const random = seeded(seed);
  const person = (i: number): BoardPerson => ({
    ...{ id: `p${i}`, name: `P${i}`, startMinute: 450, endMinute: 1020, vanKg: 400, workdays: [1, 2, 3, 4, 5] },
    ...{ knows: i === 1 ? ["fresh"] : null, away: [] },
  });
  const stop = (i: number): BoardStop => {
    const on = days[Math.floor(random() * days.length)] as string;
    const morning = random() < 0.3;
    const salt = random() < 0.2;
    const hours = morning ? { from: 420, to: 660 } : { from: 480, to: 1050 };
    const litres = Math.round(random() * 60);
    return {
      ...{ id: `s${i}`, siteId: `site${i}`, name: `S${i}`, seriesId: `series${i}`, gapDays: random() < 0.6 ? 7 : 14 },
      ...{ personId: salt ? "p0" : `p${Math.floor(random() * people)}`, on, originalOn: on },
      windows: { 1: hours, 2: hours, 3: hours, 4: hours, 5: hours },
      ...{ lat: 50.4 + (random() - 0.5) * 0.2, lon: -4.7 + (random() - 0.5) * 0.3 },
      minutes: 30 + Math.round(random() * 50),
      load: { mixL: salt ? litres : 0, seaL: 0, purifiedL: salt ? 0 : Math.round(litres / 3), wasteL: 0 },
      condition: random() < 0.2 ? "drifting" : "steady",
      ...{ keptLast: false, refillAfter: false, carriesSalt: false, needs: salt ? ["salt"] : ["fresh"] },
      ...{ begun: false, setAside: null },
    };
  };
  return {
    people: Array.from({ length: people }, (_, i) => person(i)),
    stops: Array.from({ length: sites }, (_, i) => stop(i)),
    ...{ beside: [], base: { lat: 50.4, lon: -4.7 }, roads: { roadFactor: 1.35, speedKmH: 28 } },
  };
}

function settled(board: Board, days: readonly string[], tries: number, seeds: readonly number[] = SEEDS) {
  const began = performance.now();
  let last = null;
  for (const told of settleSeeds(board, { days, locked: [], tries, seeds })) last = told;
  if (!last) throw new Error("Nothing was told");
  return { ...last, ms: performance.now() - began };
}

/** Every way to place the stops of a small week, weighed. */
function best(board: Board, days: readonly string[]): { readonly cost: number; readonly ways: number } {
  const places = board.stops.map((s) => placesFor(board, s, days));
  let [cost, ways] = [Number.POSITIVE_INFINITY, 0];
  const moves = new Map<string, Slot>();
  const go = (i: number): void => {
    const stop = board.stops[i];
    if (!stop) {
      ways++;
      cost = Math.min(cost, weighed(board, days, moves));
      return;
    }
    for (const slot of [{ personId: stop.personId, on: stop.on }, ...(places[i] ?? [])]) {
      moves.set(stop.id, slot);
      go(i + 1);
    }
  };
  go(0);
  return { cost, ways };
}

/** The plain way: the nearest stops together, dealt to the days and people that may have them. */
function plain(board: Board, days: readonly string[]): number {
  const load = new Map<string, number>();
  const moves = new Map<string, Slot>();
  for (const s of [...board.stops].sort((a, b) => distanceKm(board.base, a) - distanceKm(board.base, b))) {
    const may = placesFor(board, s, days);
    const key = (x: Slot) => `${x.personId} ${x.on}`;
    const slot = may.sort((a, b) => (load.get(key(a)) ?? 0) - (load.get(key(b)) ?? 0))[0];
    if (!slot) continue;
    load.set(key(slot), (load.get(key(slot)) ?? 0) + s.minutes);
    moves.set(s.id, slot);
  }
  return weighed(board, days, moves);
}

const SMALL = 20;
let [equal, worst, ways] = [0, 0, 0];
for (let seed = 1; seed <= SMALL; seed++) {
  const days = WEEK.slice(0, 3);
  const board = weekOf(5, 2, days, seed);
  const exact = best(board, days);
  const found = settled(board, days, TRIES);
  ways += exact.ways;
  const above = found.cost / exact.cost - 1;
  if (above < 1e-9) equal++;
  worst = Math.max(worst, above);
}
console.log(
  `small: 5 stops, 2 people, 3 days: the best of all ${ways} ways in ${equal} of ${SMALL}, at most ${(100 * worst).toFixed(2)} % above`,
);

for (const sites of [20, 60, 120]) {
  const board = weekOf(sites, 3, WEEK, 77);
  const before = weighed(board, WEEK, new Map());
  const short = settled(board, WEEK, TRIES);
  const long = settled(board, WEEK, 10 * TRIES);
  const alone = SEEDS.map((s) => settled(board, WEEK, TRIES, [s]).cost);
  console.log(
    [
      `${sites} sites, 3 people: ${(short.ms / (4 * TRIES)).toFixed(1)} ms a try`,
      `cost ${short.cost.toFixed(0)} of ${before.toFixed(0)} before, ${plain(board, WEEK).toFixed(0)} the plain way`,
      `${(100 * (short.cost / long.cost - 1)).toFixed(1)} % above ten times the tries`,
      `single seeds ${alone.map((c) => c.toFixed(0)).join(", ")}`,
      `left out ${short.after.leftOut} and ${long.after.leftOut}`,
      `driving ${short.after.driveMinutes.toFixed(0)} min, no round below ${short.driveAtLeast.toFixed(0)}`,
    ].join("; "),
  );
}
