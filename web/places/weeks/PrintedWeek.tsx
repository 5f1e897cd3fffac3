import { Box, Flex } from "@chakra-ui/react";
import { addDays, duration, longDate, sayDay } from "@keel-round/core/calendar";
import { quantityText, type UnitPreference } from "@keel-round/core/units";
import { type Board, judgeDay, weekOf } from "@keel-round/core/weeks";
import { B, Span } from "@/kit/elements";
import { Paper } from "@/kit/Paper";
import { clock } from "@/kit/words";

/** A week on paper: of each person every day with its stops in their order, when, how long, and the day's end. */
export function PrintedWeek({ board, monday, units }: { board: Board; monday: string; units: UnitPreference }) {
  return (
    <Paper
      title={`${sayDay(monday)} to ${sayDay(addDays(monday, 6))}`}
      aside="The week"
      back={{ href: `/weeks?from=${monday}`, label: "To the weeks" }}
    >
      {board.people.map((p) => (
        <Box key={p.id} mt="14px" data-person={p.name}>
          <B fontSize="17px">{p.name}</B>
          {weekOf(monday).map((on) => {
            const day = judgeDay(board, { personId: p.id, on });
            if (!day || day.stops.length === 0) return null;
            const { plan } = day;
            const start = new Map(plan.stops.map((s) => [s.stop.id, s.start]));
            return (
              <Box key={on} py="6px" borderBottomWidth="1px" borderColor="ruleStrong" breakInside="avoid">
                <Flex justify="space-between" gap="12px">
                  <B fontWeight="620">{longDate(on)}</B>
                  <Span whiteSpace="nowrap">
                    {clock(plan.leaveAt)} to {clock(plan.homeAt)}, {quantityText(plan.peakKg, "kg", units, 0)}
                  </Span>
                </Flex>
                {plan.collection?.none === null && (
                  <Box>
                    {clock(plan.collection.start)} sea water at {board.quay?.name}, alarm clock{" "}
                    {clock(plan.collection.alarmAt)}
                  </Box>
                )}
                {day.stops.map((s) => {
                  const at = start.get(s.id);
                  return (
                    <Flex key={s.id} gap="12px">
                      <Span fontFamily="mono" w="70px" flexShrink={0}>
                        {at === undefined ? "no time" : clock(at)}
                      </Span>
                      <Span flex="1">{s.name}</Span>
                      <Span>{duration(s.minutes)}</Span>
                    </Flex>
                  );
                })}
              </Box>
            );
          })}
        </Box>
      ))}
    </Paper>
  );
}
