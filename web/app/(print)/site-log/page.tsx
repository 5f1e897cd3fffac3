import { addDays } from "@keel-round/core/calendar";
import { notFound } from "next/navigation";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { whenOf } from "@/data/access/when";
import { SiteLogSchema, siteLog } from "@/data/visit/siteLog";
import { SiteLogSheet } from "@/places/desk/SiteLogSheet";

/** Where no days are named: the year that ends today. */
const USUAL_DAYS = 365;

export default async function SiteLogPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const scope = await pageScope();
  const { site, from, to } = await searchParams;
  const { today } = whenOf(scope);
  const usual = { from: addDays(today, -USUAL_DAYS), to: today };
  const asked = SiteLogSchema.safeParse({ site, from: from || usual.from, to: to || usual.to });
  const wrong = asked.success ? null : (asked.error.issues[0]?.message ?? "");
  const read = asked.success ? asked : SiteLogSchema.safeParse({ site, ...usual });
  if (!read.success) notFound();
  const log = await orNotFound(siteLog(scope, read.data));
  return <SiteLogSheet siteId={read.data.site} log={log} wrong={wrong} owner={scope.role === "tankOwner"} />;
}
