import { pageScope } from "@/data/access/pageScope";
import { whenOf } from "@/data/access/when";
import { loadFirm } from "@/data/firm/firm";
import { listHolidays } from "@/data/firm/holidays";
import { firmMap } from "@/data/firm/map";
import { firmVoice } from "@/data/firm/voice";
import { firmWeights } from "@/data/firm/weights";
import { firmMark } from "@/data/letters/images";
import { FirmPage } from "@/places/desk/FirmPage";

export default async function FirmSettings() {
  const scope = await pageScope(["office"]);
  const holidays = await listHolidays(scope, whenOf(scope).today);
  const weights = await firmWeights(scope);
  return (
    <FirmPage
      scope={scope}
      holidays={holidays}
      weights={weights}
      voice={await firmVoice(scope)}
      mark={await firmMark(scope.businessId)}
      hasMap={(await firmMap(scope)) !== null}
      {...(await loadFirm(scope))}
    />
  );
}
