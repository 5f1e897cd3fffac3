import { isCivilDate } from "@keel-round/core/calendar";
import { notFound } from "next/navigation";
import { anySite } from "@/data/book/lists";
import { pageScope } from "@/data/pageScope";
import { STAFF, seesAll } from "@/data/scope";
import { Notice } from "@/kit/controls";
import { nowIn, roundOf, whoseRound } from "@/places/round/queries";
import { RoundView } from "@/places/round/RoundView";

export default async function RoundPage({ searchParams }: { searchParams: Promise<{ day?: string; who?: string }> }) {
  const scope = await pageScope(STAFF);
  const { day, who } = await searchParams;
  const now = nowIn(scope);
  if (day !== undefined && !isCivilDate(day))
    return (
      <Notice tone="care">
        There is no day “{day}”. A day is written like {now.date}.
      </Notice>
    );
  const { personId, people } = await whoseRound(scope, who);
  if (!personId) notFound();
  const date = day ?? now.date;
  const round = await roundOf(scope, personId, date);
  return (
    <RoundView
      scope={scope}
      round={round}
      noSites={round.stops.length === 0 && !(await anySite(scope))}
      date={date}
      now={now}
      people={seesAll(scope.role) ? people : []}
    />
  );
}
