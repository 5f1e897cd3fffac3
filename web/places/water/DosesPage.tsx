import { Box, Flex } from "@chakra-ui/react";
import type { Scope } from "@/data/access/scope";
import type { PlannerData } from "@/data/water/planner";
import { PageHead } from "@/kit/controls";
import { TankPicker } from "@/kit/TankPicker";
import { Blend } from "./Blend";
import { Dechlorinate } from "./Dechlorinate";
import { Estimates } from "./Estimates";
import { Raise } from "./Raise";
import { Remineralise } from "./Remineralise";
import { DailyDose, EqualChanges, HardnessOf } from "./Series";
import { WaterNav } from "./WaterNav";

/** What is weighed into a tank or into new water, and the two estimates that go with it. */
export function DosesPage({ scope, data }: { scope: Scope; data: PlannerData }) {
  const { tanks, chosen } = data;
  return (
    <Box>
      <WaterNav here="/water/doses" />
      <PageHead title="Doses" facts={chosen ? `${chosen.name}, ${chosen.siteName}` : null} />
      <TankPicker action="/water/doses" tanks={tanks} chosen={chosen?.id ?? ""} />
      <Flex gap="36px" align="flex-start" direction={{ base: "column", lg: "row" }}>
        <Box flex="1" minW="0" w="100%">
          {chosen && <Raise key={chosen.id} input={chosen.input} units={scope.units} />}
          {chosen?.input.facts.bands.some((b) => b.parameter === "alkalinity") && (
            <Box mt="30px">
              <DailyDose key={chosen.id} input={chosen.input} units={scope.units} />
            </Box>
          )}
          <Box mt="30px">
            <Blend
              key={chosen?.id ?? ""}
              waters={chosen?.sources ?? []}
              bands={chosen?.input.facts.bands ?? []}
              targetPsu={chosen?.input.facts.targetPsu ?? 0}
              units={scope.units}
            />
          </Box>
        </Box>
        <Box flex="1" minW="0" w="100%">
          <Remineralise units={scope.units} />
          {chosen && (
            <Box mt="30px">
              <EqualChanges key={chosen.id} input={chosen.input} units={scope.units} />
            </Box>
          )}
          <Box mt="30px">
            <HardnessOf units={scope.units} />
          </Box>
          <Box mt="30px">
            <Dechlorinate
              key={chosen?.id ?? ""}
              tap={chosen?.sources.find((s) => s.kind === "tap" || s.kind === "tap-minerals") ?? null}
              units={scope.units}
            />
          </Box>
          <Box mt="30px">
            <Estimates key={chosen?.id ?? ""} input={chosen?.input ?? null} units={scope.units} />
          </Box>
        </Box>
      </Flex>
    </Box>
  );
}
