export { byText } from "./byText.ts";
export { andList, byName, counted, inSentence, sentence } from "./words.ts";
