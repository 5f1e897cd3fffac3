"use client";

import { FieldError, parseDecimal } from "@keel-round/core/book";
import { type ReactNode, useState } from "react";
import { FieldRow, TextInput } from "./controls";

/** A number that is asked for: what it is called, where it may lie, and what stands in it at first. */
export interface NumberAsked {
  readonly label: string;
  readonly low: number;
  readonly high: number;
  readonly start: string;
}

/**
 * Some numbers as they are typed, each with its field.
 *
 * @returns `numbers` holds null where nothing or no number in its range is typed; the field says so beside it.
 */
export function useNumbers<K extends string>(asked: Readonly<Record<K, NumberAsked>>) {
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const textOf = (key: K) => typed[key] ?? asked[key].start;
  const read = (key: K): { value: number | null; error?: string } => {
    const text = textOf(key).trim();
    if (text === "") return { value: null };
    const { low, high } = asked[key];
    try {
      const value = parseDecimal(text);
      return value >= low && value <= high ? { value } : { value: null, error: `From ${low} to ${high}.` };
    } catch (error) {
      if (!(error instanceof FieldError)) throw error;
      return { value: null, error: error.message };
    }
  };
  const keys = Object.keys(asked) as K[];
  return {
    numbers: Object.fromEntries(keys.map((key) => [key, read(key).value])) as Record<K, number | null>,
    field: (key: K): ReactNode => (
      <FieldRow key={key} label={asked[key].label} error={read(key).error}>
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
