"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { PlanInput } from "@keel-round/core/given";
import { figure, type UnitPreference } from "@keel-round/core/units";
import { CO2_RELATIVE, co2MgL, hotShare } from "@keel-round/core/water";
import { q, worked } from "@keel-round/core/worked";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { latestOf } from "@/kit/latest";
import { useNumbers } from "@/kit/useNumbers";
import { WorkedFigure } from "@/kit/Working";

const celsius = (value: number, unit: UnitPreference["temperature"]) => (unit === "°F" ? (value - 32) / 1.8 : value);
const shown = (c: number, unit: UnitPreference["temperature"]) => figure(unit === "°F" ? c * 1.8 + 32 : c, 1);

/** Carbon dioxide from KH and pH, and the share of hot water at a mixer tap. */
export function Estimates({ input, units }: { input: PlanInput | null; units: UnitPreference }) {
  const latest = input ? latestOf(input) : new Map<string, { value: number }>();
  const fresh = (input?.facts.targetPsu ?? 0) === 0;
  const start = (parameter: string, decimals: number) => {
    const value = latest.get(parameter)?.value;
    return value === undefined ? "" : value.toFixed(decimals);
  };
  const unit = units.temperature;
  const [cold, warm, low, high] = unit === "°F" ? [52, 130, 32, 150] : [11, 55, 0, 65];
  const { numbers, field } = useNumbers(
    {
      kh: { label: "KH", unit: "dKH", low: 0, high: 40, start: fresh ? start("alkalinity", 1) : "" },
      ph: { label: "pH", low: 4, high: 10, start: fresh ? start("ph", 1) : "" },
      wanted: { label: `Wanted, ${unit}`, low, high, start: input ? shown(input.facts.targetC, unit) : "" },
      cold: { label: `Cold tap, ${unit}`, low, high, start: input ? shown(input.source.coldC, unit) : String(cold) },
      hot: { label: `Hot tap, ${unit}`, low, high, start: String(warm) },
    },
    units,
  );
  const { kh, ph, wanted, cold: coldAt, hot } = numbers;
  const co2 = kh !== null && ph !== null ? co2MgL(kh, ph) : null;
  const share =
    wanted !== null && coldAt !== null && hot !== null && hot !== coldAt
      ? hotShare(celsius(wanted, unit), celsius(coldAt, unit), celsius(hot, unit))
      : undefined;
  return (
    <Box>
      <SubHead>Carbon dioxide, fresh water</SubHead>
      <Flex gap="12px" wrap="wrap" pt="10px">
        {(["kh", "ph"] as const).map((key) => (
          <Box key={key} w="132px">
            {field(key)}
          </Box>
        ))}
      </Flex>
      <Box role="status">
        {co2 === null ? (
          <Span color="soft">Enter KH and pH.</Span>
        ) : (
          <>
            <WorkedFigure
              of={{
                ...worked("co2", co2, "mg/L", { KH: q(kh ?? 0, "dKH"), pH: q(ph ?? 0, "") }),
                range: { low: co2 * (1 - CO2_RELATIVE), high: co2 * (1 + CO2_RELATIVE) },
              }}
              units={units}
              size="30px"
              decimals={co2 < 10 ? 1 : 0}
            />
            <Span color="soft">
              {figure(co2 * (1 - CO2_RELATIVE), 0)} to {figure(co2 * (1 + CO2_RELATIVE), 0)}. It fails where tannins,
              phosphate or a buffer salt hold the pH: then watch the fish, not the figure.
            </Span>
          </>
        )}
      </Box>
      <Box mt="26px">
        <SubHead>Mixer tap</SubHead>
        <Flex gap="12px" wrap="wrap" pt="10px">
          {(["wanted", "cold", "hot"] as const).map((key) => (
            <Box key={key} w="132px">
              {field(key)}
            </Box>
          ))}
        </Flex>
        <Box role="status">
          {share === undefined ? (
            <Span color="soft">Enter the three temperatures.</Span>
          ) : share === null ? (
            <Span color="soft">These two taps cannot give it: it lies outside of both.</Span>
          ) : (
            <>
              <WorkedFigure
                of={worked("hot-share", share * 100, "%", {
                  wanted: q(celsius(wanted ?? 0, unit), "°C"),
                  cold: q(celsius(coldAt ?? 0, unit), "°C"),
                  hot: q(celsius(hot ?? 0, unit), "°C"),
                })}
                units={units}
                size="30px"
                decimals={0}
              />
              <Span color="soft">
                of the flow from the hot tap. Check it half-way: it drifts. Hot water scalds: cold first.
              </Span>
            </>
          )}
        </Box>
      </Box>
    </Box>
  );
}
