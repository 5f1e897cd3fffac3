import { listGivenUp } from "@/data/jobs";
import { pageScope } from "@/data/pageScope";
import { GivenUpPage } from "@/places/desk/GivenUpPage";

export default async function StuckPage() {
  const scope = await pageScope(["office"]);
  return <GivenUpPage scope={scope} work={await listGivenUp(scope)} />;
}
