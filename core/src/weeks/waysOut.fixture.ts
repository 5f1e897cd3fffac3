import type { DayInput } from "../round/index.ts";
import { windowOn } from "../series/index.ts";
import { ines, MONDAY } from "./board.fixture.ts";
import type { Board } from "./index.ts";

export { waysByItself, waysOut } from "./waysOut.ts";

/** Monday of Ines as the round lays it. */
export const windowedInput = (board: Board): DayInput => ({
  stops: board.stops.map((s) => ({
    ...{ id: s.id, name: s.name, lat: s.lat, lon: s.lon, minutes: s.minutes, load: s.load, keptLast: s.keptLast },
    window: windowOn(s.windows, MONDAY),
    maySlip: s.condition === "steady",
  })),
  ...{ base: board.base, roads: board.roads, refillAfter: [] },
  ...{ startMinute: ines.startMinute, endMinute: ines.endMinute, vanKg: ines.vanKg },
});
