"use client";

import { Flex } from "@chakra-ui/react";
import { addDays, daysBetween, isCivilDate } from "@keel-round/core/calendar";
import type { TankTrend } from "@/data/tanks/trend";
import { QuietButton, TextInput } from "@/kit/controls";
import { DRAWN_BACK_DAYS, type Frame, type Period } from "./frame";

const PERIODS = [
  [null, "five months"],
  [365, "a year"],
  [1095, "three years"],
] as const;

/** How far back is drawn, or between which two days: by a press, by typing, or by drawing over the curve. */
export function PeriodPick({
  trend,
  frame,
  period,
  onPeriod,
}: {
  trend: TankTrend;
  frame: Frame;
  period: Period;
  onPeriod: (period: Period) => void;
}) {
  const day = (days: number) => addDays(trend.on, Math.round(days));
  const ends = { from: day(frame.from), to: day(frame.to) };
  const type = (end: "from" | "to", typed: string) => {
    if (!isCivilDate(typed)) return;
    const next = { from: frame.from, to: frame.to, [end]: daysBetween(trend.on, typed) };
    if (next.to - next.from >= 1) onPeriod(next);
  };
  const long = (trend.readings[0]?.day ?? 0) <= -DRAWN_BACK_DAYS;
  const back = "back" in period ? period.back : undefined;
  return (
    <Flex gap="6px" role="group" aria-label="Which days" wrap="wrap" align="center">
      {(["from", "to"] as const).map((end) => (
        <TextInput
          key={`${end} ${ends[end]}`}
          type="date"
          aria-label={end === "from" ? "From day" : "To day"}
          defaultValue={ends[end]}
          onBlur={(e) => type(end, e.target.value)}
          onKeyDown={(e) => e.key === "Enter" && type(end, e.currentTarget.value)}
          w="140px"
          py="3px"
          fontSize="13px"
        />
      ))}
      {(long ? PERIODS : PERIODS.slice(0, 1)).map(([days, name]) => (
        <QuietButton
          key={name}
          type="button"
          py="3px"
          px="10px"
          fontSize="13px"
          aria-pressed={back === days}
          {...(back === days ? { bg: "corallineWash", borderColor: "coralline" } : {})}
          onClick={() => onPeriod({ back: days })}
        >
          {name}
        </QuietButton>
      ))}
    </Flex>
  );
}
