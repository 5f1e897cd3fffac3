"use client";

import { Box, Flex } from "@chakra-ui/react";
import { molarMass, REAGENTS, type Remineral, remineralise } from "@keel-round/core/mixing";
import { showVolume, type UnitPreference } from "@keel-round/core/units";
import { q, worked } from "@keel-round/core/worked";
import { useState } from "react";
import { Choice, FieldRow, SubHead } from "@/kit/controls";
import { Span, Table } from "@/kit/elements";
import { Cell } from "@/kit/table";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";
import { ionsSay } from "./Raise";

type Powders = Pick<Remineral, "calciumAs" | "magnesiumAs" | "carbonateAs">;

const CHOICES: {
  readonly [K in keyof Powders]: {
    readonly label: string;
    readonly options: readonly (readonly [Powders[K], string])[];
  };
} = {
  calciumAs: {
    label: "Calcium as",
    options: [
      ["calcium sulphate dihydrate", "sulphate: slow to dissolve"],
      ["calcium chloride dihydrate", "chloride: quick"],
    ],
  },
  magnesiumAs: {
    label: "Magnesium as",
    options: [
      ["magnesium sulphate heptahydrate", "sulphate"],
      ["magnesium chloride hexahydrate", "chloride"],
    ],
  },
  carbonateAs: {
    label: "KH from",
    options: [
      ["sodium bicarbonate", "sodium bicarbonate"],
      ["potassium bicarbonate", "potassium bicarbonate"],
    ],
  },
};

/** Purified water made into water for a tank: what is weighed into it. */
export function Remineralise({ units }: { units: UnitPreference }) {
  const [powders, setPowders] = useState<Powders>({
    calciumAs: "calcium sulphate dihydrate",
    magnesiumAs: "magnesium sulphate heptahydrate",
    carbonateAs: "sodium bicarbonate",
  });
  const perLitre = showVolume(1, units.volume);
  const { numbers, field } = useNumbers(
    {
      litres: { label: `Purified water, ${units.volume}`, low: 0.5, high: 10_000, start: (100 * perLitre).toFixed(0) },
      gh: { label: "GH, dGH", low: 0, high: 40, start: "6" },
      kh: { label: "KH", unit: "dKH", low: 0, high: 40, start: "2" },
      calcium: { label: "Calcium, parts of 100", low: 0, high: 100, start: "75" },
      potassium: { label: "Potassium, mg/L", low: 0, high: 100, start: "0" },
    },
    units,
  );
  const { litres, gh, kh, calcium, potassium } = numbers;
  const made =
    litres !== null && gh !== null && kh !== null && calcium !== null && potassium !== null
      ? remineralise({
          litres: litres / perLitre,
          gh,
          kh,
          calciumPart: calcium / 100,
          potassiumMgL: potassium,
          ...powders,
        })
      : null;
  return (
    <Box>
      <SubHead>Remineralise purified water</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["litres", "gh", "kh", "calcium", "potassium"] as const).map((key) => (
          <Box key={key} w="132px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Flex gap="12px" wrap="wrap">
        {(Object.keys(CHOICES) as (keyof Powders)[]).map((key) => (
          <Box key={key} w="200px">
            <FieldRow label={CHOICES[key].label}>
              <Choice value={powders[key]} onChange={(e) => setPowders({ ...powders, [key]: e.target.value })}>
                {CHOICES[key].options.map(([value, says]) => (
                  <option key={value} value={value}>
                    {says}
                  </option>
                ))}
              </Choice>
            </FieldRow>
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {made === null ? (
          <Span color="soft">Enter how much, and what it is to become.</Span>
        ) : (
          <>
            <Table borderCollapse="collapse" fontSize="15px">
              <tbody>
                {made.powders.map(({ reagent, grams }) => (
                  <tr key={reagent}>
                    <Cell>
                      <WorkedFigure
                        of={worked("reagent-grams", grams, "g", {
                          litres: q((litres ?? 0) / perLitre, "L"),
                          GH: q(gh ?? 0, "dGH"),
                          KH: q(kh ?? 0, "dKH"),
                          [REAGENTS[reagent].name]: q(molarMass(reagent), "g/mol"),
                        })}
                        units={units}
                        size="20px"
                        decimals={grams < 10 ? 2 : 1}
                      >
                        <Span>
                          {reagent} <Span color="soft">{REAGENTS[reagent].name}</Span>
                        </Span>
                      </WorkedFigure>
                    </Cell>
                  </tr>
                ))}
              </tbody>
            </Table>
            <Box color="soft" fontSize="14px" mt="4px">
              {made.powders.length === 0 ? "Nothing is weighed: it stays as it is. " : ""}
              {ionsSay(made.brings)}
              {kh === 0 && " Without any KH the pH can fall suddenly: only where the tank is kept soft by choice."}
            </Box>
          </>
        )}
      </Box>
    </Box>
  );
}
