"use client";

import { Box, Flex } from "@chakra-ui/react";
import { parseNumber, type UnitPreference } from "@keel-round/core/units";
import { useEffect, useState } from "react";
import { FieldRow, TextInput } from "@/kit/controls";
import { INTERVAL_DAYS } from "./PeakAndInterval";
import type { Tried } from "./useTried";

/** A share and an interval by typing: the same as by the two handles of the drawing. */
export function TryIt({ tried, most, units }: { tried: Tried; most: number; units: UnitPreference }) {
  return (
    <Flex gap="12px" mt="10px" wrap="wrap" role="group" aria-label="Try another way">
      <Figure
        label="Share of a change, %"
        value={Math.round(100 * tried.share)}
        low={1}
        high={Math.round(100 * most)}
        units={units}
        onValue={(percent) => tried.setShare(percent / 100)}
      />
      <Figure
        label="Every, days"
        value={tried.intervalDays}
        low={INTERVAL_DAYS.least}
        high={INTERVAL_DAYS.most}
        units={units}
        onValue={(days) => tried.setInterval(Math.round(days))}
      />
    </Flex>
  );
}

function Figure({
  label,
  value,
  low,
  high,
  units,
  onValue,
}: {
  label: string;
  value: number;
  low: number;
  high: number;
  units: UnitPreference;
  onValue: (value: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const [wrong, setWrong] = useState<string | null>(null);
  // Moved on the drawing, it stands here too.
  useEffect(() => {
    setText(String(value));
    setWrong(null);
  }, [value]);
  const type = (typed: string) => {
    setText(typed);
    const number = parseNumber(typed, units.decimal);
    const fits = number !== null && number >= low && number <= high;
    setWrong(fits ? null : `Enter a number from ${low} to ${high}.`);
    if (fits) onValue(number);
  };
  return (
    <Box w="190px">
      <FieldRow label={label} error={wrong ?? undefined}>
        <TextInput inputMode="decimal" value={text} onChange={(e) => type(e.target.value)} />
      </FieldRow>
    </Box>
  );
}
