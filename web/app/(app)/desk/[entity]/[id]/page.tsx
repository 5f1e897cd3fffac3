import { EntitySchema } from "@keel-round/core/book/schema";
import { civilOf } from "@keel-round/core/calendar";
import { notFound, redirect } from "next/navigation";
import { z } from "zod";
import { looksOf } from "@/data/book/codes";
import { historyOf } from "@/data/book/history";
import { belowRecord, linkOptions, loadRecord } from "@/data/book/lists";
import { orNotFound, pageScope } from "@/data/pageScope";
import { technicians } from "@/data/people";
import { libraryOf } from "@/data/programme/firmJobs";
import { STAFF } from "@/data/scope";
import { siteVisits } from "@/data/series/read";
import { whenOf } from "@/data/when";
import { RecordPage } from "@/places/desk/RecordPage";
import { SiteVisits } from "@/places/round/series/SiteVisits";

const LOOK_DAYS = 90;

const FromSchema = z.object({ series: z.uuid(), from: z.iso.date() });

export default async function OneRecordPage({
  params,
  searchParams,
}: {
  params: Promise<{ entity: string; id: string }>;
  searchParams: Promise<Record<string, string | string[]>>;
}) {
  const scope = await pageScope(STAFF);
  const { entity, id } = await params;
  const known = EntitySchema.safeParse(entity);
  if (!known.success || !z.uuid().safeParse(id).success) notFound();
  if (known.data === "tank") redirect(`/tanks/${id}?tab=settings`);
  const { now, today } = whenOf(scope);
  const found = await orNotFound(loadRecord(scope, known.data, id));
  const [options, history, looks, below, visits, people, library] = await Promise.all([
    linkOptions(scope, known.data),
    historyOf(scope, known.data, id),
    known.data === "site" ? looksOf(scope, id, new Date(now.getTime() - LOOK_DAYS * 86_400_000)) : [],
    belowRecord(scope, known.data, id),
    known.data === "site" ? siteVisits(scope, id, today) : null,
    known.data === "site" ? technicians(scope) : [],
    known.data === "job" ? libraryOf(scope, id) : null,
  ]);
  const from = FromSchema.safeParse(await searchParams);
  return (
    <RecordPage
      scope={scope}
      entity={known.data}
      {...found}
      options={options}
      below={below}
      library={library}
      visits={
        visits && (
          <SiteVisits
            // A link from one visit opens the form anew.
            key={from.data ? `${from.data.series} ${from.data.from}` : "all"}
            siteId={id}
            visits={visits}
            people={people}
            today={today}
            from={from.data ? { seriesId: from.data.series, on: from.data.from } : null}
          />
        )
      }
      history={history}
      looks={looks.map(({ at, by }) => {
        const { date, minute } = civilOf(at.getTime(), scope.zone);
        return { on: date, minute, by };
      })}
      today={today}
    />
  );
}
