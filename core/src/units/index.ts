export {
  type DecimalSign,
  figure,
  METRIC,
  readingIn,
  showLength,
  showReading,
  showVolume,
  type UnitPreference,
  unitFor,
} from "./display.ts";
export {
  type MethodOption,
  PARAMETERS,
  type Parameter,
  type ParameterFacts,
  parameterFacts,
  type UnitOption,
} from "./parameters.ts";
export { fromShown, quantity, quantityText, type Shown, toShown, unitShown } from "./quantity.ts";
export {
  type EnteredReading,
  inUnit,
  methodSigma,
  type ParsedReading,
  parseNumber,
  parseReading,
  type ReadingProblem,
} from "./reading.ts";
