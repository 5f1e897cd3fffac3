import { Box } from "@chakra-ui/react";
import type { Drawn, Taken } from "@keel-round/core/load";
import { sayAmount } from "@keel-round/core/stores";
import { litresText, type UnitPreference } from "@keel-round/core/units";

/** Grams and millilitres to the one, below ten to the tenth: as a scale is read. */
export const figure = (amount: number): string => (amount < 10 ? amount.toFixed(1) : String(Math.round(amount)));

/** Where a thing comes from: so much from the van, so much from which shelf; empty where the stores do not have it. */
export function fromText(taken: Taken | undefined, units: UnitPreference): string {
  if (!taken) return "";
  const { line, inVan, fromShelf } = taken;
  const text = (amount: number) => sayAmount(amount, line.unit, units);
  return [
    ...(inVan > 0 ? [`${text(inVan)} in the van`] : []),
    ...(fromShelf > 0 ? [`${text(fromShelf)} from ${line.shelf === "" ? "the base" : line.shelf}`] : []),
  ].join(", ");
}

/** What to do where there is too little of a thing. */
export function ThingShort({ taken, units }: { taken: Taken | undefined; units: UnitPreference }) {
  if (!taken || taken.missing <= 0) return null;
  const { line, missing, wanted } = taken;
  return (
    <Short
      says={`${missing === wanted ? "None" : `${sayAmount(missing, line.unit, units)} too little`} in the stores.`}
    >
      {line.instead === ""
        ? "Ring the office before you leave: nothing is written down to take instead."
        : `Take ${line.instead}.`}
    </Short>
  );
}

/** Which barrels hold a water. */
export const barrelText = (drawn: Drawn | null, units: UnitPreference): string =>
  (drawn?.barrels ?? []).map((b) => `${b.name} holds ${litresText(b.litres, units)}`).join(", ");

/** What to do where the barrels hold too little. */
export function WaterShort({ drawn, units, salted }: { drawn: Drawn | null; units: UnitPreference; salted: boolean }) {
  if (!drawn || drawn.shortL <= 0) return null;
  return (
    <Short says={`${litresText(drawn.shortL, units)} short.`}>
      {salted ? "Mix it in the mixing room before you load." : "Start the purifier before you load."}
    </Short>
  );
}

const Short = ({ says, children }: { says: string; children: string }) => (
  <Box my="6px" px="12px" py="8px" bg="ochreWash" borderLeftWidth="4px" borderColor="ochre" data-short="">
    <strong>{says}</strong> {children}
  </Box>
);
