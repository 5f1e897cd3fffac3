export { misfitSentence } from "./misfit.ts";
export { brokenSentence, limitWords, movedSentence } from "./moved.ts";
export {
  checkSentence,
  limitSentence,
  litresText,
  offerSentence,
  scoopsText,
  TRIM_WORD,
  trimSentence,
  waterSentence,
  withUnit,
} from "./sentences.ts";
