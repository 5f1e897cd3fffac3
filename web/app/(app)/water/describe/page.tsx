import { pageScope } from "@/data/pageScope";
import { loadDescribe } from "@/data/planner";
import { STAFF } from "@/data/scope";
import { whenOf } from "@/data/when";
import { Describe } from "@/places/water/Describe";

export default async function DescribePage() {
  const scope = await pageScope(STAFF);
  const { today } = whenOf(scope);
  return <Describe {...(await loadDescribe(scope, today))} units={scope.units} today={today} />;
}
