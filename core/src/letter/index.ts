export { closing } from "./closing.ts";
export { type LetterInput, type LetterReading, type LetterTank, letterFor } from "./letterFor.ts";
export { greeting, tankCalled } from "./names.ts";
export { type OwnerTank, type PageReading, pageFor } from "./pageFor.ts";
export { type Saying, type Wording, wordingAfter } from "./wording.ts";
