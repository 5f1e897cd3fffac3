export {
  type AnimalNews,
  type ClientPeriod,
  clientReport,
  type Ending,
  type ReportContent,
  type SaltWeighed,
} from "./clientReport.ts";
export { courseOf, type DatedValue, type PeriodSeries } from "./course.ts";
export { type ClientYear, type FirmPeriod, firmYear, type MonthOf } from "./firmYear.ts";
export { PERIOD_KINDS, type Period, type PeriodKind, periodName, periodsBefore, periodWith } from "./period.ts";
export {
  DETAILS,
  type Detail,
  type JobCount,
  type ReportCurve,
  type ReportTank,
  type TankPeriod,
} from "./tankReport.ts";
