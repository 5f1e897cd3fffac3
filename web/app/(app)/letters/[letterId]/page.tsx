import { orNotFound, pageScope } from "@/data/access/pageScope";
import { letterWords } from "@/data/letters/edit";
import { findLetter, letterToken } from "@/data/letters/letters";
import { isBeingSet } from "@/data/letters/mail";
import { letterLeantOn } from "@/data/tanks/corrected";
import { LetterView } from "@/places/letters/LetterView";

export default async function LetterPage({ params }: { params: Promise<{ letterId: string }> }) {
  const scope = await pageScope();
  const { letterId } = await params;
  const letter = await orNotFound(findLetter(scope, letterId));
  const owner = scope.role === "tankOwner";
  return (
    <LetterView
      letter={letter}
      token={letterToken(letter.id)}
      leantOn={owner ? [] : await letterLeantOn(scope, letter)}
      words={owner ? null : await letterWords(scope, letter)}
      beingSet={!owner && isBeingSet(letter)}
      zone={scope.zone}
      owner={owner}
    />
  );
}
