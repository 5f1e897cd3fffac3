export { CONDITION_WORD, conditionMessage, conditionSentence } from "./condition.ts";
export { limitSentence } from "./limit.ts";
export { misfitSentence } from "./misfit.ts";
export { brokenSentence, limitWords, movedSentence } from "./moved.ts";
export { checkSentence, offerSentence } from "./reread.ts";
export { scoopsText } from "./scoops.ts";
export { waterSentence } from "./water.ts";
