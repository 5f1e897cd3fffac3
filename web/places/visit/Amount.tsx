"use client";

import { Box } from "@chakra-ui/react";
import { figure, fromShown, parseNumber, toShown, type UnitPreference, unitShown } from "@keel-round/core/units";
import { type ReactNode, useState } from "react";
import { Problem, QuietButton } from "@/kit/controls";
import { useDraft } from "./drafts";
import { Stepper } from "./Stepper";

/** What was said of an amount: kept, or why not. */
type Said = string | null;

/** Steps of a stepper that make sense in a unit. */
const STEP: Readonly<Record<string, number>> = { L: 1, "US gal": 0.25, "imp gal": 0.25, cm: 0.5, in: 0.25 };

/** How an amount is read and typed: its unit, a step that makes sense in it, an example to show. */
interface Scale {
  readonly unit: string;
  readonly step: number;
  readonly decimals: number;
  readonly example: string;
}

/**
 * An amount that is counted at the tank, as it is read and typed. It starts empty: what was planned stands beside it as a
 * button, and only what is entered is logged, when the field is left.
 */
export function AmountField({
  label,
  logged,
  expected,
  expectedWord,
  shown,
  decimal,
  onSay,
  children,
}: {
  label: string;
  logged: number | null;
  /** What it should come to; null where nothing is expected. */
  expected: number | null;
  expectedWord: string;
  shown: Scale;
  decimal: UnitPreference["decimal"];
  /** Logs it; null takes it as it was. */
  onSay: (amount: number) => Promise<Said>;
  children?: ReactNode;
}) {
  const { unit, step, decimals, example } = shown;
  const asText = (amount: number) => String(Number(amount.toFixed(Math.max(1, decimals))));
  const [text, setText] = useState(logged === null ? "" : asText(logged));
  const [saved, setSaved] = useState(text);
  const [error, setError] = useState<string | null>(null);
  const commit = async (typed = text): Promise<boolean> => {
    if (typed.trim() === "" || typed === saved) return true;
    const number = parseNumber(typed, decimal);
    if (number === null || number < 0) {
      setError(`“${typed}” is not a number. Enter ${unit} as a number, such as ${example}.`);
      return false;
    }
    const refusal = await onSay(number);
    setError(refusal);
    if (refusal === null) setSaved(typed);
    return refusal === null;
  };
  useDraft(() => commit());
  return (
    <Box mt="12px">
      <Box color="soft" fontSize="16px" aria-hidden="true">
        {label}
      </Box>
      <Stepper
        label={label}
        unit={unit}
        value={text}
        step={step}
        decimals={decimals}
        start={expected ?? 0}
        onChange={setText}
        onLeave={() => void commit()}
      />
      {expected !== null && text === "" && (
        <QuietButton
          type="button"
          minH="48px"
          mt="8px"
          w="100%"
          onClick={() => {
            const next = asText(expected);
            setText(next);
            void commit(next);
          }}
        >
          {figure(expected, decimals)} {unit}, {expectedWord}
        </QuietButton>
      )}
      {children}
      <Problem says={error} />
    </Box>
  );
}

/** The same of litres or of a height, in the person's own unit. */
export function Amount({
  unit,
  logged,
  expected,
  units,
  onSay,
  ...rest
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
  const inTheirs = (canonical: number | null) => (canonical === null ? null : toShown(canonical, unit, units));
  return (
    <AmountField
      {...rest}
      logged={inTheirs(logged)}
      expected={inTheirs(expected)}
      shown={{ unit: shown, step, decimals, example: unit === "L" ? "12.5" : "1.5" }}
      decimal={units.decimal}
      onSay={(amount) => onSay(fromShown(amount, unit, units))}
    />
  );
}
