"use client";

import { Box, chakra, Flex } from "@chakra-ui/react";
import { parseNumber } from "@keel-round/core/units";
import { useEffect, useState } from "react";
import { Button, Input, Span } from "@/kit/elements";

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
  /** The field was left: what stands in it may be kept. */
  onLeave?: () => void;
}) {
  const bump = (by: number) => {
    const number = value.trim() === "" ? null : parseNumber(value);
    onChange(Math.max(0, number === null ? start : number + by).toFixed(decimals));
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
          onFocus={(e) => e.target.select()}
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

/** A button that has to be held, with the time it takes drawn on it. A key press counts as a hold. */
export function HoldButton({
  children,
  onDone,
  disabled,
}: {
  children: React.ReactNode;
  onDone: () => void;
  disabled?: boolean;
}) {
  const [since, setSince] = useState<number | null>(null);
  useEffect(() => {
    if (since === null) return;
    const timer = setTimeout(() => {
      setSince(null);
      onDone();
    }, HOLD_MS);
    return () => clearTimeout(timer);
  }, [since, onDone]);
  return (
    <Button
      type="button"
      disabled={disabled}
      onPointerDown={() => setSince(Date.now())}
      onPointerUp={() => setSince(null)}
      onPointerLeave={() => setSince(null)}
      onKeyDown={(e) => e.key === "Enter" && onDone()}
      h="60px"
      w="100%"
      rounded="s"
      fontSize="17px"
      fontWeight="600"
      color="white"
      bg="corallineSolid"
      position="relative"
      overflow="hidden"
      cursor="pointer"
      touchAction="none"
      userSelect="none"
      _disabled={{ opacity: 0.5 }}
    >
      <Box
        position="absolute"
        inset="0"
        bg="ink"
        opacity="0.35"
        transformOrigin="left"
        transform={since === null ? "scaleX(0)" : "scaleX(1)"}
        transition={since === null ? "none" : `transform ${HOLD_MS}ms linear`}
      />
      <Span position="relative">{children}</Span>
    </Button>
  );
}

const HOLD_MS = 600;
