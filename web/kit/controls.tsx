"use client";

import { Box, type BoxProps, chakra, Flex } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { H1, H2, Label } from "@/kit/elements";

/** A plain button: thin rule, square-ish. */
export const QuietButton = chakra("button", {
  base: {
    fontWeight: 600,
    fontSize: "14.5px",
    borderWidth: "1px",
    borderColor: "ruleStrong",
    bg: "sheet",
    color: "ink",
    px: "14px",
    py: "8px",
    rounded: "s",
    cursor: "pointer",
    textDecoration: "none",
    display: "inline-flex",
    gap: "8px",
    alignItems: "center",
    justifyContent: "center",
    _hover: { borderColor: "ink" },
    _disabled: { color: "faint", cursor: "default", borderColor: "rule" },
  },
});

/** The one action of a screen. */
export const GoButton = chakra("button", {
  base: {
    fontWeight: 600,
    fontSize: "14.5px",
    borderWidth: "1px",
    borderColor: "corallineSolid",
    bg: "corallineSolid",
    color: "white",
    px: "14px",
    py: "8px",
    rounded: "s",
    cursor: "pointer",
    textDecoration: "none",
    display: "inline-flex",
    gap: "8px",
    alignItems: "center",
    justifyContent: "center",
    _hover: { filter: "brightness(1.08)" },
    _disabled: { opacity: 0.55, cursor: "default" },
  },
});

/** The one action at the thumb: as wide as the screen, for a wet glove. */
export const BarButton = chakra(GoButton, { base: { w: "100%", h: "60px", fontSize: "17px" } });

/** An action beside others, as quiet as a word. */
export const WordButton = chakra(QuietButton, {
  base: { minH: "48px", px: "8px", fontWeight: 400, borderColor: "transparent", textDecoration: "underline" },
});

/** The frame of what is typed into. */
const TYPED = {
  base: {
    borderWidth: "1px",
    borderColor: "ruleStrong",
    bg: "sheet",
    color: "ink",
    px: "12px",
    py: "8px",
    rounded: "s",
    w: "100%",
    fontSize: "15px",
    _invalid: { borderColor: "vermilion" },
  },
} as const;

export const TextInput = chakra("input", TYPED);

/** Grows with what is typed: nothing of it is out of sight. */
export const TextArea = chakra("textarea", { base: { ...TYPED.base, fieldSizing: "content" } });

export const Choice = chakra("select", {
  base: {
    borderWidth: "1px",
    borderColor: "ruleStrong",
    bg: "sheet",
    color: "ink",
    px: "10px",
    py: "8px",
    rounded: "s",
    w: "100%",
    fontSize: "15px",
  },
});

/** A label, its control, and what is wrong beside it. */
export function FieldRow({
  label,
  error,
  hint,
  children,
}: {
  label: string;
  error?: string | undefined;
  hint?: string;
  children: ReactNode;
}) {
  return (
    <Label display="block" mb="12px">
      <Box fontSize="13px" fontWeight="620" color="soft" mb="3px">
        {label}
      </Box>
      {children}
      {hint && (
        <Box fontSize="13px" color="soft" mt="3px">
          {hint}
        </Box>
      )}
      {error && (
        <Box role="alert" fontSize="13.5px" color="vermilion" mt="3px" fontWeight="600">
          {error}
        </Box>
      )}
    </Label>
  );
}

/** Heading of a page with its line of facts and its actions. */
export function PageHead({ title, facts, actions }: { title: string; facts?: ReactNode; actions?: ReactNode }) {
  return (
    <Flex align="baseline" gap="16px" wrap="wrap">
      <PageTitle>{title}</PageTitle>
      <H1 fontSize="25px" fontWeight="640" letterSpacing="-0.2px" lineHeight="1.15">
        {title}
      </H1>
      <Box color="soft">{facts}</Box>
      <Box flex="1" />
      <Flex gap="12px" align="center" wrap="wrap">
        {actions}
      </Flex>
    </Flex>
  );
}

/** What the window is called: the page first, for whoever has ten of them open. */
export const PageTitle = ({ children }: { children: string }) => <title>{`${children} · Keel Round`}</title>;

/** A small heading over a thin rule. */
export function SubHead({ children }: { children: ReactNode }) {
  return (
    <H2 fontSize="13px" fontWeight="620" color="soft" borderBottomWidth="1px" borderColor="ruleStrong" pb="6px">
      {children}
    </H2>
  );
}

/** What must be known now: a caution or an error, with a bar and words. */
export function Notice({ tone, children }: { tone: "danger" | "care" | "plain"; children: ReactNode }) {
  const colour = tone === "danger" ? "vermilion" : tone === "care" ? "ochre" : "coralline";
  const wash = tone === "danger" ? "vermilionWash" : tone === "care" ? "ochreWash" : "corallineWash";
  return (
    <Box bg={wash} borderLeftWidth="4px" borderColor={colour} px="12px" py="10px" lineHeight="1.35">
      {children}
    </Box>
  );
}

/** What went wrong, beside what was done; nothing where nothing did. */
export function Problem({ says, ...place }: { says: string | null } & Pick<BoxProps, "mt" | "mb" | "my">) {
  if (!says) return null;
  return (
    <Box role="alert" {...(Object.keys(place).length > 0 ? place : { mt: "8px" })}>
      <Notice tone="danger">{says}</Notice>
    </Box>
  );
}
