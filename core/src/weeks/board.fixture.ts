import type { Board, BoardPerson, BoardStop } from "./index.ts";

/** Monday 30 November 2026. */
export const MONDAY = "2026-11-30";

export const ines: BoardPerson = {
  id: "ines",
  name: "Ines",
  startMinute: 480,
  endMinute: 1020,
  vanKg: 300,
  workdays: [1, 2, 3, 4, 5],
  knows: null,
  away: [],
};
/** Does fresh water alone. */
export const tobiah: BoardPerson = { ...ines, id: "tobiah", name: "Tobiah", knows: ["fresh"] };

export const nothing = { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 };

/** An hour at base with Ines on Monday, weekly, that asks for nothing. */
export const stopOf = (id: string, change: Partial<BoardStop> = {}): BoardStop => ({
  id,
  siteId: `site-${id}`,
  name: id,
  personId: "ines",
  on: MONDAY,
  originalOn: change.on ?? MONDAY,
  seriesId: `series-${id}`,
  gapDays: 7,
  windows: {},
  lat: 50,
  lon: 0,
  minutes: 60,
  load: nothing,
  condition: "steady",
  keptLast: false,
  refillAfter: false,
  carriesSalt: false,
  needs: [],
  begun: false,
  setAside: null,
  ...change,
});

/** Both of them, on roads of a kilometre a minute. */
export const boardOf = (stops: readonly BoardStop[], change: Partial<Board> = {}): Board => ({
  people: [ines, tobiah],
  stops,
  beside: [],
  base: { lat: 50, lon: 0 },
  roads: { roadFactor: 1, speedKmH: 60 },
  ...change,
});
