"use client";

import { useEffect, useRef } from "react";
import { H2 } from "@/kit/elements";

/** The heading of a part of the visit. Whoever goes on to it is led to it: the focus stands there, at the top of the page. */
export function PartHeading({ takesFocus = true, children }: { takesFocus?: boolean; children: React.ReactNode }) {
  const heading = useRef<HTMLHeadingElement>(null);
  useEffect(() => {
    if (!takesFocus) return;
    heading.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }, [takesFocus]);
  return (
    <H2
      ref={heading}
      tabIndex={-1}
      outline="none"
      fontSize="27px"
      fontWeight="660"
      lineHeight="1.15"
      letterSpacing="-0.2px"
      mb="8px"
    >
      {children}
    </H2>
  );
}
