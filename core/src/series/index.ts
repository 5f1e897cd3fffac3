export { closedDays, isOpen, landOn, type OpenDays, type Recurrence, type Spell, seriesDates } from "./dates.ts";
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
