export {
  type KitFacts,
  type KitOffset,
  type KitOnDay,
  type KitProblem,
  kitOnDay,
  usualKit,
  usualMethod,
} from "./kit.ts";
export { FEW_TESTS, kitSentences, problemSentence } from "./sayKit.ts";
