import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadVisitRecord } from "@/data/visit/record";
import { VisitRecord } from "@/places/visit/record/VisitRecord";

export default async function VisitRecordPage({ params }: { params: Promise<{ visitId: string }> }) {
  const scope = await pageScope(STAFF);
  const { visitId } = await params;
  const record = await orNotFound(loadVisitRecord(scope, visitId, whenOf(scope).now));
  return <VisitRecord record={record} units={scope.units} zone={scope.zone} />;
}
