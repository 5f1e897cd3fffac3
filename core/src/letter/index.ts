export {
  type LetterInput,
  type LetterReading,
  type LetterTank,
  letterFor,
  longDate,
} from "./letterModel.ts";
