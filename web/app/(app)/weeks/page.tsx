import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadWeeks } from "@/data/round/weeks";
import { askedFor } from "@/places/weeks/span";
import { WeeksView } from "@/places/weeks/WeeksView";

interface Query {
  readonly from?: string;
  readonly span?: string;
  readonly who?: string;
  readonly stop?: string;
}

export default async function WeeksPage({ searchParams }: { searchParams: Promise<Query> }) {
  const scope = await pageScope(STAFF);
  const { who, stop, ...query } = await searchParams;
  const { today } = whenOf(scope);
  const asked = askedFor(query, today);
  const weeks = await loadWeeks(scope, asked.from, asked.to);
  return (
    <WeeksView
      key={`${asked.span} ${asked.from} ${who ?? ""}`}
      scope={scope}
      weeks={weeks}
      asked={asked}
      today={today}
      who={who}
      first={weeks.board.stops.some((s) => s.id === stop) ? (stop ?? null) : null}
    />
  );
}
