"use client";

import { Box } from "@chakra-ui/react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Problem, QuietButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";
import { revokeLetterAction } from "./actions";

/** Takes the link of a letter back, and lets it work again. */
export function LinkButton({ letterId, revoked }: { letterId: string; revoked: boolean }) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [problem, setProblem] = useState<string | null>(null);
  const turn = async () => {
    const answer = await answered(revokeLetterAction({ letterId, revoked: !revoked }));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
  };
  return (
    <Box>
      <QuietButton type="button" disabled={!hydrated} onClick={turn}>
        {revoked ? "Let the link work again" : "Take the link back"}
      </QuietButton>
      <Problem says={problem} mt="6px" />
    </Box>
  );
}
