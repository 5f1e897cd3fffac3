import { z } from "zod";
import { orNotFound, pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadPlanner } from "@/data/water/planner";
import { PlannerPage } from "@/places/water/PlannerPage";

export default async function WaterPage({ searchParams }: { searchParams: Promise<{ tank?: string }> }) {
  const scope = await pageScope(STAFF);
  const { tank } = await searchParams;
  const asked = z.uuid().safeParse(tank);
  const data = await orNotFound(loadPlanner(scope, asked.success ? asked.data : null, whenOf(scope).today));
  return <PlannerPage scope={scope} data={data} />;
}
