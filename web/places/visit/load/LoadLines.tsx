import { Box } from "@chakra-ui/react";
import type { For, LoadList, WaterLoad } from "@keel-round/core/load";
import { textOf } from "@keel-round/core/say";
import { litresText, type UnitPreference } from "@keel-round/core/units";
import { H2 } from "@/kit/elements";
import { TickLine } from "./TickLine";
import { type Ticks, tickLoaded } from "./ticks";

const KIND: Readonly<Record<WaterLoad["kind"], string>> = {
  mix: "Salt water",
  sea: "Sea water",
  purified: "Purified water",
  waste: "Empty barrels for waste",
};

/** Grams and millilitres to the one, below ten to the tenth: as a scale is read. */
const figure = (amount: number): string => (amount < 10 ? amount.toFixed(1) : String(Math.round(amount)));

const forPlaces = (by: readonly For[], text: (amount: number) => string): string =>
  by.map(({ place, amount }) => (by.length === 1 ? place : `${place} ${text(amount)}`)).join(", ");

/** What is loaded: from the barrels, weighed out at the shelf, and things; each ticked as it goes into the van. */
export function LoadLines({
  list,
  units,
  ticks,
  onTicks,
}: {
  list: LoadList;
  units: UnitPreference;
  ticks: Ticks;
  onTicks: (ticks: Ticks) => void;
}) {
  const line = (item: string, amount: string, by: string) => (
    <TickLine
      key={item}
      item={item}
      amount={amount}
      note={by}
      on={ticks.loaded.includes(item)}
      onPress={() => onTicks(tickLoaded(ticks, item))}
    />
  );
  const litres = (l: number) => litresText(l, units);
  const waste = list.waters.find((w) => w.kind === "waste");
  return (
    <>
      <Part title="From the barrels" empty={list.waters.length === 0}>
        {list.waters
          .filter((w) => w.kind !== "waste")
          .map((w) => line(w.name || KIND[w.kind], litres(w.litres), forPlaces(w.by, litres)))}
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
          ),
        )}
      </Part>
      <Part title="From the shelf, not in the van" empty={list.things.length === 0}>
        {list.things.map((t) => {
          const amount = t.amount === undefined ? "" : textOf(t.amount, units);
          // Words say which one it is, figures how much of it.
          return typeof t.amount === "string"
            ? line(t.item, "", `${amount}; ${t.places.join(", ")}`)
            : line(t.item, amount, t.places.join(", "));
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
