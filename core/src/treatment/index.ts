export {
  type Allowed,
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
  harmedLabel,
  REMEDY_GROUPS,
  type Remedy,
  type RemedyGroup,
  remedyAmount,
} from "./remedy.ts";
