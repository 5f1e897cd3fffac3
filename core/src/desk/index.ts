export { type AreaMap, readAreaMap } from "./areaMap.ts";
export { type Begin, BeginSchema, PasswordSchema, readPlace } from "./begin.ts";
export {
  ENTITIES,
  type Entity,
  emptyValue,
  type Field,
  FieldError,
  type FieldType,
  type FieldValue,
  fieldUnit,
  type ListRow,
  parseDecimal,
  readField,
  readList,
  sayField,
  type Windows,
  writeField,
  writeList,
} from "./fields.ts";
export { type Filter, type FilterTest, readFilters, sayFilter, testsOf } from "./filters.ts";
export {
  FIRM_FIELDS,
  type Firm,
  type FirmField,
  FirmSchema,
  type FirmTyped,
  MARK_BYTES,
  readFirm,
  writeFirm,
} from "./firm.ts";
export { missingSentence } from "./missing.ts";
export { fieldOf, type RecordKind, recordKinds, usualValues } from "./records.ts";
export { keptSince, type Retention, RetentionSchema, USUAL_RETENTION } from "./retention.ts";
export {
  factsWith,
  JOB_COLUMNS,
  jobWith,
  KIND_COLUMNS,
  kindWith,
  SOURCE_COLUMNS,
  sourceWith,
  TANK_COLUMNS,
  valuesOfFacts,
  valuesOfJob,
  valuesOfKind,
  valuesOfSource,
} from "./tankValues.ts";
export { USUAL_WATERS, type UsualWater, usualWater } from "./usualWater.ts";
export { type Entered, type FieldIssues, readValues, sameValue, setPath, type Values } from "./values.ts";
