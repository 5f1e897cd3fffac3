import { isCivilDate } from "@keel-round/core/calendar";
import { notFound } from "next/navigation";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { PrintedDay } from "@/places/round/PrintedDay";
import { nowIn, roundOf, whoseRound } from "@/places/round/queries";

export default async function PrintedDayPage({
  searchParams,
}: {
  searchParams: Promise<{ day?: string; who?: string }>;
}) {
  const scope = await pageScope(STAFF);
  const { day, who } = await searchParams;
  if (day !== undefined && !isCivilDate(day)) notFound();
  const { personId } = await whoseRound(scope, who);
  if (!personId) notFound();
  const date = day ?? nowIn(scope).date;
  return <PrintedDay scope={scope} round={await roundOf(scope, personId, date)} date={date} />;
}
