import { addDays, civilOf, instantOf, isCivilDate } from "@keel-round/core/calendar";
import { pageScope } from "@/data/access/pageScope";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { loadRoom } from "@/data/water/mixing";
import { loadPurifierUpkeep } from "@/data/water/purifierUpkeep";
import { MixingRoom } from "@/places/water/MixingRoom";
import { PurifierUpkeep } from "@/places/water/PurifierUpkeep";
import { WaterNav } from "@/places/water/WaterNav";

/** Vans are loaded as the day begins. */
const LOADED_MINUTE = 390;

/** How far ahead water is looked at, days. */
const AHEAD = 14;

export default async function MixingPage({ searchParams }: { searchParams: Promise<{ on?: string }> }) {
  const scope = await pageScope(STAFF);
  const { now, today } = whenOf(scope);
  const { on: asked = "" } = await searchParams;
  const [first, last] = [addDays(today, 1), addDays(today, AHEAD)];
  const on = isCivilDate(asked) && asked >= first && asked <= last ? asked : first;
  const [{ barrels, sources, demand, hours }, upkeep] = await Promise.all([
    loadRoom(scope, today, on),
    loadPurifierUpkeep(scope, today),
  ]);
  return (
    <>
      <WaterNav here="/water/mixing" />
      <MixingRoom
        barrels={barrels.map(({ id, name, capacityL, heaterW, lossWPerK, contents }) => ({
          id,
          name,
          capacityL,
          heaterW: heaterW ?? 0,
          lossWPerK: lossWPerK ?? 0,
          contents,
        }))}
        sources={sources}
        demand={demand}
        now={now.getTime()}
        loadedAt={instantOf(on, LOADED_MINUTE, scope.zone)}
        clock={{ minuteNow: civilOf(now.getTime(), scope.zone).minute, ...hours }}
        on={on}
        before={on > first ? addDays(on, -1) : null}
        after={on < last ? addDays(on, 1) : null}
        units={scope.units}
      />
      <PurifierUpkeep purifiers={upkeep} today={today} />
    </>
  );
}
