"use client";

import { Box, Flex } from "@chakra-ui/react";
import { Notice, QuietButton } from "@/kit/controls";

/** Asked before the water falls while the heater is not said to be off. */
export function HeaterOn({ onOff, onStays }: { onOff: () => void; onStays: () => void }) {
  return (
    <Box mt="12px" role="alert">
      <Notice tone="danger">
        <Box fontWeight="640">The heater is still on.</Box>
        In air it cracks or burns. Switch it off and let it cool for 15 minutes.
        <Flex gap="8px" mt="8px">
          <QuietButton type="button" minH="48px" onClick={onOff}>
            It is off now
          </QuietButton>
          <QuietButton type="button" minH="48px" onClick={onStays}>
            It stays under water
          </QuietButton>
        </Flex>
      </Notice>
    </Box>
  );
}
