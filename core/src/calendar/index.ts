export { addDays, addMonths, civilOf, daysBetween, instantOf, isCivilDate, sayDay, weekday } from "./civil.ts";
export { occurrences, type Rhythm, ruleFor } from "./recurrence.ts";
