import { findLetter, letterToken } from "@/data/letters";
import { orNotFound, pageScope } from "@/data/pageScope";
import { LetterView } from "@/places/letters/LetterView";

export default async function LetterPage({ params }: { params: Promise<{ letterId: string }> }) {
  const scope = await pageScope();
  const { letterId } = await params;
  const letter = await orNotFound(findLetter(scope, letterId));
  return <LetterView letter={letter} token={letterToken(letter.id)} zone={scope.zone} owner={scope.role === "owner"} />;
}
