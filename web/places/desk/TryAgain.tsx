"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton } from "@/kit/controls";
import { tryAgainAction } from "./actions";

/** Puts stuck work back into the queue. */
export function TryAgain({ jobId }: { jobId: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const again = async () => {
    setBusy(true);
    const result = await answered(tryAgainAction({ jobId }));
    setBusy(false);
    setProblem(result.ok ? null : result.message);
    router.refresh();
  };
  return (
    <>
      <QuietButton type="button" onClick={again} disabled={busy}>
        Try again
      </QuietButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
