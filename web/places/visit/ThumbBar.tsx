"use client";

import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef } from "react";

/**
 * The bar at the thumb. However tall it grows, what has the focus is scrolled clear of it; where the screen is low it lies
 * at the end of the page instead.
 */
export function ThumbBar({ children }: { children: ReactNode }) {
  const bar = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const { current } = bar;
    if (!current || typeof ResizeObserver === "undefined") return;
    const page = document.documentElement;
    const observer = new ResizeObserver(() => {
      page.style.scrollPaddingBottom = `${current.offsetHeight + 16}px`;
    });
    observer.observe(current);
    return () => {
      observer.disconnect();
      page.style.scrollPaddingBottom = "";
    };
  }, []);
  return (
    <Box
      ref={bar}
      p="12px 18px 18px"
      borderTopWidth="1px"
      borderColor="rule"
      position="sticky"
      bottom="0"
      bg="sheet"
      zIndex="2"
      css={{ "@media (max-height: 430px)": { position: "static" } }}
      data-bar=""
    >
      {children}
    </Box>
  );
}
