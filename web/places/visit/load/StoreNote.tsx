import { Box } from "@chakra-ui/react";
import type { Drawn, Taken } from "@keel-round/core/load";
import { sayAmount } from "@keel-round/core/stores";
import { litresText, type UnitPreference } from "@keel-round/core/units";

/** Grams and millilitres to the one, below ten to the tenth: as a scale is read. */
export const figure = (amount: number): string => (amount < 10 ? amount.toFixed(1) : String(Math.round(amount)));

/** Where a thing comes from: so much from the van, so much from which shelf; and what to do where there is too little. */
export function StoreNote({ taken, units }: { taken: Taken | undefined; units: UnitPreference }) {
  if (!taken) return null;
  const { line, inVan, fromShelf, missing } = taken;
  const text = (amount: number) => sayAmount(amount, line.unit, units);
  const from = [
    ...(inVan > 0 ? [`${text(inVan)} in the van`] : []),
    ...(fromShelf > 0 ? [`${text(fromShelf)} from ${line.shelf === "" ? "the base" : line.shelf}`] : []),
  ];
  return (
    <>
      {from.length > 0 && (
        <Box pl="52px" pb="6px" fontSize="14.5px" color="soft">
          {from.join(", ")}
        </Box>
      )}
      {missing > 0 && (
        <Short says={`${missing === taken.wanted ? "None" : `${text(missing)} too little`} in the stores.`}>
          {line.instead === ""
            ? "Ring the office before you leave: nothing is written down to take instead."
            : `Take ${line.instead}.`}
        </Short>
      )}
    </>
  );
}

/** Which barrels a water comes from, and what to do where they hold too little. */
export function BarrelNote({ drawn, units, salted }: { drawn: Drawn | null; units: UnitPreference; salted: boolean }) {
  if (!drawn) return null;
  const litres = (l: number) => litresText(l, units);
  return (
    <>
      {drawn.barrels.length > 0 && (
        <Box pl="52px" pb="6px" fontSize="14.5px" color="soft">
          {drawn.barrels.map((b) => `${b.name} holds ${litres(b.litres)}`).join(", ")}
        </Box>
      )}
      {drawn.shortL > 0 && (
        <Short says={`${litres(drawn.shortL)} short.`}>
          {salted ? "Mix it in the mixing room before you load." : "Start the purifier before you load."}
        </Short>
      )}
    </>
  );
}

const Short = ({ says, children }: { says: string; children: string }) => (
  <Box my="6px" px="12px" py="8px" bg="ochreWash" borderLeftWidth="4px" borderColor="ochre" data-short="">
    <strong>{says}</strong> {children}
  </Box>
);
