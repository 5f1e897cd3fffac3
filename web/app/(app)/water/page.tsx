import { z } from "zod";
import { orNotFound, pageScope } from "@/data/pageScope";
import { loadPlanner } from "@/data/planner";
import { STAFF } from "@/data/scope";
import { whenOf } from "@/data/when";
import { PlannerPage } from "@/places/water/PlannerPage";

export default async function WaterPage({ searchParams }: { searchParams: Promise<{ tank?: string }> }) {
  const scope = await pageScope(STAFF);
  const { tank } = await searchParams;
  const asked = z.uuid().safeParse(tank);
  const data = await orNotFound(loadPlanner(scope, asked.success ? asked.data : null, whenOf(scope).today));
  return <PlannerPage scope={scope} data={data} />;
}
