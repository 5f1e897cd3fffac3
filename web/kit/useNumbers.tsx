"use client";

import { FieldError, parseDecimal } from "@keel-round/core/desk";
import { fromShown, toShown, type UnitPreference, unitShown } from "@keel-round/core/units";
import { type ReactNode, useState } from "react";
import { FieldRow, TextInput } from "./controls";

/**
 * A number that is asked for: what it is called, where it may lie, and what stands in it at first.
 *
 * With a `unit` all of it is canonical, and the person reads and types in their own.
 */
export interface NumberAsked {
  readonly label: string;
  readonly unit?: string;
  readonly low: number;
  readonly high: number;
  readonly start: string;
}

/**
 * Some numbers as they are typed, each with its field.
 *
 * @returns `numbers` holds null where nothing or no number in its range is typed; the field says so beside it.
 */
export function useNumbers<K extends string>(asked: Readonly<Record<K, NumberAsked>>, units: UnitPreference) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const shown = (key: K, canonical: number): number => {
    const { unit } = asked[key];
    return unit ? Number(toShown(canonical, unit, units).toPrecision(4)) : canonical;
  };
  const startOf = (key: K): string => {
    const { start, unit } = asked[key];
    return unit && start.trim() !== "" ? String(shown(key, Number(start))).replace(".", units.decimal ?? ".") : start;
  };
  const textOf = (key: K) => typed[key] ?? startOf(key);
  const read = (key: K): { value: number | null; error?: string } => {
    const text = textOf(key).trim();
    if (text === "") return { value: null };
    const { low, high, unit } = asked[key];
    try {
      const number = parseDecimal(text, units.decimal);
      const value = unit ? fromShown(number, unit, units) : number;
      return value >= low && value <= high
        ? { value }
        : { value: null, error: `From ${shown(key, low)} to ${shown(key, high)}.` };
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      return { value: null, error: error.message };
    }
  };
  const labelOf = (key: K): string => {
    const { label, unit } = asked[key];
    return unit ? `${label}, ${unitShown(unit, units)}` : label;
  };
  const keys = Object.keys(asked) as K[];
  return {
    numbers: Object.fromEntries(keys.map((key) => [key, read(key).value])) as Record<K, number | null>,
    field: (key: K): ReactNode => (
      <FieldRow key={key} label={labelOf(key)} error={read(key).error}>
        <TextInput
          inputMode="decimal"
          fontFamily="mono"
          value={textOf(key)}
          onChange={(e) => setTyped({ ...typed, [key]: e.target.value })}
        />
      </FieldRow>
    ),
  };
}
