"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { PlanInput } from "@keel-round/core/given";
import { doserPlan, hardnessDgh } from "@keel-round/core/mixing";
import { ownPerDayOf } from "@keel-round/core/readings";
import { systemVolumeL } from "@keel-round/core/tank";
import { figure, litresText, quantityText, type UnitPreference } from "@keel-round/core/units";
import { shareForChanges } from "@keel-round/core/water";
import { q, worked } from "@keel-round/core/worked";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { latestOf } from "@/kit/latest";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";

/** Litres of each of several equal changes that bring a figure to its target together. */
export function EqualChanges({ input, units }: { input: PlanInput; units: UnitPreference }) {
  const nitrate = latestOf(input).get("nitrate")?.value;
  const band = input.facts.bands.find((b) => b.parameter === "nitrate");
  const { numbers, field } = useNumbers(
    {
      before: { label: "Reads, mg/L", low: 0, high: 5000, start: nitrate === undefined ? "" : figure(nitrate, 1) },
      target: {
        label: "Wanted, mg/L",
        low: 0,
        high: 5000,
        start: band ? figure((Math.max(0, band.idealLow) + band.idealHigh) / 2, 0) : "",
      },
      refill: {
        label: "New water, mg/L",
        low: 0,
        high: 5000,
        start: figure(input.source.chemistry.nitrate ?? 0, 1),
      },
      changes: { label: "Changes", low: 1, high: 100, start: "2" },
    },
    units,
  );
  const { before, target, refill, changes } = numbers;
  const systemL = systemVolumeL(input.facts);
  const given = before !== null && target !== null && refill !== null && changes !== null;
  const share = given ? shareForChanges({ before, target, refill, changes: Math.round(changes) }) : undefined;
  return (
    <Box as="section" aria-label="Several equal changes">
      <SubHead>Several equal changes</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["before", "target", "refill", "changes"] as const).map((key) => (
          <Box key={key} w="122px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {share === undefined ? (
          <Span color="soft">Enter what it reads, what is wanted and what the new water brings.</Span>
        ) : before !== null && target !== null && before <= target && (refill ?? 0) <= target ? (
          <Span color="soft">It is there already.</Span>
        ) : share === null ? (
          <Span color="soft">This water does not lead there: it has to lie beyond what is wanted.</Span>
        ) : (
          <>
            <WorkedFigure
              of={worked("equal-changes", share * systemL, "L", {
                reads: q(before ?? 0, "mg/L"),
                wanted: q(target ?? 0, "mg/L"),
                "new water": q(refill ?? 0, "mg/L"),
                changes: q(Math.round(changes ?? 1), ""),
                system: q(systemL, "L"),
              })}
              units={units}
              size="30px"
            />
            <Span color="soft">
              each, {figure(share * 100, 0)} % of {litresText(systemL, units)}, drained and then filled; what builds up
              between them comes on top.
            </Span>
          </>
        )}
      </Box>
    </Box>
  );
}

/** The hardness that a calcium and a magnesium reading come to. */
export function HardnessOf({ units }: { units: UnitPreference }) {
  const { numbers, field } = useNumbers(
    {
      calcium: { label: "Calcium, mg/L", low: 0, high: 10_000, start: "" },
      magnesium: { label: "Magnesium, mg/L", low: 0, high: 10_000, start: "" },
    },
    units,
  );
  const { calcium, magnesium } = numbers;
  return (
    <Box as="section" aria-label="Hardness from calcium and magnesium">
      <SubHead>Hardness from calcium and magnesium</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["calcium", "magnesium"] as const).map((key) => (
          <Box key={key} w="150px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {calcium === null || magnesium === null ? (
          <Span color="soft">Enter both.</Span>
        ) : (
          <WorkedFigure
            of={worked("hardness", hardnessDgh(calcium, magnesium), "dGH", {
              calcium: q(calcium, "mg/L"),
              magnesium: q(magnesium, "mg/L"),
            })}
            units={units}
            size="30px"
            decimals={1}
          />
        )}
      </Box>
    </Box>
  );
}

/** What a doser of alkalinity is to be set to, after what the tank was measured to use. */
export function DailyDose({ input, units }: { input: PlanInput; units: UnitPreference }) {
  const rate = input.rates.alkalinity;
  const dosed = input.facts.dosedDkhPerDay ?? 0;
  const used = rate?.enough ? Math.max(0, -ownPerDayOf(rate)) : dosed;
  const sigma = rate?.enough ? rate.perDaySigma : 0;
  const systemL = systemVolumeL(input.facts);
  const { numbers, field } = useNumbers(
    {
      used: { label: "Used a day", unit: "dKH moved", low: 0, high: 20, start: used > 0 ? figure(used, 2) : "" },
      strength: { label: "1 mL lifts KH by a degree in", unit: "L", low: 0.1, high: 100_000, start: "" },
      set: { label: "Set to, mL a day", low: 0, high: 10_000, start: "" },
      usable: { label: "In its container, mL", low: 1, high: 1_000_000, start: "" },
    },
    units,
  );
  const { used: perDay, strength, set, usable } = numbers;
  const plan =
    perDay !== null && strength !== null && set !== null
      ? doserPlan({
          perDay,
          perDaySigma: sigma,
          systemL,
          strengthLPerMl: strength,
          setMlPerDay: set,
          stepMl: 0.1,
          ...(usable === null ? {} : { usableMl: usable }),
        })
      : null;
  return (
    <Box as="section" aria-label="Daily dose of alkalinity">
      <SubHead>Daily dose of alkalinity</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["used", "strength", "set", "usable"] as const).map((key) => (
          <Box key={key} w="150px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {plan === null ? (
          <Span color="soft">Enter what is used, how strong the solution is, and what the pump is set to.</Span>
        ) : (
          <>
            <WorkedFigure
              of={worked("doser", plan.setTo, "mL a day", {
                used: q(perDay ?? 0, "dKH moved"),
                system: q(systemL, "L"),
                "set to": q(set ?? 0, "mL a day"),
                "comes to": q(plan.usedMlPerDay, "mL a day"),
              })}
              units={units}
              size="30px"
              decimals={1}
            />
            <Span color="soft">
              {plan.setTo === set
                ? "Leave it: the difference is within what is known."
                : `What is used comes to ${figure(plan.usedMlPerDay, 1)} mL a day. A tenth nearer at a time, and measured again in a week.`}
              {plan.lastsDays !== null && ` The container lasts ${plan.lastsDays} days.`}
              {rate?.enough && ` Measured here: ${quantityText(used, "dKH moved", units)} a day.`}
            </Span>
          </>
        )}
      </Box>
    </Box>
  );
}
