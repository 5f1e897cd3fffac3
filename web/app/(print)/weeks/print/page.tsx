import { addDays } from "@keel-round/core/calendar";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadWeeks } from "@/data/round/weeks";
import { PrintedWeek } from "@/places/weeks/PrintedWeek";
import { askedFor } from "@/places/weeks/span";

export default async function PrintedWeekPage({ searchParams }: { searchParams: Promise<{ from?: string }> }) {
  const scope = await pageScope(STAFF);
  const { from } = await searchParams;
  const { mondays } = askedFor({ span: "week", ...(from ? { from } : {}) }, whenOf(scope).today);
  const monday = mondays[0] ?? whenOf(scope).today;
  const { board } = await loadWeeks(scope, monday, addDays(monday, 6));
  return <PrintedWeek board={board} monday={monday} units={scope.units} />;
}
