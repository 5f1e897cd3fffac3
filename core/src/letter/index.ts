export {
  type LetterInput,
  type LetterReading,
  type LetterTank,
  letterFor,
  longDate,
  shortDate,
} from "./letterModel.ts";
