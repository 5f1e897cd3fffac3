/** A quantity, canonical: it is told in the units of whoever reads it. */
export type Amount =
  | { readonly litres: number; readonly decimals?: number }
  /** A length along the glass. */
  | { readonly cm: number }
  /** A distance on the way. */
  | { readonly metres: number }
  | { readonly kg: number }
  | { readonly celsius: number }
  | { readonly mgL: number };

/** What a message is told with. */
export type Value =
  | string
  | number
  | Amount
  /** A civil date. */
  | { readonly day: string }
  | { readonly list: readonly Value[] }
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
