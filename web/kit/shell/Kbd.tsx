"use client";

import type { ReactNode } from "react";
import { KeyCap } from "@/kit/elements";

/** A key as it is printed. */
export function Kbd({ children }: { children: ReactNode }) {
  return (
    <KeyCap
      fontFamily="mono"
      fontSize="12px"
      borderWidth="1px"
      borderBottomWidth="2px"
      borderColor="ruleStrong"
      px="6px"
      rounded="s"
      color="soft"
      bg="sheet"
    >
      {children}
    </KeyCap>
  );
}
