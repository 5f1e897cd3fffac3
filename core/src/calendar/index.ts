export { addDays, civilOf, daysBetween, instantOf, isCivilDate, weekday } from "./civil.ts";
export { occurrences, type Rhythm, ruleFor } from "./recurrence.ts";
