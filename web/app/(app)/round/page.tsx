import { isCivilDate } from "@keel-round/core/calendar";
import { notFound } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF, seesAll } from "@/data/access/scope";
import { anySite } from "@/data/desk/lists";
import { firmMap } from "@/data/firm/map";
import { lateDay } from "@/data/round/late";
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
  const late = date === now.date ? await lateDay(scope, round, date) : null;
  const map = round.stops.length > 0 ? await firmMap(scope) : null;
  return (
    <RoundView
      scope={scope}
      round={round}
      late={late}
      map={map}
      noSites={round.stops.length === 0 && !(await anySite(scope))}
      date={date}
      now={now}
      people={seesAll(scope.role) ? people : []}
    />
  );
}
