import { pageScope } from "@/data/access/pageScope";
import { listLetters } from "@/data/letters/letters";
import { LetterList } from "@/places/letters/LetterList";

export default async function LettersPage() {
  const scope = await pageScope();
  return <LetterList letters={await listLetters(scope)} zone={scope.zone} owner={scope.role === "tankOwner"} />;
}
