"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { GoButton, Notice } from "@/kit/controls";
import { sendLetterAction } from "./actions";

/** Puts the letter on its way. */
export function SendButton({ letterId }: { letterId: string }) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const send = async () => {
    setBusy(true);
    const result = await sendLetterAction({ letterId });
    setBusy(false);
    setProblem(result.ok ? null : result.message);
    router.refresh();
  };
  return (
    <>
      <GoButton type="button" onClick={send} disabled={busy}>
        Send to the owner
      </GoButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
