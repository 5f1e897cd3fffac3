import { EntitySchema } from "@keel-round/core/book/schema";
import { civilOf } from "@keel-round/core/calendar";
import { notFound, redirect } from "next/navigation";
import { z } from "zod";
import { looksOf } from "@/data/book/codes";
import { historyOf } from "@/data/book/history";
import { belowRecord, linkOptions, loadRecord } from "@/data/book/lists";
import { seriesOf } from "@/data/book/series";
import { orNotFound, pageScope } from "@/data/pageScope";
import { technicians } from "@/data/people";
import { libraryOf } from "@/data/programme/firmJobs";
import { whenOf } from "@/data/when";
import { RecordPage } from "@/places/desk/RecordPage";

const LOOK_DAYS = 90;

export default async function OneRecordPage({ params }: { params: Promise<{ entity: string; id: string }> }) {
  const scope = await pageScope(["office", "technician"]);
  const { entity, id } = await params;
  const known = EntitySchema.safeParse(entity);
  if (!known.success || !z.uuid().safeParse(id).success) notFound();
  if (known.data === "tank") redirect(`/tanks/${id}?tab=settings`);
  const { now, today } = whenOf(scope);
  const found = await orNotFound(loadRecord(scope, known.data, id));
  const [options, history, looks, below, series, people, library] = await Promise.all([
    linkOptions(scope, known.data),
    historyOf(scope, known.data, id),
    known.data === "site" ? looksOf(scope, id, new Date(now.getTime() - LOOK_DAYS * 86_400_000)) : [],
    belowRecord(scope, known.data, id),
    known.data === "site" ? seriesOf(scope, id) : null,
    known.data === "site" ? technicians(scope) : [],
    known.data === "job" ? libraryOf(scope, id) : null,
  ]);
  return (
    <RecordPage
      scope={scope}
      entity={known.data}
      {...found}
      options={options}
      below={below}
      library={library}
      visits={series && { series, people }}
      history={history}
      looks={looks.map(({ at, by }) => {
        const { date, minute } = civilOf(at.getTime(), scope.zone);
        return { on: date, minute, by };
      })}
      today={today}
    />
  );
}
