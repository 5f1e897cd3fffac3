"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton } from "@/kit/controls";
import { dayLabel } from "@/kit/words";
import { pinJobAction } from "./actions";

/** Puts the test of a tank onto its next visit. */
export function TestThen({ tankId, code, on }: { tankId: string; code: string; on: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const act = async () => {
    setBusy(true);
    const result = await answered(pinJobAction({ tankId, code, on, reason: "to be seen to" }));
    setBusy(false);
    setProblem(result.ok ? null : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <>
      <QuietButton type="button" onClick={act} disabled={busy} fontSize="13.5px">
        Test it on {dayLabel(on)}
      </QuietButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
