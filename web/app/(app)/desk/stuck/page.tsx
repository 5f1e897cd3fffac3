import { pageScope } from "@/data/access/pageScope";
import { listGivenUp } from "@/data/background/jobs";
import { GivenUpPage } from "@/places/desk/GivenUpPage";

export default async function StuckPage() {
  const scope = await pageScope(["office"]);
  return <GivenUpPage scope={scope} work={await listGivenUp(scope)} />;
}
