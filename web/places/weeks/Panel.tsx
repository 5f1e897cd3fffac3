"use client";

import { Box, type BoxProps } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Label } from "@/kit/elements";

/** Under the weeks, in sight while they are scrolled; above the places on a phone. */
export function Panel({
  name,
  children,
  ...rest
}: { readonly name: string; readonly children: ReactNode } & Omit<BoxProps, "children">) {
  return (
    <Box
      position="sticky"
      bottom={{ base: "58px", md: "0" }}
      bg="sheet"
      borderTopWidth="2px"
      borderColor="coralline"
      p="12px 16px"
      mt="14px"
      zIndex="3"
      maxH="56dvh"
      overflowY="auto"
      role="region"
      aria-label={name}
      {...rest}
    >
      {children}
    </Box>
  );
}

/** A field of a panel under its name. */
export function Named({ name, children }: { readonly name: string; readonly children: ReactNode }) {
  return (
    <Label fontSize="13.5px" display="inline-flex" flexDirection="column">
      {name}
      {children}
    </Label>
  );
}
