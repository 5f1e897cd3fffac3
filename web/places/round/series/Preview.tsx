"use client";

import { Box, Flex } from "@chakra-ui/react";
import { sayOn } from "@keel-round/core/series";
import { SubHead } from "@/kit/controls";
import { B, Span } from "@/kit/elements";
import type { Told } from "./useSeriesForm";

/** What is typed in words, its next days, and which days come and go with it: before anything changes. */
export function Preview({ told, today, isNew }: { told: Told; today: string; isNew: boolean }) {
  const { preview } = told;
  return (
    <Box aria-live="polite" fontSize="14.5px" minH="180px">
      <SubHead>What it says</SubHead>
      {!preview && (
        <Box color="soft" pt="8px">
          {told.problem ? "Nothing yet: see beside the form." : "…"}
        </Box>
      )}
      {preview && (
        <>
          {preview.said.map((line) => (
            <Box key={line} pt="8px" fontWeight="620">
              {line}
            </Box>
          ))}
          <Box pt="10px">
            <SubHead>The next visits</SubHead>
            {preview.next.length === 0 && (
              <Box pt="8px" color="soft">
                None.
              </Box>
            )}
            {preview.next.map(({ on, closedOn }) => (
              <Flex key={on} gap="8px" pt="5px" wrap="wrap">
                {sayOn(on, today)}
                {closedOn && <Span color="soft">closed on {sayOn(closedOn, today)}</Span>}
              </Flex>
            ))}
          </Box>
          {!isNew && <Changes {...preview} today={today} />}
          {preview.notes.map((n) => (
            <Box key={n} pt="8px" color="ochre">
              {n}
            </Box>
          ))}
        </>
      )}
    </Box>
  );
}

/** How many days of a change are named; the rest is counted. */
const NAMED = 6;

function Changes({
  added,
  gone,
  stay,
  today,
}: {
  added: readonly string[];
  gone: readonly string[];
  stay: readonly string[];
  today: string;
}) {
  const lines: readonly (readonly [string, readonly string[]])[] = [
    ["No longer", gone],
    ["New", added],
    ["Stay, since somebody moved, skipped or wrote them", stay],
  ];
  return (
    <Box pt="12px">
      <SubHead>What changes</SubHead>
      {lines.every(([, days]) => days.length === 0) && (
        <Box pt="8px" color="soft">
          No day that is laid out changes.
        </Box>
      )}
      {lines.map(
        ([says, days]) =>
          days.length > 0 && (
            <Box key={says} pt="6px">
              <B fontWeight="620">{says}:</B>{" "}
              {days
                .slice(0, NAMED)
                .map((d) => sayOn(d, today))
                .join(", ")}
              {days.length > NAMED && ` and ${days.length - NAMED} more`}
            </Box>
          ),
      )}
    </Box>
  );
}
