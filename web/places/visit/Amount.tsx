"use client";

import { Box } from "@chakra-ui/react";
import { fromShown, parseNumber, quantity, toShown, type UnitPreference, unitShown } from "@keel-round/core/units";
import { type ReactNode, useState } from "react";
import { Notice, QuietButton } from "@/kit/controls";
import { useDraft } from "./drafts";
import { Stepper } from "./Stepper";

/** What was said of an amount: kept, or why not. */
type Said = string | null;

/** Steps of a stepper that make sense in a unit. */
const STEP: Readonly<Record<string, number>> = { L: 1, "US gal": 0.25, "imp gal": 0.25, cm: 0.5, in: 0.25 };

/**
 * An amount that is counted at the tank, in the person's own unit. It starts empty: what was planned stands beside it as a
 * button, and only what is entered is logged, when the field is left.
 */
export function Amount({
  label,
  unit,
  logged,
  expected,
  expectedWord,
  units,
  onSay,
  children,
}: {
  label: string;
  /** Canonical: "L" or "cm". */
  unit: "L" | "cm";
  logged: number | null;
  /** What it should come to, canonical; null where nothing is expected. */
  expected: number | null;
  expectedWord: string;
  units: UnitPreference;
  /** Logs it, canonical; null takes it as it was. */
  onSay: (canonical: number) => Promise<Said>;
  children?: ReactNode;
}) {
  const shown = unitShown(unit, units);
  const step = STEP[shown] ?? 1;
  const decimals = step >= 1 ? 0 : step === 0.5 ? 1 : 2;
  const asText = (canonical: number) => String(Number(toShown(canonical, unit, units).toFixed(Math.max(1, decimals))));
  const [text, setText] = useState(logged === null ? "" : asText(logged));
  const [saved, setSaved] = useState(text);
  const [error, setError] = useState<string | null>(null);
  const commit = async (typed = text): Promise<boolean> => {
    if (typed.trim() === "" || typed === saved) return true;
    const number = parseNumber(typed, units.decimal);
    if (number === null || number < 0) {
      setError(`“${typed}” is not a number. Enter ${shown} as a number, such as ${unit === "L" ? "12.5" : "1.5"}.`);
      return false;
    }
    const refusal = await onSay(fromShown(number, unit, units));
    setError(refusal);
    if (refusal === null) setSaved(typed);
    return refusal === null;
  };
  useDraft(() => commit());
  const asExpected = expected === null ? null : quantity(expected, unit, units, unit === "cm" ? 1 : undefined);
  return (
    <Box mt="12px">
      <Box color="soft" fontSize="16px" aria-hidden="true">
        {label}
      </Box>
      <Stepper
        label={label}
        unit={shown}
        value={text}
        step={step}
        decimals={decimals}
        start={expected === null ? 0 : toShown(expected, unit, units)}
        onChange={setText}
        onLeave={() => void commit()}
      />
      {asExpected && text === "" && (
        <QuietButton
          type="button"
          minH="48px"
          mt="8px"
          w="100%"
          onClick={() => {
            const next = asText(expected ?? 0);
            setText(next);
            void commit(next);
          }}
        >
          {asExpected.figure} {asExpected.unit}, {expectedWord}
        </QuietButton>
      )}
      {children}
      {error && (
        <Box role="alert" mt="8px">
          <Notice tone="danger">{error}</Notice>
        </Box>
      )}
    </Box>
  );
}
