import { pageScope } from "@/data/access/pageScope";
import { LetterQuerySchema, letterYears, listLetters } from "@/data/letters/list";
import { LetterList } from "@/places/letters/LetterList";

export default async function LettersPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const scope = await pageScope();
  const { q, state, year, page } = await searchParams;
  const query = LetterQuerySchema.parse({ q, state, year, page });
  const [{ letters, older }, years] = await Promise.all([listLetters(scope, query), letterYears(scope)]);
  return (
    <LetterList
      {...{ letters, older, years, query }}
      zone={scope.zone}
      owner={scope.role === "tankOwner"}
      office={scope.role === "office"}
    />
  );
}
