"use client";

import { Tabs } from "@chakra-ui/react";
import { memo } from "react";
import type { usePace } from "./usePace";

export type Part = "step" | "all" | "measure" | "seen" | "close";

const tabId = (part: string): string => `tab-${part}`;
const panelId = (part: string): string => `part-${part}`;

/** What makes an element the panel of a part: it stands outside of the tabs, which are drawn again only for themselves. */
export const partPanel = (part: Part) => ({
  id: panelId(part),
  role: "tabpanel",
  tabIndex: 0,
  "aria-labelledby": tabId(part),
});

/** The parts of the sheet. */
export const Parts = memo(function Parts({
  part,
  pace,
  openNotes,
  onPart,
}: {
  part: Part;
  pace: ReturnType<typeof usePace>[0];
  openNotes: number;
  onPart: (part: Part) => void;
}) {
  const parts: readonly [Part, string][] = [
    ["step", pace === "phases" ? "Phase" : "Step"],
    ["all", "All"],
    ["measure", "Measure"],
    ["seen", `Notes${openNotes ? ` ${openNotes}` : ""}`],
    ["close", "Close"],
  ];
  return (
    <Tabs.Root
      value={part}
      onValueChange={(e) => onPart(e.value as Part)}
      ids={{ trigger: tabId, content: panelId }}
      unstyled
    >
      <Tabs.List display="flex" gap="6px" mt="8px" px="18px" aria-label="Parts of the visit">
        {parts.map(([id, label]) => (
          <Tabs.Trigger
            key={id}
            value={id}
            aria-label={id === "all" ? "All steps" : undefined}
            data-key={id === "measure" ? "new-reading" : undefined}
            flex="1"
            minH="48px"
            fontSize="14px"
            fontWeight="600"
            px="2px"
            borderWidth="1px"
            borderColor="ruleStrong"
            bg="sheet"
            rounded="s"
            cursor="pointer"
            whiteSpace="nowrap"
            _selected={{ bg: "corallineWash", borderColor: "coralline" }}
          >
            {label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
    </Tabs.Root>
  );
});
