export { fit, forgiven, pieces } from "./match.ts";
export { plainText, wordsOf } from "./words.ts";
