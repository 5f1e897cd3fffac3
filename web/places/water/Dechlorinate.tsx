"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterSource } from "@keel-round/core/given";
import { ammoniaFreedMgL, THIOSULPHATE_MG_PER_MG, thiosulphateGrams } from "@keel-round/core/mixing";
import { figure, showVolume, type UnitPreference } from "@keel-round/core/units";
import { q, worked } from "@keel-round/core/worked";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";

/** Chlorine and chloramine taken out of tap water with plain thiosulphate, and the ammonia that this frees. */
export function Dechlorinate({ tap, units }: { tap: WaterSource | null; units: UnitPreference }) {
  const perLitre = showVolume(1, units.volume);
  const measured = (mgL: number | undefined) => (mgL === undefined ? "" : String(mgL));
  const { numbers, field } = useNumbers(
    {
      litres: { label: `Tap water, ${units.volume}`, low: 0.1, high: 100_000, start: (100 * perLitre).toFixed(0) },
      chlorine: { label: "Free chlorine, mg/L", low: 0, high: 20, start: measured(tap?.chemistry.chlorine) },
      chloramine: { label: "Chloramine, mg/L", low: 0, high: 20, start: measured(tap?.chemistry.chloramine) },
    },
    units,
  );
  const { litres, chlorine, chloramine } = numbers;
  return (
    <Box as="section" aria-label="Chlorine out of tap water">
      <SubHead>Chlorine out of tap water</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["litres", "chlorine", "chloramine"] as const).map((key) => (
          <Box key={key} w="150px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {litres === null || chlorine === null || chloramine === null ? (
          <Span color="soft">Enter how much water, and both figures of its test: total less free is chloramine.</Span>
        ) : (
          <Grams litres={litres / perLitre} chlorine={chlorine} chloramine={chloramine} units={units} />
        )}
      </Box>
    </Box>
  );
}

function Grams({
  litres,
  chlorine,
  chloramine,
  units,
}: {
  litres: number;
  chlorine: number;
  chloramine: number;
  units: UnitPreference;
}) {
  const grams = thiosulphateGrams(litres, chlorine, chloramine);
  const least = thiosulphateGrams(litres, chlorine, chloramine, "sulphate");
  const freed = ammoniaFreedMgL(chloramine);
  return (
    <>
      <WorkedFigure
        of={worked("thiosulphate-grams", grams, "g", {
          water: q(litres, "L"),
          "free chlorine": q(chlorine, "mg/L"),
          chloramine: q(chloramine, "mg/L"),
          "thiosulphate a mg of chlorine": q(THIOSULPHATE_MG_PER_MG.tetrathionate, "mg"),
        })}
        units={units}
        size="20px"
        decimals={grams < 10 ? 2 : 1}
      >
        <Span>of sodium thiosulphate, crystals</Span>
      </WorkedFigure>
      <Box color="soft" fontSize="14px" mt="4px">
        {grams > 0 &&
          `Where all of it runs on to sulphate ${figure(least, 2)} g would do, but that is slow and not sure. `}
        {freed > 0
          ? `It frees ${figure(freed, 2)} mg/L of ammonia as nitrogen, which thiosulphate does not bind: use a conditioner that does, or let a filter take it first.`
          : "No chloramine, so no ammonia is freed."}
      </Box>
    </>
  );
}
