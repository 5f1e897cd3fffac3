import { Box } from "@chakra-ui/react";
import type { Scope } from "@/data/access/scope";
import type { PlannerData } from "@/data/water/planner";
import { AppLink } from "@/kit/AppLink";
import { PageHead } from "@/kit/controls";
import { A } from "@/kit/elements";
import { TankPicker } from "@/kit/TankPicker";
import { dayLabel } from "@/kit/words";
import { Planner } from "./Planner";
import { WaterNav } from "./WaterNav";

/** The planner: a tank is picked, and its next change worked out in every way. */
export function PlannerPage({ scope, data }: { scope: Scope; data: PlannerData }) {
  const { tanks, chosen } = data;
  return (
    <Box>
      <WaterNav here="/water" />
      <PageHead
        title="Plan a change"
        facts={chosen ? `${chosen.name}, ${chosen.siteName}: for the visit of ${dayLabel(chosen.input.on)}` : null}
        actions={
          chosen && (
            <A asChild color="coralline" fontSize="14.5px">
              <AppLink href={`/tanks/${chosen.id}`}>Its sheet</AppLink>
            </A>
          )
        }
      />
      <TankPicker action="/water" tanks={tanks} chosen={chosen?.id ?? ""}>
        <A asChild color="coralline" fontSize="14.5px" textDecoration="underline">
          <AppLink href="/water/describe">or describe a tank</AppLink>
        </A>
      </TankPicker>
      {chosen ? (
        <Planner
          key={chosen.id}
          input={chosen.input}
          sources={chosen.sources}
          units={scope.units}
          visit={chosen.visit && { ...chosen.visit, tankId: chosen.id }}
        />
      ) : (
        <Box color="soft" py="20px">
          No tank yet.{" "}
          <A asChild color="coralline">
            <AppLink href="/tanks/new">Begin with one</AppLink>
          </A>
          ; its water is worked out here.
        </Box>
      )}
    </Box>
  );
}
