"use client";

import { useCallback, useState } from "react";

/** A phase on a screen, or one step after the other. */
export type Pace = "phases" | "steps";

const KEY = "keel-pace";

/** How somebody likes to be led through a visit, kept on their device. */
export function usePace(): [Pace, (pace: Pace) => void] {
  const [pace, setPace] = useState<Pace>(() => (localStorage.getItem(KEY) === "steps" ? "steps" : "phases"));
  const choose = useCallback((next: Pace) => {
    localStorage.setItem(KEY, next);
    setPace(next);
  }, []);
  return [pace, choose];
}
