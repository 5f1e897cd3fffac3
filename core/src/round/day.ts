import type { TideWindow } from "../tide/index.ts";
import type { StopLoad, Van } from "./load.ts";
import type { Place, Roads } from "./travel.ts";

/** Where and when sea water may be collected on a day. */
export interface Collecting extends Place {
  readonly name: string;
  /** Of this day, minutes. */
  readonly windows: readonly TideWindow[];
  readonly pumpLPerMin: number;
  /** Minutes to park, lay the hose and load again. */
  readonly setUpMinutes: number;
  /** Nobody leaves base before this minute of the day. */
  readonly earliestMinute: number;
  /** Minutes from the alarm clock to leaving base. */
  readonly readyMinutes: number;
}

/** A stop of a day before it has a time. */
export interface DayStop extends Place {
  readonly id: string;
  readonly name: string;
  /** Minutes of the day; the work ends inside. Null: any time. */
  readonly window: {
    readonly from: number;
    readonly to: number;
    /** Hours in which somebody else works there: the work lies before or after them. */
    readonly taken?: readonly { readonly from: number; readonly to: number }[];
  } | null;
  readonly minutes: number;
  readonly load: StopLoad;
  /** Under treatment: after every other stop. */
  readonly keptLast: boolean;
  /** Steady tanks may slip; others may not. */
  readonly maySlip: boolean;
  /** When the lights of a reef come on, minute of the day: best served before. */
  readonly lightsOn?: number | null;
  /** Litres of sea water that are collected here, before any stop that takes some. */
  readonly collectsL?: number;
}

export interface DayInput extends Van {
  readonly stops: readonly DayStop[];
  readonly base: Place;
  readonly startMinute: number;
  readonly endMinute: number;
  readonly roads: Roads;
  /** Stops after which the van goes back to base, fills up and gives its waste away. */
  readonly refillAfter: readonly string[];
  /** Where the person is at the start; base without it. */
  readonly from?: Place;
  /** When they left base, where that was before the start: a long day has a break. */
  readonly beganMinute?: number;
  /** They had their break already. */
  readonly rested?: boolean;
  /** Where sea water may be collected; without it, it is on board from the start. */
  readonly collecting?: Collecting | null;
}
