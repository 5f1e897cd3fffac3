export { misfitSentence } from "./misfit.ts";
export { limitSentence, litresText, TRIM_WORD, trimSentence, waterSentence, withUnit } from "./sentences.ts";
