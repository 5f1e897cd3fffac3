"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useDroppable } from "@dnd-kit/core";
import { sayDay } from "@keel-round/core/calendar";
import type { UnitPreference } from "@keel-round/core/units";
import type { Board } from "@keel-round/core/weeks";
import { Block } from "./Block";
import { ASIDE } from "./cells";

/** Stops that nobody comes to: set aside, or given to somebody who has left. */
export function Aside({
  board,
  units,
  chosen,
  held,
  onChoose,
}: {
  board: Board;
  units: UnitPreference;
  chosen: readonly string[];
  held: boolean;
  onChoose: (id: string, more: boolean) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: ASIDE });
  const people = new Set(board.people.map((p) => p.id));
  const stops = board.stops.filter((s) => s.setAside !== null || !people.has(s.personId));
  return (
    <Box
      ref={setNodeRef}
      mt="10px"
      p="8px"
      bg={isOver ? "corallineWash" : undefined}
      borderWidth="1px"
      borderColor="rule"
      borderStyle="dashed"
      data-cell={ASIDE}
    >
      <Box fontWeight="640" fontSize="14.5px">
        Not placed{" "}
        <Box as="span" color="soft" fontWeight="400">
          {stops.length === 0 ? (held ? "put a stop here to set it aside" : "none") : ""}
        </Box>
      </Box>
      <Flex wrap="wrap" gap="8px" mt="4px">
        {stops.map((s) => (
          <Box key={s.id} w="190px">
            <Block stop={s} breaks={[]} chosen={chosen.includes(s.id)} units={units} onChoose={onChoose} />
            <Box fontSize="12px" color="soft">
              {sayDay(s.on)}: {s.setAside ?? "nobody to do it"}
            </Box>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
