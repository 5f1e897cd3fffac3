"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "./answered";
import { useHydrated } from "./useHydrated";

type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly message: string };

/** Asks the server, one thing at a time: what stood in its way, or what is said of it, and the page anew. */
export function useAsk() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const ask = async <T>(asked: Promise<Answer<T>>, done?: (value: T) => string | undefined): Promise<void> => {
    setBusy(true);
    setSaid(null);
    setProblem(null);
    const answer = await answered(asked);
    setBusy(false);
    if (!answer.ok) return setProblem(answer.message);
    setSaid(done?.(answer.value) ?? null);
    router.refresh();
  };
  return { ask, problem, said, disabled: busy || !hydrated };
}
