import { Box, Flex } from "@chakra-ui/react";
import { byText } from "@keel-round/core/text";
import { litresText } from "@keel-round/core/words";
import type { Scope } from "@/data/scope";
import type { TankSheet as Sheet } from "@/data/tanks";
import { SubHead } from "@/kit/controls";
import { type ChangeLine, History, type RestoreAction } from "@/kit/record/History";
import { dayLabel } from "@/kit/words";

/** Visits and events of the tank, and who changed what in the book. */
export function HistoryTab({
  scope,
  sheet,
  changes: edits,
  restore,
}: {
  scope: Scope;
  sheet: Sheet;
  changes: readonly ChangeLine[];
  restore: RestoreAction | null;
}) {
  const changes = new Map(sheet.changes.map((c) => [c.onDate, c]));
  const lines = [
    ...sheet.visits.map((v) => {
      const change = changes.get(v.on);
      return {
        on: v.on,
        text: `Visit${v.minutes ? `, ${Math.round(v.minutes)} min` : ""}${change ? `; ${litresText(change.outL, scope.units)} changed` : "; no water changed"}`,
        strong: false,
      };
    }),
    ...sheet.events.map((e) => ({ on: e.onDate, text: e.text, strong: true })),
  ].sort((a, b) => byText(b.on, a.on));
  return (
    <Flex gap="36px" align="flex-start" direction={{ base: "column", xl: "row" }}>
      <Box flex="1" w="100%">
        <SubHead>At the tank</SubHead>
        {lines.map((l) => (
          <Flex key={`${l.on}${l.text}`} gap="16px" py="5px" borderBottomWidth="1px" borderColor="rule">
            <Box w="110px" color="soft" flexShrink={0}>
              {dayLabel(l.on)}
            </Box>
            <Box fontWeight={l.strong ? "560" : "400"}>{l.text}</Box>
          </Flex>
        ))}
      </Box>
      {scope.role !== "owner" && (
        <Box flex="1" w="100%">
          <SubHead>In the book</SubHead>
          <History lines={edits} restore={restore} />
        </Box>
      )}
    </Flex>
  );
}
