import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { technicians } from "@/data/access/units";
import { loadStop } from "@/data/round/stops";
import { PageHead } from "@/kit/controls";
import { leftOutTitle } from "@/places/round/leftOut";
import { StopPanel } from "@/places/round/StopPanel";
import { PlannedStop } from "@/places/visit/PlannedStop";

export default async function StopPage({ params }: { params: Promise<{ stopId: string }> }) {
  const scope = await pageScope(STAFF);
  const { stopId } = await params;
  const { visit, planned, today } = await orNotFound(loadStop(scope, stopId));
  const people = await technicians(scope);
  const panel = <StopPanel stop={visit} people={people} last={visit.last} today={today} />;
  if (!planned)
    return (
      <>
        <PageHead title={leftOutTitle(visit, today)} />
        {panel}
      </>
    );
  return <PlannedStop scope={scope} {...planned} on={visit.onDate} today={today} panel={panel} />;
}
