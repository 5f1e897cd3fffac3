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
export { occurrences } from "./recurrence.ts";
