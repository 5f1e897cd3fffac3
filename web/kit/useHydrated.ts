"use client";

import { useEffect, useState } from "react";

/** Whether the page's script runs. Until then a form must not be sent: the browser would put it into the address. */
export function useHydrated(): boolean {
  const [hydrated, setHydrated] = useState(false);
  useEffect(() => setHydrated(true), []);
  return hydrated;
}
