import { addDays, civilOf, instantOf } from "@keel-round/core/calendar";
import { loadRoom } from "@/data/mixing";
import { pageScope } from "@/data/pageScope";
import { whenOf } from "@/data/when";
import { MixingRoom } from "@/places/water/MixingRoom";
import { WaterNav } from "@/places/water/WaterNav";

/** Vans are loaded as the day begins. */
const LOADED_MINUTE = 390;

export default async function MixingPage() {
  const scope = await pageScope(["office", "technician"]);
  const { now, today } = whenOf(scope);
  const { barrels, sources, demand } = await loadRoom(scope, today);
  return (
    <>
      <WaterNav here="/water/mixing" />
      <MixingRoom
        barrels={barrels.map(({ id, name, capacityL, contents }) => ({ id, name, capacityL, contents }))}
        sources={sources}
        demand={demand}
        now={now.getTime()}
        loadedAt={instantOf(addDays(today, 1), LOADED_MINUTE, scope.zone)}
        clock={{ minuteNow: civilOf(now.getTime(), scope.zone).minute }}
        units={scope.units}
      />
    </>
  );
}
