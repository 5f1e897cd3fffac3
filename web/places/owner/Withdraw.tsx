"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Problem, QuietButton } from "@/kit/controls";
import { withdrawAction } from "./actions";

/** Takes a proposal back. */
export function Withdraw({ proposalId, what }: { proposalId: string; what: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <>
      <QuietButton
        type="button"
        py="3px"
        fontSize="14px"
        aria-label={`Take back: ${what}`}
        onClick={async () => {
          const answer = await answered(withdrawAction({ proposalId }));
          setProblem(answer.ok ? null : answer.message);
          router.refresh();
        }}
      >
        Take back
      </QuietButton>
      <Problem says={problem} />
    </>
  );
}
