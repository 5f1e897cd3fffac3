import { Box, Flex } from "@chakra-ui/react";
import { byText } from "@keel-round/core/text";
import { litresText } from "@keel-round/core/units";
import type { Scope } from "@/data/access/scope";
import type { TankSheet as Sheet } from "@/data/tanks/tanks";
import { AppLink } from "@/kit/AppLink";
import { SubHead } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { type ChangeLine, History, type RestoreAction } from "@/kit/record/History";
import { dayLabel } from "@/kit/words";

/** Visits and events of the tank, and who changed what about it. */
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
        text: `Visit${v.minutes ? `, ${Math.round(v.minutes)} min` : ""}${v.state === "open" ? ", in progress" : change ? `; ${litresText(change.outL, scope.units)} changed` : "; no water changed"}`,
        strong: false,
        visitId: v.id,
        corrections: v.corrections,
      };
    }),
    ...sheet.events.map((e) => ({ on: e.onDate, text: e.text, strong: true, visitId: null, corrections: 0 })),
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
            <Box fontWeight={l.strong ? "560" : "400"} flex="1">
              {l.visitId && scope.role !== "tankOwner" ? (
                <AppLink href={`/visits/${l.visitId}`}>{l.text}</AppLink>
              ) : (
                l.text
              )}
              {l.corrections > 0 && (
                <Span color="ochre">
                  {" "}
                  · {l.corrections === 1 ? "corrected once" : `corrected ${l.corrections} times`}
                </Span>
              )}
            </Box>
          </Flex>
        ))}
      </Box>
      {scope.role !== "tankOwner" && (
        <Box flex="1" w="100%">
          <SubHead>What is known of it</SubHead>
          <History lines={edits} restore={restore} />
        </Box>
      )}
    </Flex>
  );
}
