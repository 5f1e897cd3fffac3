export { misfitSentence } from "./misfit.ts";
export { brokenSentence, limitWords, movedSentence } from "./moved.ts";
export {
  CONDITION_WORD,
  checkSentence,
  conditionSentence,
  limitSentence,
  litresText,
  offerSentence,
  scoopsText,
  waterSentence,
  withUnit,
} from "./sentences.ts";
