export { byText } from "./byText.ts";
export { andList, counted, inSentence, sentence } from "./words.ts";
