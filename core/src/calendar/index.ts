export {
  addDays,
  addMonths,
  civilOf,
  daysBetween,
  instantOf,
  isCivilDate,
  longDate,
  sayDay,
  weekday,
} from "./civil.ts";
export { clockText, duration, MINUTES_A_DAY } from "./clock.ts";
export { occurrences } from "./recurrence.ts";
