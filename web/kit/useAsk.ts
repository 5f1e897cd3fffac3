"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import { answered } from "./answered";
import { useHydrated } from "./useHydrated";

type Fields = Readonly<Record<string, readonly string[]>>;
type Answer<T> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly message: string; readonly fields?: Fields };

/** Asks the server, one thing at a time: what stood in its way, or what is said of it, and the page anew. */
export function useAsk() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  /** What is wrong with single fields, by their names. */
  const [fields, setFields] = useState<Fields>({});
  const ask = async <T>(asked: Promise<Answer<T>>, done?: (value: T) => string | undefined): Promise<void> => {
    setBusy(true);
    setSaid(null);
    setProblem(null);
    const answer = await answered(asked);
    setBusy(false);
    setFields(answer.ok ? {} : (answer.fields ?? {}));
    if (!answer.ok) return setProblem(answer.message);
    setSaid(done?.(answer.value) ?? null);
    router.refresh();
  };
  return { ask, problem, said, fields, disabled: busy || !hydrated };
}
