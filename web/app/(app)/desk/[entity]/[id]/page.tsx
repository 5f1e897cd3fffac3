import { Box } from "@chakra-ui/react";
import { civilOf } from "@keel-round/core/calendar";
import { EntitySchema } from "@keel-round/core/desk/schema";
import { say } from "@keel-round/core/say";
import { notFound, redirect } from "next/navigation";
import { z } from "zod";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF, seesAll } from "@/data/access/scope";
import { technicians } from "@/data/access/units";
import { whenOf } from "@/data/access/when";
import { feedOf } from "@/data/calendar/feed";
import { looksOf } from "@/data/desk/codes";
import { equipmentOfTank } from "@/data/desk/equipment";
import { historyOf } from "@/data/desk/history";
import { belowRecord, linkOptions, loadRecord } from "@/data/desk/lists";
import { libraryOf } from "@/data/library/firmJobs";
import { seriesOffers } from "@/data/series/offers";
import { siteVisits } from "@/data/series/read";
import { AppLink } from "@/kit/AppLink";
import { QuietButton, SubHead } from "@/kit/controls";
import { CalendarAddress } from "@/places/calendar/CalendarAddress";
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
  const [options, history, looks, below, visits, people, library, feed, pieces] = await Promise.all([
    linkOptions(scope, known.data),
    historyOf(scope, known.data, id),
    known.data === "site" ? looksOf(scope, id, new Date(now.getTime() - LOOK_DAYS * 86_400_000)) : [],
    belowRecord(scope, known.data, id),
    known.data === "site" ? siteVisits(scope, id, today) : null,
    known.data === "site" ? technicians(scope) : [],
    known.data === "job" ? libraryOf(scope, id) : null,
    known.data === "site" && seesAll(scope.role) ? feedOf(scope, { kind: "site", ofId: id }) : null,
    known.data === "equipment" ? equipmentOfTank(scope.businessId, String(found.record.values.tankId), today) : [],
  ]);
  const offers = visits
    ? Object.fromEntries(
        [...(await seriesOffers(scope, visits, today))].map(([id, says]) => [id, say(says, scope.units)]),
      )
    : {};
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
          <>
            <SiteVisits
              // A link from one visit opens the form anew.
              key={from.data ? `${from.data.series} ${from.data.from}` : "all"}
              siteId={id}
              visits={visits}
              people={people}
              today={today}
              offers={offers}
              from={from.data ? { seriesId: from.data.series, on: from.data.from } : null}
            />
            <QuietButton asChild mt="18px">
              <AppLink href={`/site-log?site=${id}`}>Log of all visits, to print</AppLink>
            </QuietButton>
            {seesAll(scope.role) && (
              <Box mt="22px">
                <SubHead>Calendar for the client</SubHead>
                <Box pt="10px">
                  <CalendarAddress kind="site" ofId={id} feed={feed} what={`the visits of ${found.record.name}`} />
                </Box>
              </Box>
            )}
          </>
        )
      }
      history={history}
      looks={looks.map(({ at, by }) => {
        const { date, minute } = civilOf(at.getTime(), scope.zone);
        return { on: date, minute, by };
      })}
      life={pieces.find((p) => p.id === id) ?? null}
      today={today}
    />
  );
}
