"use client";

import { Box } from "@chakra-ui/react";
import { figure, litresText, quantity, quantityText } from "@keel-round/core/units";
import { conductivityMsCm } from "@keel-round/core/water";
import { scoopsText } from "@keel-round/core/words";
import type { LiveVisit } from "@/device/useVisit";
import { WorkedFigure } from "@/kit/Working";
import { BatchEntry } from "./BatchEntry";
import { Figure } from "./Figure";

/** Salt water to be mixed on site: the salinity wanted, the grams, and what the batch measured. */
export function MixFigure({ visit }: { visit: LiveVisit }) {
  const { water } = visit.plan;
  const { kept } = visit;
  const salt = kept.input.source.salt;
  return (
    <Box>
      <Figure of={quantity(water.mixPsu ?? 0, "ppt", kept.units)} after=" wanted" />
      {kept.units.salinity === "mS/cm raw" && water.mixPsu && water.mixPsu >= 2 && water.refillC && (
        <Box fontSize="16px" color="soft" mt="2px">
          at {quantityText(water.refillC.value, "°C", kept.units)} a meter without compensation reads{" "}
          {figure(conductivityMsCm(Math.min(42, water.mixPsu), Math.min(35, water.refillC.value)), 1)} mS/cm
        </Box>
      )}
      {water.saltWaterL && (
        <Box fontSize="18px" mt="6px">
          {litresText(water.saltWaterL.value, kept.units)} of it to pour
        </Box>
      )}
      {water.saltG && (
        <Box mt="6px">
          <WorkedFigure of={water.saltG} units={kept.units} size="24px">
            <span>of {salt?.name}</span>
          </WorkedFigure>
          {salt?.scoopGrams && <Box fontSize="18px">{scoopsText(water.saltG.value, salt.scoopGrams)}</Box>}
        </Box>
      )}
      {salt && <BatchEntry visit={visit} />}
    </Box>
  );
}
