import { pageScope } from "@/data/access/pageScope";
import { listRoads } from "@/data/round/roads";
import { DeskNav } from "@/places/desk/DeskNav";
import { RoadsPage } from "@/places/roads/RoadsPage";

export default async function DeskRoadsPage() {
  const scope = await pageScope(["office", "lead"]);
  return <RoadsPage roads={await listRoads(scope)} nav={<DeskNav here="roads" scope={scope} />} />;
}
