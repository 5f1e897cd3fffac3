"use client";

import { Box, Flex } from "@chakra-ui/react";
import { longDate } from "@keel-round/core/calendar";
import { counted } from "@keel-round/core/text";
import { useState } from "react";
import { GoButton, Notice, Problem, QuietButton } from "@/kit/controls";
import { Label, Span } from "@/kit/elements";
import { useAsk } from "@/kit/useAsk";
import { importHolidaysAction, previewHolidaysAction, removeHolidaysAction } from "./actions";

interface Holiday {
  readonly on: string;
  readonly name: string;
}

/** The firm's public holidays: brought in from a calendar file, shown first, taken off one by one. */
export function Holidays({ holidays }: { holidays: readonly Holiday[] }) {
  const { ask, problem, said, disabled } = useAsk();
  const [text, setText] = useState("");
  const [found, setFound] = useState<{ holidays: readonly Holiday[]; known: number } | null>(null);
  const look = async (file: File | undefined) => {
    setFound(null);
    if (!file) return;
    const content = await file.text();
    setText(content);
    await ask(previewHolidaysAction({ text: content }), (read) => {
      setFound(read);
      return undefined;
    });
  };
  const fresh = found ? found.holidays.length - found.known : 0;
  return (
    <Box pt="10px" data-holidays="">
      <Box color="soft" fontSize="14.5px" mb="8px">
        Sites that say so are closed on these days. Visits that are laid out from now on go to the nearest open day; one
        that stands on such a day already says so in Weeks.
      </Box>
      {holidays.map((h) => (
        <Flex key={h.on} gap="12px" py="4px" borderBottomWidth="1px" borderColor="rule" align="baseline">
          <Span w="220px">{longDate(h.on)}</Span>
          <Span flex="1">{h.name}</Span>
          <QuietButton
            type="button"
            py="3px"
            disabled={disabled}
            aria-label={`Take off ${h.name}, ${longDate(h.on)}`}
            onClick={() => ask(removeHolidaysAction({ days: [h.on] }), () => `${h.name} is off the list.`)}
          >
            Take off
          </QuietButton>
        </Flex>
      ))}
      <Label display="block" mt="12px">
        Calendar file with public holidays, .ics
        <input
          type="file"
          accept=".ics,text/calendar"
          disabled={disabled}
          onChange={(e) => void look(e.target.files?.[0])}
          style={{ display: "block", marginTop: "6px" }}
        />
      </Label>
      <Problem says={problem} mt="6px" />
      {found && (
        <Box mt="8px" role="status">
          {found.holidays.slice(0, 20).map((h) => (
            <Box key={h.on} fontSize="14.5px">
              {longDate(h.on)}: {h.name}
            </Box>
          ))}
          {found.holidays.length > 20 && <Box color="soft">and {found.holidays.length - 20} more</Box>}
          <GoButton
            type="button"
            mt="8px"
            disabled={disabled || fresh === 0}
            onClick={() =>
              ask(importHolidaysAction({ text }), ({ added }) => {
                setFound(null);
                return `${counted(added, "day")} added.`;
              })
            }
          >
            {fresh === 0 ? "All of these are known" : `Add ${counted(fresh, "day")}`}
          </GoButton>
        </Box>
      )}
      {said && (
        <Box mt="8px" role="status">
          <Notice tone="plain">{said}</Notice>
        </Box>
      )}
    </Box>
  );
}
