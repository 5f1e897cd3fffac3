"use client";

import type { OpBody } from "@keel-round/core/visit";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { afterwardsAction } from "../actions";

export type Change = Extract<OpBody, { type: "correct" }>["change"];

/** Adds to the log of a closed visit, and shows the page anew; what is wrong is told in a sentence. */
export function useAfterwards(visitId: string) {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const add = async (body: OpBody): Promise<boolean> => {
    setBusy(true);
    const answer = await answered(afterwardsAction({ visitId, body: body as never })).finally(() => setBusy(false));
    setProblem(answer.ok ? null : answer.message);
    if (answer.ok) router.refresh();
    return answer.ok;
  };
  return { add, busy, problem, setProblem };
}
