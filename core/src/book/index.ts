export {
  ENTITIES,
  type Entity,
  type Field,
  FieldError,
  type FieldType,
  type FieldValue,
  fieldUnit,
  parseDecimal,
  readField,
  sayField,
  type Windows,
  writeField,
} from "./fields.ts";
export { fieldOf, type RecordKind, recordKinds } from "./records.ts";
export { type FieldIssues, getPath, readValues, sameValue, setPath, type Values } from "./values.ts";
