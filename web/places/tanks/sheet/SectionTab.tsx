import { Box, Flex } from "@chakra-ui/react";
import { daysBetween } from "@keel-round/core/calendar";
import { exceptionSentence } from "@keel-round/core/given";
import { litresText, quantityText } from "@keel-round/core/units";
import { cleanMediaLasts, lastsDays } from "@keel-round/core/upkeep";
import type { Scope } from "@/data/access/scope";
import type { TankSheet as Sheet } from "@/data/tanks/tanks";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { PlanView } from "@/kit/PlanView";
import { WaterAtMark } from "@/kit/WaterAtMark";
import { WorkedFigure } from "@/kit/Working";
import { dayLabel } from "@/kit/words";

/** The tank cut open, the water change of the next visit beside it, and what is due. */
export function SectionTab({ scope, sheet, today }: { scope: Scope; sheet: Sheet; today: string }) {
  const { input, plan, next } = sheet;
  const { facts } = input;
  const sector = plan.steps.find((s) => s.sector !== undefined)?.sector;
  const days = facts.reservoirL === undefined ? null : lastsDays(facts.reservoirL, facts.evaporationLPerDay);
  const toNext = daysBetween(input.on, input.nextVisitOn);
  const short = days !== null && days < toNext;
  const media = cleanMediaLasts(facts, toNext);
  const due = plan.steps.filter((s) => s.task);
  return (
    <>
      <WaterAtMark
        input={input}
        heading={`Water change ${next ? (next.on === today ? "today" : `on ${dayLabel(next.on)}`) : "at the next visit"}`}
        sector={sector}
        units={scope.units}
      >
        <Flex gap="28px" mt="10px" wrap="wrap" align="flex-start">
          <Box>
            <Box color="soft" fontSize="13px">
              In the system
            </Box>
            <WorkedFigure of={plan.water.systemL} units={scope.units} />
          </Box>
          <PlanView vessel={facts.display.vessel} width={150} />
          {days !== null && (
            <Stock
              label="Top-up reservoir lasts"
              days={days}
              short={short}
              note={
                short
                  ? `The next visit is ${toNext} days off: the owner fills it, or it must grow.`
                  : `${litresText(facts.reservoirL ?? 0, scope.units)} at ${quantityText(facts.evaporationLPerDay, "L", scope.units, 1)} a day`
              }
            />
          )}
          {media && (
            <Stock
              label="Clean media lasts"
              days={Math.max(0, daysBetween(today, media.washBy))}
              short={media.washBy < input.nextVisitOn}
              note={`${facts.cleanMedia} counted ${dayLabel(facts.cleanMediaOn ?? today)}; wash by ${dayLabel(media.washBy)}`}
            />
          )}
          <Box maxW="46ch" fontSize="14px" color="soft">
            {facts.filterUnits.map((f) => f.name).join(", ")}
            {facts.gear.length > 0 ? `; ${facts.gear.join(", ")}` : ""}.{" "}
            {facts.material === "acrylic" ? "Acrylic: nothing hard." : "Glass."} {facts.notes.join(" ")}
            {facts.exceptions?.map((e) => (
              <Box key={e.kind + e.what} color="ink" fontWeight="560">
                {exceptionSentence(e)}
              </Box>
            ))}
          </Box>
        </Flex>
      </WaterAtMark>
      <Box mt="16px">
        <SubHead>Due at that visit</SubHead>
        <Box py="8px" columns={{ base: 1, md: 2, xl: 3 }} fontSize="14px">
          {due.map((s) => (
            <Box key={s.id} breakInside="avoid">
              {s.title}
              {s.slips ? <Span color="ochre"> slipped {s.slips === 1 ? "once" : `${s.slips} times`}</Span> : null}
            </Box>
          ))}
        </Box>
      </Box>
    </>
  );
}

/** How many days a stock of the site lasts, and what follows from it. */
function Stock({ label, days, short, note }: { label: string; days: number; short: boolean; note: string }) {
  return (
    <Box>
      <Box color="soft" fontSize="13px">
        {label}
      </Box>
      <Span fontFamily="mono" fontSize="22px" fontWeight="560" color={short ? "ochre" : "ink"}>
        {days}
      </Span>{" "}
      <Span color="soft">days</Span>
      <Box fontSize="13px" color={short ? "ochre" : "soft"}>
        {note}
      </Box>
    </Box>
  );
}
