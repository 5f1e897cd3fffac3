"use client";

import { Box, Flex } from "@chakra-ui/react";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";

/** What is done to the weeks as a whole, and what came of it. */
export function BoardBar({
  busy,
  problem,
  onUndo,
  onRedo,
  onAway,
  onSettle,
}: {
  busy: boolean;
  problem: string | null;
  /** Each null where there is nothing of it to do now. */
  onUndo: (() => void) | null;
  onRedo: (() => void) | null;
  onAway: (() => void) | null;
  onSettle: (() => void) | null;
}) {
  return (
    <>
      <Flex gap="10px" mt="10px" align="center" wrap="wrap" fontSize="14px" color="soft">
        <QuietButton type="button" disabled={busy || !onUndo} onClick={() => onUndo?.()} data-key="undo">
          Undo
        </QuietButton>
        <QuietButton type="button" disabled={busy || !onRedo} onClick={() => onRedo?.()} data-key="redo">
          Redo
        </QuietButton>
        <Span id="weeks-keys" display={{ base: "none", md: "inline" }}>
          Space lifts a stop and puts it down, arrows carry it, Escape puts it back; Ctrl chooses several.
        </Span>
        <Span role="status">{busy ? "Saving" : ""}</Span>
        <Box flex="1" />
        <QuietButton type="button" disabled={busy || !onAway} onClick={() => onAway?.()}>
          Away or closed
        </QuietButton>
        <GoButton type="button" disabled={busy || !onSettle} onClick={() => onSettle?.()}>
          Settle the round
        </GoButton>
      </Flex>
      <Box role="alert">
        {problem && (
          <Box mt="8px">
            <Notice tone="danger">{problem}</Notice>
          </Box>
        )}
      </Box>
    </>
  );
}
