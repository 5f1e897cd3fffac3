"use client";

import { Box } from "@chakra-ui/react";
import type { Entity } from "@keel-round/core/desk";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { archiveAction } from "./actions";

/** Puts a record into the archive, and brings it back: nothing is deleted. */
export function ArchiveButton({ entity, id, archived }: { entity: Entity; id: string; archived: boolean }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const turn = async () => {
    const answer = await answered(archiveAction({ entity, id, archived: !archived }));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Box>
      <QuietButton type="button" onClick={turn} disabled={!hydrated}>
        {archived ? "Bring back" : "Archive"}
      </QuietButton>
      {problem && (
        <Box role="alert" position="absolute" right="28px" mt="6px" zIndex="3" maxW="420px">
          <Notice tone="danger">{problem}</Notice>
        </Box>
      )}
    </Box>
  );
}
