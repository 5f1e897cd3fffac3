export {
  closedDays,
  firstOpen,
  landOn,
  type Recurrence,
  type Spell,
  seriesDates,
} from "./dates.ts";
export {
  type BusyHours,
  type Hours,
  isOpen,
  isSpecial,
  type OpenDate,
  type OpenDays,
  openDays,
  windowOn,
} from "./hours.ts";
export { type LaidStop, type Relaid, relay } from "./relay.ts";
export {
  countsFrom,
  evenPair,
  LAST,
  type Nth,
  type Rhythm,
  rhythmOf,
  ruleOf,
  sayRhythm,
  usualGapDays,
  weekdayName,
  weeklyOn,
} from "./rhythm.ts";
export { sayOn, sayRecurrence } from "./say.ts";
export { shiftRhythm } from "./shift.ts";
