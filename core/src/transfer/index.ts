export {
  type DateOrder,
  type DecimalSign,
  guardText,
  guessDateOrder,
  guessDecimal,
  isFormula,
  type Moment,
  readMoment,
  readNumber,
  unguardText,
} from "./cell.ts";
export {
  type CellStyle,
  type ColumnMeaning,
  FILE_KINDS,
  type FileEntity,
  type FileKind,
  guessMeanings,
  headingOf,
  parameterNamed,
  readCell,
  type Target,
  targetsOf,
} from "./columns.ts";
export { findHeadings, type Heading, splitHeading, unitNamed } from "./heading.ts";
export { readListCell, writeListCell } from "./listCell.ts";
