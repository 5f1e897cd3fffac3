export type { Crossing } from "./crossing.ts";
export { type DoserStep, doserSentence, doserStep, STEP_DAYS } from "./doserStep.ts";
export { type PumpStep, pumpSentences, pumpStep } from "./pumpStep.ts";
export type { Ranged } from "./ranged.ts";
export { type RatioInput, ratioSentences } from "./ratios.ts";
export { isHeld, rateOf, type TrendOf, trendQuestions, trendSentences } from "./sayTrend.ts";
export { playedForward, type Settled, type Steady, settledOf } from "./settled.ts";
export { fallSentence, type Spell, spellSentences, spellsOf } from "./spells.ts";
export { type Together, togetherSentence, usedTogether } from "./together.ts";
export {
  type CoursePoint,
  type NoTrend,
  type Trend,
  type TrendAnswer,
  type TrendInput,
  trendOf,
} from "./trend.ts";
