"use client";

import { Box, chakra, Flex } from "@chakra-ui/react";
import { parseNumber } from "@keel-round/core/units";
import { Input } from "@/kit/elements";

const Big = chakra("button", {
  base: {
    w: "56px",
    h: "56px",
    fontSize: "26px",
    borderWidth: "1px",
    borderColor: "ruleStrong",
    bg: "sheet",
    rounded: "s",
    cursor: "pointer",
    flexShrink: 0,
  },
});

/** A number for wet hands: two large buttons, and a keypad behind the figure. Keeps what was typed as it was typed. */
export function Stepper({
  label,
  unit,
  value,
  step,
  decimals,
  start = 0,
  placeholder,
  onChange,
  onBump,
  onLeave,
}: {
  label: string;
  unit: string;
  value: string;
  step: number;
  decimals: number;
  /** Where the buttons begin while nothing is typed. */
  start?: number;
  /** What stands in grey while nothing is typed. */
  placeholder?: string;
  onChange: (text: string) => void;
  /** One of the buttons was pressed: the figure is whole. */
  onBump?: (text: string) => void;
  /** The field was left: what stands in it may be kept. */
  onLeave?: () => void;
}) {
  const bump = (by: number) => {
    const number = value.trim() === "" ? null : parseNumber(value);
    const next = Math.max(0, number === null ? start : number + by).toFixed(decimals);
    onChange(next);
    onBump?.(next);
  };
  return (
    <Flex align="center" gap="12px" mt="12px">
      <Big type="button" onClick={() => bump(-step)} aria-label={`${label}: less`}>
        −
      </Big>
      <Flex flex="1" align="baseline" justify="center" gap="8px" minW="0">
        <Input
          aria-label={label}
          value={value}
          inputMode="decimal"
          placeholder={placeholder}
          onChange={(e) => onChange(e.target.value)}
          onBlur={onLeave}
          // The first of two figures stays while the second is typed.
          onFocus={(e) => !value.endsWith("–") && e.target.select()}
          fontFamily="mono"
          fontSize="30px"
          fontWeight="600"
          textAlign="right"
          w="50%"
          maxW="150px"
          bg="transparent"
          borderBottomWidth="2px"
          borderColor="ruleStrong"
        />
        <Box color="soft" fontSize="17px" whiteSpace="nowrap">
          {unit}
        </Box>
      </Flex>
      <Big type="button" onClick={() => bump(step)} aria-label={`${label}: more`}>
        +
      </Big>
    </Flex>
  );
}
