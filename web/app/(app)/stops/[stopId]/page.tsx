import { orNotFound, pageScope } from "@/data/pageScope";
import { loadStop } from "@/data/stops";
import { PlannedStop } from "@/places/visit/PlannedStop";

export default async function StopPage({ params }: { params: Promise<{ stopId: string }> }) {
  const scope = await pageScope(["office", "technician"]);
  const { stopId } = await params;
  const loaded = await orNotFound(loadStop(scope, stopId));
  return <PlannedStop scope={scope} {...loaded} />;
}
