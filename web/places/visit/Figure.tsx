"use client";

import { Flex } from "@chakra-ui/react";
import type { Shown, UnitPreference } from "@keel-round/core/units";
import type { Worked } from "@keel-round/core/worked";
import { Details, Span, Summary } from "@/kit/elements";
import { Working } from "@/kit/Working";

/** The one figure of a step, readable from a metre away. */
export function Figure({ of, after = "" }: { of: Shown; after?: string }) {
  return (
    <Flex align="baseline" gap="8px" mt="4px" wrap="wrap">
      <Span data-figure="" fontFamily="mono" fontSize="62px" fontWeight="600" letterSpacing="-2px" lineHeight="1">
        {of.figure}
      </Span>
      <Span fontSize="19px" color="soft">
        {of.unit}
        {after}
      </Span>
    </Flex>
  );
}

/** The workings of a step's figures, to be opened by thumb. */
export function Opened({ of, units }: { of: readonly (Worked | null)[]; units: UnitPreference }) {
  const figures = of.filter((w) => w !== null);
  if (figures.length === 0) return null;
  return (
    <Details mt="4px" fontSize="15px" data-working="">
      <Summary color="soft" minH="48px" textDecoration="underline" textDecorationStyle="dotted">
        working
      </Summary>
      {figures.map((w) => (
        <Working key={w.formula} of={w} units={units} />
      ))}
    </Details>
  );
}
