"use client";

import { Box } from "@chakra-ui/react";
import { duration, longDate } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import { type Board, judgeDay } from "@keel-round/core/weeks";
import { H2, Span } from "@/kit/elements";
import { Face } from "./Block";
import type { WeekRow } from "./cells";

/** The same weeks as a list of days, for a hand that holds a phone: a stop is tapped, then moved by the form. */
export function DayList({
  board,
  rows,
  today,
  units,
  chosen,
  onChoose,
}: {
  board: Board;
  rows: readonly WeekRow[];
  today: string;
  units: UnitPreference;
  chosen: readonly string[];
  onChoose: (id: string, more: boolean) => void;
}) {
  const all = [...new Set(rows.flatMap((r) => r.days))].sort();
  // What is over is looked up only where nothing else is there.
  const ahead = all.filter((on) => on >= today);
  const days = ahead.length > 0 ? ahead : all;
  return (
    <Box mt="10px">
      {days.map((on) => (
        <Box key={on} pt="12px">
          <H2 fontSize="16px" fontWeight="640" color={on === today ? "coralline" : "ink"}>
            {longDate(on)}
          </H2>
          {rows
            .filter((r) => r.days.includes(on))
            .map((row) => {
              const day = judgeDay(board, { personId: row.personId, on });
              if (!day || day.stops.length === 0) return null;
              return (
                <Box key={row.id} pt="6px">
                  <Box fontSize="13.5px" color="soft" pb="3px">
                    {board.people.find((p) => p.id === row.personId)?.name}: {duration(day.dayMinutes)},{" "}
                    {quantityText(day.plan.peakKg, "kg", units, 0)}
                    {day.over.map((message) => (
                      <Span key={say(message, units)} color="vermilion" fontWeight="600">
                        {" "}
                        {say(message, units)}
                      </Span>
                    ))}
                  </Box>
                  {day.stops.map((s) => (
                    <Box key={s.id} css={{ "& button": { minHeight: "48px", fontSize: "15px" } }}>
                      <Face
                        stop={s}
                        breaks={day.breaks.get(s.id) ?? []}
                        chosen={chosen.includes(s.id)}
                        units={units}
                        onChoose={onChoose}
                      />
                    </Box>
                  ))}
                </Box>
              );
            })}
        </Box>
      ))}
    </Box>
  );
}
