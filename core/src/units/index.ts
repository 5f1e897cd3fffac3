export {
  type DecimalSign,
  figure,
  METRIC,
  readingIn,
  readingLabel,
  readingOut,
  showLength,
  showReading,
  showVolume,
  type UnitPreference,
  unitFor,
} from "./display.ts";
export { LOCALES, type Locale, unitsOfLocale } from "./locales.ts";
export {
  type MethodOption,
  OF_WATER,
  PARAMETERS,
  type Parameter,
  type ParameterFacts,
  parameterFacts,
  type UnitOption,
} from "./parameters.ts";
export {
  fromShown,
  litresText,
  quantity,
  quantityText,
  type Shown,
  toShown,
  unitShown,
  withUnit,
} from "./quantity.ts";
export {
  type EnteredReading,
  enteredText,
  inUnit,
  type KitAtHand,
  methodSigma,
  type ParsedReading,
  parseNumber,
  parseReading,
  type ReadingProblem,
} from "./reading.ts";
