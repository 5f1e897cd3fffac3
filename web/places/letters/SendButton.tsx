"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { GoButton, Notice, QuietButton } from "@/kit/controls";
import { callBackLetterAction, sendLetterAction } from "./actions";

/** Runs an action of a letter and shows the page anew; what is wrong is told in a sentence. */
function useLetterAction(action: typeof sendLetterAction, letterId: string) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const run = async () => {
    setBusy(true);
    const result = await answered(action({ letterId }));
    setBusy(false);
    setProblem(result.ok ? null : result.message);
    router.refresh();
  };
  return { run, busy, problem };
}

/** Puts the letter on its way. */
export function SendButton({ letterId }: { letterId: string }) {
  const { run, busy, problem } = useLetterAction(sendLetterAction, letterId);
  return (
    <>
      <GoButton type="button" onClick={run} disabled={busy}>
        Send to the owner
      </GoButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}

/** Takes a letter that waits to leave out of the mail. */
export function CallBackButton({ letterId }: { letterId: string }) {
  const { run, busy, problem } = useLetterAction(callBackLetterAction, letterId);
  return (
    <>
      <QuietButton type="button" onClick={run} disabled={busy}>
        Call it back
      </QuietButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
