export { limitSentence, litresText, TRIM_WORD, trimSentence, waterSentence, withUnit } from "./sentences.ts";
