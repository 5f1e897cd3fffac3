"use client";

import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Said } from "@/device/entry";
import { askAgainIf } from "@/kit/answered";
import { useHydrated } from "@/kit/useHydrated";
import { NO_NETWORK_NOW } from "@/kit/words";

/** What the sign-in library says no with, as people say it. */
const SAYS: Readonly<Record<string, string>> = {
  INVALID_PASSWORD: "This is not your password.",
  INVALID_CODE: "This is not the code of now. Enter the one that your app shows.",
  OTP_EXPIRED: "This is not the code of now. Enter the one that your app shows.",
};

/** Asks the sign-in library, one thing at a time: what stood in its way, in words, and the page anew once it is done. */
export function useEntry() {
  const router = useRouter();
  const hydrated = useHydrated();
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const ask = async <T extends Said>(asked: () => Promise<T>): Promise<T | null> => {
    setBusy(true);
    setProblem(null);
    try {
      const said = await asked();
      askAgainIf(said.code);
      if (said.status === 200) {
        router.refresh();
        return said;
      }
      setProblem(said.status === 429 ? "Too many tries. Wait a minute." : (SAYS[said.code] ?? said.message));
      return null;
    } catch {
      setProblem(NO_NETWORK_NOW);
      return null;
    } finally {
      setBusy(false);
    }
  };
  return { ask, problem, setProblem, disabled: busy || !hydrated };
}
