"use client";

import { Box, Flex } from "@chakra-ui/react";
import { type BarrelLine, type LoadList, loadList, type ShelfLine } from "@keel-round/core/load";
import { kilograms, type StopLoad } from "@keel-round/core/round";
import { METRIC, quantityText, type UnitPreference } from "@keel-round/core/units";
import { planVisit } from "@keel-round/core/visit";
import { useMemo, useState } from "react";
import type { Kept } from "@/device/useKept";
import { QuietButton } from "@/kit/controls";
import { H2 } from "@/kit/elements";
import { dayLabel } from "@/kit/words";
import { BackList } from "./BackList";
import { LoadLines } from "./LoadLines";
import { keepTicks, type Ticks, ticksOf } from "./ticks";

const PRESSED = { bg: "corallineWash", borderColor: "coralline" } as const;

/** What a day's visits take, worked out on this phone. */
interface DayLoad {
  readonly on: string;
  readonly stops: number;
  readonly places: readonly string[];
  readonly list: LoadList;
  readonly water: StopLoad;
  readonly units: UnitPreference;
  readonly shelf: readonly ShelfLine[];
  readonly barrels: readonly BarrelLine[];
  /** What the van carries at most, kg; null where this phone does not know. */
  readonly mostKg: number | null;
}

function loadOfDay({ visits, days }: Kept, on: string): DayLoad {
  const own = visits.filter((v) => v.bundle.on === on);
  const planned = own.map(({ bundle: { input, siteName, units } }) => ({
    ...{ place: siteName, input, units, plan: planVisit(input) },
  }));
  const day = days.find((d) => d.on === on);
  const sum = (of: keyof StopLoad) => planned.reduce((litres, { plan }) => litres + plan.load[of], 0);
  return {
    on,
    stops: new Set(own.map((v) => v.bundle.stopId)).size,
    places: [...new Set(planned.map((p) => p.place))],
    list: loadList(planned, day?.van ?? []),
    ...{ shelf: day?.shelf ?? [], barrels: day?.barrels ?? [], mostKg: day?.input?.vanKg ?? null },
    water: { mixL: sum("mixL"), seaL: sum("seaL"), purifiedL: sum("purifiedL"), wasteL: 0 },
    units: planned[0]?.units ?? METRIC,
  };
}

/** The load of a day that is kept here: from the barrels, from the shelf, what is in the van anyway; and what comes back. */
export function LoadPart({ kept }: { kept: Kept }) {
  const days = [...new Set(kept.visits.map((v) => v.bundle.on))].sort();
  const open = days.filter((on) => kept.visits.some((v) => v.bundle.on === on && !v.state.closedAt));
  const [chosen, setChosen] = useState<string | null>(null);
  const on = chosen ?? open.at(-1) ?? days.at(-1);
  if (!on) return null;
  return (
    <Box mt="26px" data-load={on}>
      <H2 fontSize="22px" fontWeight="660">
        Load
      </H2>
      {days.length > 1 && (
        <Flex gap="6px" mt="6px" wrap="wrap">
          {days.map((day) => (
            <QuietButton
              key={day}
              type="button"
              minH="48px"
              aria-pressed={day === on}
              _pressed={PRESSED}
              onClick={() => setChosen(day)}
            >
              {dayLabel(day)}
            </QuietButton>
          ))}
        </Flex>
      )}
      <OfDay key={on} kept={kept} on={on} />
    </Box>
  );
}

function OfDay({ kept, on }: { kept: Kept; on: string }) {
  const load = useMemo(() => loadOfDay(kept, on), [kept, on]);
  const [part, setPart] = useState<"load" | "back">("load");
  const [ticks, setTicks] = useState<Ticks>(() => ticksOf(on));
  const change = (next: Ticks) => {
    keepTicks(on, next);
    setTicks(next);
  };
  const things = [...load.list.things, ...load.list.carried];
  const { mixKg, seaKg, purifiedKg } = kilograms(load.water);
  const settled = things.filter((t) => ticks.back.includes(t.item) || ticks.stays[t.item] !== undefined).length;
  const toLoad =
    load.list.waters.filter((w) => w.kind !== "waste").length + load.list.amounts.length + load.list.things.length;
  return (
    <>
      <Flex gap="6px" mt="8px">
        {(
          [
            ["load", `Load ${ticks.loaded.length} of ${toLoad}`],
            ["back", `Back in ${settled} of ${things.length}`],
          ] as const
        ).map(([id, label]) => (
          <QuietButton
            key={id}
            type="button"
            minH="48px"
            flex="1"
            aria-pressed={part === id}
            _pressed={PRESSED}
            onClick={() => setPart(id)}
          >
            {label}
          </QuietButton>
        ))}
      </Flex>
      <Box mt="10px" color="soft">
        {dayLabel(on)}, {load.stops} {load.stops === 1 ? "stop" : "stops"}; water{" "}
        {quantityText(mixKg + seaKg + purifiedKg, "kg", load.units, 0)}
        {load.mostKg !== null && `, the van takes ${quantityText(load.mostKg, "kg", load.units, 0)}`}
      </Box>
      {part === "load" ? (
        <LoadLines
          list={load.list}
          shelf={load.shelf}
          barrels={load.barrels}
          units={load.units}
          ticks={ticks}
          onTicks={change}
        />
      ) : (
        <BackList things={things} places={load.places} ticks={ticks} onTicks={change} />
      )}
    </>
  );
}
