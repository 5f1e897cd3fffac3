"use client";

import { Box, Flex } from "@chakra-ui/react";
import { QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { endsAt, sayClock } from "./clockModel";
import { useClocks } from "./useClocks";

/** What runs by itself, on every screen of the visit. */
export function ClockBar() {
  const { running, now, visitId, stop } = useClocks();
  if (running.length === 0) return null;
  return (
    <Box borderBottomWidth="1px" borderColor="rule" px="18px" data-clocks="">
      {running.map((clock) => {
        const over = endsAt(clock) <= now;
        return (
          <Flex key={clock.id} align="center" gap="12px" py="4px">
            <Span flex="1" minW="0" fontSize="15px">
              {clock.visitId === visitId ? clock.label : `${clock.tank}: ${clock.label}`}
            </Span>
            <Span
              fontFamily="mono"
              fontSize="22px"
              fontWeight="600"
              color={over ? "vermilion" : "ink"}
              role={over ? "alert" : "timer"}
              aria-label={over ? `${clock.label} ${sayClock(clock, now)}` : undefined}
            >
              {sayClock(clock, now)}
            </Span>
            <QuietButton
              type="button"
              minH="48px"
              aria-label={`Stop the clock of ${clock.label}`}
              onClick={() => stop(clock.id)}
            >
              {over ? "Seen" : "Stop"}
            </QuietButton>
          </Flex>
        );
      })}
    </Box>
  );
}
