"use client";

import { Flex } from "@chakra-ui/react";
import { useEffect } from "react";
import { QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";

/** How long a tick can be taken back at once; later it can at its step. */
const SHOWN_MS = 10_000;

/** What was ticked a moment ago, with the way to take it back. */
export function JustTicked({ title, onUndo, onOver }: { title: string; onUndo: () => void; onOver: () => void }) {
  useEffect(() => {
    const timer = setTimeout(onOver, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [onOver]);
  return (
    <Flex
      px="18px"
      py="4px"
      gap="10px"
      align="center"
      bg="corallineWash"
      fontSize="15px"
      role="status"
      data-just-ticked=""
    >
      <Span flex="1" minW="0">
        Done: {title}
      </Span>
      <QuietButton type="button" minH="48px" onClick={onUndo}>
        Undo
      </QuietButton>
    </Flex>
  );
}
