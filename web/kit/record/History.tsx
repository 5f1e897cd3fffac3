"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Problem, QuietButton } from "@/kit/controls";
import { Span } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { clock, dayLabel } from "@/kit/words";

/** One change as it is shown. */
export interface ChangeLine {
  readonly id: string;
  readonly on: string;
  readonly minute: number;
  readonly by: string;
  readonly what: string;
  readonly old: string | null;
  readonly new: string | null;
  readonly restorable: boolean;
}

/** Sets one field back to what it was before a change. */
export type RestoreAction = (input: {
  changeId: string;
}) => Promise<{ readonly ok: true } | { readonly ok: false; readonly message: string }>;

/** Who changed what, old → new, each line restorable. */
export function History({
  lines,
  restore,
}: {
  lines: readonly ChangeLine[];
  /** Null for who may look only. */
  restore: RestoreAction | null;
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  if (lines.length === 0) return <Box color="soft">Nothing was changed yet.</Box>;
  const setBack = async (changeId: string) => {
    const answer = await restore?.({ changeId });
    if (answer) setProblem(answer.ok ? null : answer.message);
    if (answer?.ok) router.refresh();
  };
  return (
    <Box maxW="92ch">
      <Problem says={problem} mb="8px" />
      {lines.map((l) => (
        <Flex
          key={l.id}
          gap="16px"
          py="6px"
          borderBottomWidth="1px"
          borderColor="rule"
          align="baseline"
          fontSize="14px"
        >
          <Box w="104px" color="soft" flexShrink={0}>
            {dayLabel(l.on)}
            <Span fontFamily="mono" fontSize="12.5px" ml="6px">
              {clock(l.minute)}
            </Span>
          </Box>
          <Box w="120px" flexShrink={0}>
            {l.by}
          </Box>
          <Box flex="1" minW="0" overflowWrap="anywhere">
            {l.what}
            {l.new !== null && (
              <>
                {": "}
                <Span color="soft">{l.old}</Span> → <Span fontWeight="560">{l.new}</Span>
              </>
            )}
          </Box>
          {restore && l.restorable && (
            <QuietButton
              type="button"
              py="2px"
              px="8px"
              fontSize="13px"
              disabled={!hydrated}
              aria-label={`Set ${l.what} back to ${l.old ?? "what it was"}`}
              onClick={() => setBack(l.id)}
            >
              Set back
            </QuietButton>
          )}
        </Flex>
      ))}
    </Box>
  );
}
