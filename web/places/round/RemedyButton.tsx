"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Notice, QuietButton } from "@/kit/controls";
import { refillAction } from "./actions";

const LABEL = { refill: "Refill there", "no-refill": "Take it back" } as const;

/** Agrees on a refill, or takes it back. */
export function RemedyButton({ kind, stopId }: { kind: keyof typeof LABEL; stopId: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const act = async () => {
    setBusy(true);
    const result = await answered(refillAction({ stopId, refillAfter: kind === "refill" }));
    setBusy(false);
    setProblem(result.ok ? null : result.message);
    if (result.ok) router.refresh();
  };
  return (
    <>
      <QuietButton type="button" onClick={act} disabled={busy} mt="5px" display="flex" fontSize="13.5px" py="5px">
        {LABEL[kind]}
      </QuietButton>
      {problem && <Notice tone="danger">{problem}</Notice>}
    </>
  );
}
