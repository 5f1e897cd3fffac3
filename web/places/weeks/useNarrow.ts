"use client";

import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 767px)";

function onWidth(changed: () => void): () => void {
  const query = window.matchMedia(NARROW);
  query.addEventListener("change", changed);
  return () => query.removeEventListener("change", changed);
}

/** Whether this is a phone held upright: seven columns do not go on it. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(
    onWidth,
    () => window.matchMedia(NARROW).matches,
    () => false,
  );
