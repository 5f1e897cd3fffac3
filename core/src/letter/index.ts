export { closing } from "./closing.ts";
export {
  inVoice,
  LETTER_PARTS,
  type LetterContent,
  type LetterPart,
  type LetterPhoto,
  type LetterTitles,
  MOST_PHOTOS,
  titlesFor,
  USUAL_VOICE,
  type Voice,
} from "./content.ts";
export { figuresOf, type LetterText, type Phrase, phrasesOf, strangeFigures, withPhrases } from "./edit.ts";
export { type LetterInput, type LetterReading, type LetterTank, letterFor } from "./letterFor.ts";
export { greeting, nameOf, tankCalled } from "./names.ts";
export { type OwnerTank, type PageReading, pageFor } from "./pageFor.ts";
export { type Saying, type Wording, wordingAfter } from "./wording.ts";
