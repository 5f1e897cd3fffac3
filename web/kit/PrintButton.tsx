"use client";

import { GoButton } from "@/kit/controls";
import { useHydrated } from "@/kit/useHydrated";

/** Opens the browser's own print dialogue. */
export function PrintButton() {
  const hydrated = useHydrated();
  return (
    <GoButton type="button" disabled={!hydrated} onClick={() => window.print()}>
      Print it
    </GoButton>
  );
}
