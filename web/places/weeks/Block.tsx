"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { duration } from "@keel-round/core/calendar";
import { say } from "@keel-round/core/say";
import type { UnitPreference } from "@keel-round/core/units";
import type { BoardStop, Break } from "@keel-round/core/weeks";
import { CONDITION_WORD } from "@keel-round/core/words";
import { memo } from "react";
import { CONDITION_COLOUR } from "@/kit/Condition";
import { Button, Span } from "@/kit/elements";
import { blockHeight } from "./cells";

const ASKED = "asks for another day";

interface BlockProps {
  readonly stop: BoardStop;
  readonly breaks: readonly Break[];
  readonly chosen: boolean;
  readonly units: UnitPreference;
  /** Chosen alone, or beside those that are chosen already. */
  readonly onChoose: (id: string, more: boolean) => void;
}

/** A stop that can be carried to another day. */
export const Block = memo(function Block(props: BlockProps) {
  const { stop } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: stop.id, disabled: stop.begun });
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      style={{ opacity: isDragging ? 0.35 : 1, cursor: stop.begun ? "pointer" : "grab" }}
    >
      <Face {...props} />
    </div>
  );
});

/**
 * A stop: as high as it is long, its condition at its edge, and what it breaks as long as it does. While something is
 * carried every block hears of it, and no face changes for it.
 */
export const Face = memo(function Face({ stop, breaks, chosen, units, onChoose }: BlockProps) {
  const broken = breaks.map((b) => say(b.says, units));
  return (
    <Button
      type="button"
      aria-pressed={chosen}
      aria-label={[
        stop.name,
        duration(stop.minutes),
        CONDITION_WORD[stop.condition],
        stop.begun ? "begun" : "",
        stop.asked ? ASKED : "",
        ...broken,
      ]
        .filter(Boolean)
        .join(", ")}
      aria-describedby="weeks-keys"
      data-block={stop.name}
      data-broken={broken.length > 0 ? "" : undefined}
      onClick={(e) => onChoose(stop.id, e.ctrlKey || e.metaKey || e.shiftKey)}
      display="block"
      w="100%"
      mb="4px"
      minH={`${blockHeight(stop)}px`}
      textAlign="left"
      bg={stop.begun ? "transparent" : "sheet"}
      borderWidth="1px"
      borderColor={chosen ? "coralline" : "ruleStrong"}
      outline={chosen ? "2px solid" : undefined}
      outlineColor="coralline"
      borderLeftWidth="4px"
      borderLeftColor={CONDITION_COLOUR[stop.condition]}
      color={stop.begun ? "soft" : "ink"}
      cursor="inherit"
      px="7px"
      py="2px"
      fontSize="12.5px"
      lineHeight="1.3"
      touchAction="manipulation"
    >
      <Flex justify="space-between" gap="6px" align="center">
        <Span minW="0" overflow="hidden" textOverflow="ellipsis">
          {stop.name}
        </Span>
        <Span fontFamily="mono" color="soft">
          {stop.minutes}
        </Span>
      </Flex>
      {stop.asked && (
        <Box color="coralline" fontSize="12px" lineHeight="1.25">
          {ASKED}
        </Box>
      )}
      {broken[0] && (
        <Box color="vermilion" fontSize="12px" lineHeight="1.25">
          {broken[0]}
          {broken.length > 1 && ` +${broken.length - 1}`}
        </Box>
      )}
    </Button>
  );
});
