"use client";

import { addDays } from "@keel-round/core/calendar";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { Notice, QuietButton } from "@/kit/controls";
import { moveStopAction, refillAction } from "./actions";

const LABEL = { refill: "Refill there", "no-refill": "Take it back", "other-day": "Move it to tomorrow" } as const;

/** Does what a remedy says. A refill can be taken back; a moved stop is found on its new day. */
export function RemedyButton({ kind, stopId, date }: { kind: keyof typeof LABEL; stopId: string; date: string }) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const act = async () => {
    setBusy(true);
    const result =
      kind === "other-day"
        ? await moveStopAction({ stopId, to: addDays(date, 1) })
        : await refillAction({ stopId, refillAfter: kind === "refill" });
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
