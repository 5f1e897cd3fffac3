import { SENTENCES } from "../say/guide.compiled.ts";
import { learn } from "../say/index.ts";

// The guide speaks: whoever asks for it has its words.
learn(SENTENCES);

export { CLUE_CODES, type ClueCode, clueOf, metIn } from "./clues.ts";
export { type Answers, type Chance, type Ranked, rank, type Setting, tellsMost } from "./rank.ts";
export { answersWith, settingOf, type TankClue, tankClues } from "./tankClues.ts";
