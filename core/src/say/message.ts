import type { Parameter } from "../units/index.ts";

/** A quantity, canonical: it is told in the units of whoever reads it. */
export type Amount =
  | { readonly litres: number; readonly decimals?: number }
  /** A length along the glass. */
  | { readonly cm: number }
  /** A distance on the way. */
  | { readonly metres: number }
  | { readonly kg: number }
  | { readonly celsius: number }
  | { readonly mgL: number; readonly decimals?: number }
  /** A length of time. */
  | { readonly minutes: number }
  /** A minute of the day. */
  | { readonly clock: number }
  /** A reading of a parameter on the scale a person reads, with its unit or bare where it was told a moment ago. */
  | { readonly reading: number; readonly of: Parameter; readonly bare?: boolean }
  /** By how much a reading moves, on the scale a person reads. */
  | { readonly moves: number; readonly unit: "ppt moved" | "dKH moved" | "K" }
  /** A number that has no unit of anybody's own. */
  | { readonly figure: number; readonly decimals: number };

/** What a message is told with. */
export type Value =
  | string
  | number
  | Amount
  /** A civil date. */
  | { readonly day: string }
  /** A civil date with its weekday. */
  | { readonly longDay: string }
  | { readonly list: readonly Value[] }
  /** Several as they stand in a sentence: "a, b and c". */
  | { readonly all: readonly Value[] }
  /** The name of a parameter, inside a sentence or where one begins. */
  | { readonly parameter: Parameter; readonly begins?: boolean }
  | Message;

/** Of a message that is told with nothing. */
export type Nothing = Readonly<Record<string, never>>;

/** A message as it is compiled: `t` gives a value's text, `n` its number, `p` the number's plural form. */
export type Sentence = (
  t: (name: string) => string,
  n: (name: string) => number,
  p: (name: string) => Intl.LDMLPluralRule,
) => string;

/** Something to say, as data: what it is, and the figures in it. Words are made of it at the edge, see `say`. */
export type Message =
  | { readonly say: string; readonly with?: Readonly<Record<string, Value>> }
  /** The words of a job of the library: they stand with the job. */
  | { readonly job: string; readonly its: "name" | "done" | "reason" | "caution" }
  /** Words that somebody wrote: of a firm's own job, of a place. */
  | { readonly told: string }
  /** Words that an earlier core made and kept, with their quantities in the units of keeping. */
  | { readonly kept: string };
