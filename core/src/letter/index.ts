export {
  type LetterInput,
  type LetterReading,
  type LetterTank,
  letterFor,
} from "./letterModel.ts";
