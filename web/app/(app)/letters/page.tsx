import { listLetters } from "@/data/letters";
import { pageScope } from "@/data/pageScope";
import { LetterList } from "@/places/letters/LetterList";

export default async function LettersPage() {
  const scope = await pageScope();
  return <LetterList letters={await listLetters(scope)} zone={scope.zone} owner={scope.role === "owner"} />;
}
