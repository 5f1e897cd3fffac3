import { orNotFound, pageScope } from "@/data/access/pageScope";
import { whenOf } from "@/data/access/when";
import { listRuns, periodsOffered } from "@/data/reports/runs";
import { ReportsPage } from "@/places/reports/ReportsPage";

export default async function Reports() {
  const scope = await pageScope();
  const runs = await orNotFound(listRuns(scope));
  return <ReportsPage offered={periodsOffered(whenOf(scope).today)} runs={runs} zone={scope.zone} />;
}
