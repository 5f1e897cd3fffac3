import { loadFirm } from "@/data/firm";
import { pageScope } from "@/data/pageScope";
import { FirmPage } from "@/places/desk/FirmPage";

export default async function FirmSettings() {
  const scope = await pageScope(["office"]);
  return <FirmPage scope={scope} {...(await loadFirm(scope))} />;
}
