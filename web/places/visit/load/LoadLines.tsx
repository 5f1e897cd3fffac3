import { Box } from "@chakra-ui/react";
import {
  type BarrelLine,
  type For,
  fromBarrels,
  fromStores,
  type LoadList,
  type ShelfLine,
  type WaterLoad,
} from "@keel-round/core/load";
import { textOf } from "@keel-round/core/say";
import { litresText, type UnitPreference } from "@keel-round/core/units";
import type { ReactNode } from "react";
import { H2 } from "@/kit/elements";
import { barrelText, figure, fromText, ThingShort, WaterShort } from "./stored";
import { TickLine } from "./TickLine";
import { type Ticks, tickLoaded } from "./ticks";

const KIND: Readonly<Record<WaterLoad["kind"], string>> = {
  mix: "Salt water",
  sea: "Sea water",
  purified: "Purified water",
  waste: "Empty barrels for waste",
};

const forPlaces = (by: readonly For[], text: (amount: number) => string): string =>
  by.map(({ place, amount }) => (by.length === 1 ? place : `${place} ${text(amount)}`)).join(", ");

/** What is loaded: from the barrels, weighed out at the shelf, and things; each ticked as it goes into the van. */
export function LoadLines({
  list,
  shelf,
  barrels,
  units,
  ticks,
  onTicks,
}: {
  list: LoadList;
  /** What the stores hold: a phone that kept an earlier day does not know. */
  shelf: readonly ShelfLine[];
  barrels: readonly BarrelLine[];
  units: UnitPreference;
  ticks: Ticks;
  onTicks: (ticks: Ticks) => void;
}) {
  const taken = fromStores(list, shelf);
  const line = (item: string, amount: string, by: string, from: string, below: ReactNode) => (
    <Box key={item}>
      <TickLine
        item={item}
        amount={amount}
        note={by}
        from={from}
        on={ticks.loaded.includes(item)}
        onPress={() => onTicks(tickLoaded(ticks, item))}
      />
      {below}
    </Box>
  );
  const litres = (l: number) => litresText(l, units);
  const waste = list.waters.find((w) => w.kind === "waste");
  return (
    <>
      <Part title="From the barrels" empty={list.waters.length === 0}>
        {list.waters
          .filter((w) => w.kind !== "waste")
          .map((w) => {
            const drawn = w.kind === "sea" ? null : fromBarrels(w, barrels);
            return line(
              w.name || KIND[w.kind],
              litres(w.litres),
              forPlaces(w.by, litres),
              barrelText(drawn, units),
              <WaterShort drawn={drawn} units={units} salted={w.kind === "mix"} />,
            );
          })}
        {waste && (
          <Box py="8px" color="soft">
            {KIND.waste}: {litres(waste.litres)} come home, {forPlaces(waste.by, litres)}
          </Box>
        )}
      </Part>
      <Part title="Weighed out, a bag for each place" empty={list.amounts.length === 0}>
        {list.amounts.map((a) =>
          line(
            a.item,
            `${figure(a.amount)} ${a.unit}`,
            forPlaces(a.by, (n) => `${figure(n)} ${a.unit}`),
            fromText(taken.get(a.item), units),
            <ThingShort taken={taken.get(a.item)} units={units} />,
          ),
        )}
      </Part>
      <Part title="From the shelf, not in the van" empty={list.things.length === 0}>
        {list.things.map((t) => {
          const amount = t.amount === undefined ? "" : textOf(t.amount, units);
          // Words say which one it is, figures how much of it.
          const inWords = typeof t.amount === "string";
          const places = t.places.join(", ");
          return line(
            t.item,
            inWords ? "" : amount,
            inWords ? `${amount}; ${places}` : places,
            fromText(taken.get(t.item), units),
            <ThingShort taken={taken.get(t.item)} units={units} />,
          );
        })}
      </Part>
      {list.carried.length > 0 && (
        <Box mt="14px" color="soft" fontSize="15px">
          In the van anyway: {list.carried.map((t) => t.item).join(", ")}.
        </Box>
      )}
    </>
  );
}

function Part({ title, empty, children }: { title: string; empty: boolean; children: React.ReactNode }) {
  if (empty) return null;
  return (
    <Box mt="14px">
      <H2 fontSize="16px" fontWeight="640" borderBottomWidth="1px" borderColor="ruleStrong" pb="4px">
        {title}
      </H2>
      {children}
    </Box>
  );
}
