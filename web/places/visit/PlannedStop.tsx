import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { rulesFor } from "@keel-round/core/steps";
import { q, worked } from "@keel-round/core/worked";
import type { ReactNode } from "react";
import type { Scope } from "@/data/access/scope";
import type { Round, RoundStop, RoundTank } from "@/data/round/round";
import { AppLink } from "@/kit/AppLink";
import { ConditionMark } from "@/kit/Condition";
import { GoButton, PageHead, SubHead } from "@/kit/controls";
import { DoseFigures } from "@/kit/DoseFigures";
import { A, H2, Span } from "@/kit/elements";
import { latestOf } from "@/kit/latest";
import { Section } from "@/kit/Section";
import { StepList } from "@/kit/StepList";
import { TwoHands } from "@/kit/TwoHands";
import { ReadingsOnBands, WaterFigures } from "@/kit/WaterFigures";
import { WorkedFigure } from "@/kit/Working";
import { clock, duration } from "@/kit/words";
import { KitList } from "./KitList";

/** A stop as it is planned: per tank the change, the steps in their order, and what to load. */
export function PlannedStop({
  scope,
  stop,
  round,
  on,
  today,
  panel,
}: {
  scope: Scope;
  stop: RoundStop;
  round: Round;
  on: string;
  today: string;
  /** What moves this visit or leaves it out. */
  panel: ReactNode;
}) {
  const timed = round.day.stops.find((s) => s.stop.id === stop.id);
  return (
    <Box>
      <PageHead
        title={stop.site.name}
        facts={`${longDate(on)}${timed ? `, ${clock(timed.start)} to ${clock(timed.end)}` : ""}, ${stop.site.address}`}
        actions={stop.tanks.map((t) => (
          <VisitButton key={t.visitId} of={t} several={stop.tanks.length > 1} startable={on <= today} />
        ))}
      />
      <Box color="soft" mt="6px" maxW="80ch">
        {stop.site.access} {DRAIN[stop.site.drain]}
      </Box>
      {panel}
      {stop.tanks.map((t) => (
        <TankPlan key={t.visitId} of={t} scope={scope} person={round.person} />
      ))}
    </Box>
  );
}

const DRAIN = {
  sewer: "Waste water may go into the drain.",
  septic: "Septic tank: never salt water; all of it is carried away.",
  garden: "Fresh water may go on the garden, salt water is carried away.",
} as const;

function VisitButton({ of, several, startable }: { of: RoundTank; several: boolean; startable: boolean }) {
  const tail = several ? `: ${of.tank.name}` : "";
  if (of.visitState === "closed") return <Span color="soft">Closed{tail}</Span>;
  if (!startable) return <Span color="soft">Can be started on its day{tail}</Span>;
  return (
    <GoButton asChild>
      {/* A whole page load: the visit sheet is an application of its own that also starts without a network. */}
      <a href={`/visit?visit=${of.visitId}${of.visitState === "open" ? "" : "#start"}`}>
        {of.visitState === "open" ? "Go on with the visit" : "Start the visit"}
        {tail}
      </a>
    </GoButton>
  );
}

function TankPlan({ of, scope, person }: { of: RoundTank; scope: Scope; person: Round["person"] }) {
  const { plan, input } = of;
  const sector = plan.steps.find((s) => s.sector !== undefined)?.sector;
  return (
    <Box mt="22px" borderTopWidth="1px" borderColor="ruleStrong" pt="14px">
      <Flex gap="14px" align="baseline" wrap="wrap">
        <H2 fontSize="19px" fontWeight="640">
          <A asChild textDecoration="none" _hover={{ textDecoration: "underline" }}>
            <AppLink href={`/tanks/${of.tank.id}`}>{of.tank.name}</AppLink>
          </A>
        </H2>
        <ConditionMark state={of.status?.condition ?? "unknown"} />
        <Span color="soft">{plan.steps.length} steps</Span>
        <WorkedFigure
          of={worked("visit-minutes", plan.minutes, "min", {
            "all steps": q(
              plan.steps.reduce((sum, s) => sum + s.minutes, 0),
              "min",
            ),
          })}
          units={scope.units}
          size="16px"
          decimals={0}
        />
        <Span color="soft">usually done within {duration(plan.cautiousMinutes ?? plan.minutes)}</Span>
      </Flex>
      <Flex gap="32px" mt="10px" direction={{ base: "column", xl: "row" }} align="flex-start">
        <Box flex="1" minW="0" w="100%">
          <SubHead>On the clock</SubHead>
          <Box py="8px">
            <TwoHands steps={plan.steps} />
          </Box>
          <SubHead>Steps, in this order</SubHead>
          <StepList
            steps={plan.steps}
            rules={rulesFor(input.facts.practice, input.tasks)}
            pace={input.personFactor ?? 1}
          />
          <Box mt="14px">
            <SubHead>To load and to check back in</SubHead>
            <KitList kit={plan.kit} van={person.vanKit} personId={person.id} who={person.name.split(" ")[0] ?? ""} />
          </Box>
        </Box>
        <Box w={{ base: "100%", xl: "447px" }} flexShrink={0}>
          <Section
            facts={input.facts}
            markCm={plan.water.mark?.value ?? null}
            {...(sector ? { sector } : {})}
            units={scope.units}
            width={447}
          />
          <Box mt="10px">
            <SubHead>Water change</SubHead>
            <WaterFigures water={plan.water} units={scope.units} />
            <DoseFigures corrections={of.plan.corrections ?? []} units={scope.units} />
            <ReadingsOnBands facts={input.facts} water={plan.water} latest={latestOf(input)} units={scope.units} />
          </Box>
        </Box>
      </Flex>
    </Box>
  );
}
