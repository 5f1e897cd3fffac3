"use client";

import { usePathname } from "next/navigation";
import type { ReactNode } from "react";

/** Something of every page but one. */
export function NotOn({ path, children }: { path: string; children: ReactNode }) {
  return usePathname() === path ? null : children;
}
