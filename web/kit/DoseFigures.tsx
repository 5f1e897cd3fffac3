import { Box } from "@chakra-ui/react";
import { type Correction, notDosedTitle, restOfDose, whyNotDosed } from "@keel-round/core/change";
import { say } from "@keel-round/core/say";
import { type UnitPreference, withUnit } from "@keel-round/core/units";
import { SubHead } from "./controls";
import { B } from "./elements";
import { FigureRow } from "./WaterFigures";

/** What is put right by doses on a visit, and what is not and why. */
export function DoseFigures({ corrections, units }: { corrections: readonly Correction[]; units: UnitPreference }) {
  if (corrections.length === 0) return null;
  return (
    <Box mt="18px" data-doses="">
      <SubHead>Doses, once the water is back</SubHead>
      {corrections.map((c) => {
        if (!c.ok)
          return (
            <Box key={c.parameter} py="8px" borderBottomWidth="1px" borderColor="rule" fontSize="14px">
              <B fontWeight="620" color="ochre">
                {say(notDosedTitle(c), units)}.
              </B>{" "}
              {say(whyNotDosed(c), units)}
            </Box>
          );
        const rest = restOfDose(c);
        return (
          <FigureRow
            key={c.parameter}
            label={c.product.name}
            of={c.amount}
            units={units}
            decimals={c.amount.value < 100 ? 1 : 0}
          >
            {withUnit(c.parameter, c.from, units)} comes to {withUnit(c.parameter, c.to.value, units)}.
            {rest ? ` ${say(rest, units)}` : ""}
          </FigureRow>
        );
      })}
    </Box>
  );
}
