"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { WaterPlan } from "@keel-round/core/change";
import type { WaterSource } from "@keel-round/core/given";
import type { UnitPreference } from "@keel-round/core/units";
import { litresText } from "@keel-round/core/units";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { dayLabel } from "@/kit/words";
import { planIntoAction } from "./actions";

/** The next visit of the tank in the planner, and what was planned into it there. */
export interface PlannerVisit {
  readonly id: string;
  readonly tankId: string;
  readonly on: string;
  readonly planned: { readonly litres: number; readonly sourceName: string; readonly by: string } | null;
}

/** What may be done with a change that was worked out: into the next visit, or onto a card for the tank side. */
export function IntoVisit({
  visit,
  water,
  source,
  units,
}: {
  visit: PlannerVisit;
  water: WaterPlan;
  source: WaterSource;
  units: UnitPreference;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const litres = water.litres.value;
  const say = async (change: { litres: number; sourceId: string } | null) => {
    setBusy(true);
    const answer = await answered(planIntoAction({ visitId: visit.id, change })).finally(() => setBusy(false));
    setProblem(answer.ok ? null : answer.message);
    router.refresh();
  };
  const held = water.binding !== null && water.litres.value > water.binding.maxL + 1e-6;
  return (
    <Box mt="16px">
      {visit.planned && (
        <Box mb="10px" role="status">
          <Notice tone="plain">
            Planned for {dayLabel(visit.on)}: {litresText(visit.planned.litres, units)} with {visit.planned.sourceName},
            by {visit.planned.by}.{" "}
            <QuietButton type="button" py="3px" ml="6px" disabled={!hydrated || busy} onClick={() => say(null)}>
              Take it back
            </QuietButton>
          </Notice>
        </Box>
      )}
      <Flex gap="10px" wrap="wrap">
        <GoButton
          type="button"
          disabled={!hydrated || busy || held}
          onClick={() => say({ litres: Math.round(litres * 10) / 10, sourceId: source.id })}
        >
          {litres > 0
            ? `Plan ${litresText(litres, units)} for ${dayLabel(visit.on)}`
            : `Plan none for ${dayLabel(visit.on)}`}
        </GoButton>
        {litres > 0 && (
          <QuietButton asChild>
            <a href={`/water/card?tank=${visit.tankId}&litres=${litres}&source=${source.id}`}>Card for the tank side</a>
          </QuietButton>
        )}
      </Flex>
      {problem && (
        <Box role="alert" color="vermilion" fontWeight="600" fontSize="14px" mt="6px">
          {problem}
        </Box>
      )}
    </Box>
  );
}
