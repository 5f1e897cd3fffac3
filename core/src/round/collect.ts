import type { TideWindow } from "../tide/index.ts";
import type { Collecting, DayInput, DayStop } from "./day.ts";
import { travel } from "./travel.ts";

/** The stop at the quay has this id among a day's stops. */
export const COLLECT = "collect";

/** The sea water of a day that its plan collects, or why it cannot. */
export type Collection =
  | {
      readonly none: null;
      readonly litres: number;
      readonly window: TideWindow;
      readonly start: number;
      readonly end: number;
      readonly leaveAt: number;
      readonly alarmAt: number;
    }
  | { readonly none: "no-window" | "no-room"; readonly litres: number };

/** A little more than is poured: hoses, spills and what stays in the barrel. */
const SPARE = 1.05;
/** Litres are told in whole fives. */
const ROUND_L = 5;
/** A day begins so many minutes earlier, step by step, where the tide asks for it. */
const EARLIER_MINUTES = 30;

/** Litres to collect for what the stops of a day take; 0 where none takes any. */
export function litresToCollect(stops: readonly DayStop[]): number {
  const litres = stops.reduce((sum, s) => sum + s.load.seaL, 0);
  return litres > 0 ? Math.ceil((litres * SPARE) / ROUND_L) * ROUND_L : 0;
}

/** A day with its stop at the quay. */
export interface WithQuay {
  readonly input: DayInput;
  readonly window: TideWindow;
}

/** Every way to collect a day's sea water: in each window, from the usual start of the day on, then ever earlier. */
export function* waysToCollect(input: DayInput, at: Collecting, litres: number): Generator<WithQuay> {
  const minutes = at.setUpMinutes + litres / at.pumpLPerMin;
  const drive = travel(input.from ?? input.base, at, input.roads).minutes;
  // Nobody gets up earlier on a day that is under way.
  const earliest = input.beganMinute === undefined ? Math.min(at.earliestMinute, input.startMinute) : input.startMinute;
  for (let start = input.startMinute; ; start -= EARLIER_MINUTES) {
    const startMinute = Math.max(start, earliest);
    for (const window of at.windows) {
      // Over before anybody could be there; or no sooner reached for getting up earlier.
      if (startMinute + drive + minutes > window.to) continue;
      if (start < input.startMinute && startMinute + EARLIER_MINUTES + drive <= window.from) continue;
      yield {
        window,
        input: { ...input, startMinute, stops: [quayStop(at, window, minutes, litres), ...input.stops] },
      };
    }
    if (startMinute <= earliest) return;
  }
}

function quayStop(at: Collecting, { from, to }: TideWindow, minutes: number, litres: number): DayStop {
  const { name, lat, lon } = at;
  return {
    ...{ id: COLLECT, name, lat, lon, minutes, collectsL: litres, window: { from, to } },
    load: { mixL: 0, seaL: 0, purifiedL: 0, wasteL: 0 },
    keptLast: false,
    maySlip: false,
  };
}
