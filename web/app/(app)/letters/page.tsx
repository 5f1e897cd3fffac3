import { listLetters } from "@/data/letters";
import { pageScope } from "@/data/pageScope";
import { LetterList } from "@/places/letters/LetterList";
import { readOutbox } from "@/places/letters/outbox";

export default async function LettersPage() {
  const scope = await pageScope();
  const owner = scope.role === "owner";
  const [letters, outbox] = await Promise.all([listLetters(scope), owner ? [] : readOutbox()]);
  return <LetterList letters={letters} outbox={outbox} zone={scope.zone} owner={owner} />;
}
