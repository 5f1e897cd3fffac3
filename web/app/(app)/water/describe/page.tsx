import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadDescribe } from "@/data/water/planner";
import { Describe } from "@/places/water/Describe";

export default async function DescribePage() {
  const scope = await pageScope(STAFF);
  const { today } = whenOf(scope);
  return <Describe {...(await loadDescribe(scope, today))} units={scope.units} today={today} />;
}
