export {
  type Allowed,
  backMessage,
  type CourseDay,
  courseCalendar,
  courseOf,
  mayBegin,
  type Refused,
  thingsOf,
} from "./course.ts";
export {
  HARMED_CODES,
  type Harmed,
  harmedBy,
  harmedLabel,
  REMEDY_GROUPS,
  type Remedy,
  type RemedyGroup,
  remedyAmount,
} from "./remedy.ts";
export { RemedySchema } from "./schema.ts";
