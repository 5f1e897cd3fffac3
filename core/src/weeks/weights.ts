/** What the firm weighs a round by, minutes of driving each. */
export interface Weights {
  /** A minute past the end of somebody's day. */
  readonly overtime: number;
  /** A minute by which a day differs from the person's mean. */
  readonly uneven: number;
  /** A stop that is not where it was: a settled round stays settled. */
  readonly moved: number;
  /** One more person for the same series. */
  readonly split: number;
  /** A kilogram more than the van carries. */
  readonly overKg: number;
  /** A rule of spacing that is broken. */
  readonly broken: number;
  /** A stop that does not fit into its hours. */
  readonly leftOut: number;
}

export const WEIGHTS: Weights = {
  ...{ overtime: 2, uneven: 0.5, moved: 30, split: 20 },
  ...{ overKg: 2, broken: 240, leftOut: 900 },
};

/** What each weight is called, what it does, and what it may be. */
export const WEIGHT_FACTS: Readonly<
  Record<keyof Weights, { readonly label: string; readonly says: string; readonly most: number }>
> = {
  overtime: {
    label: "A minute past the end of a day",
    says: "More: nobody works late, even where that means more driving.",
    most: 50,
  },
  uneven: {
    label: "A minute by which a day is longer or shorter than the person's others",
    says: "More: days of about the same length.",
    most: 20,
  },
  moved: {
    label: "A stop that is moved",
    says: "More: a round that is settled stays as it is. Less: the round may change for a few minutes.",
    most: 1000,
  },
  split: {
    label: "One more person, or one more day of the week, for the same tanks",
    says: "More: the same face on the same day at a client's.",
    most: 1000,
  },
  overKg: {
    label: "A kilogram more than the van carries",
    says: "More: no day that needs a refill or salt mixed on site.",
    most: 100,
  },
  broken: {
    label: "A visit too soon or too late after the one before",
    says: "More: the rhythm of the visits is kept.",
    most: 5000,
  },
  leftOut: {
    label: "A stop that does not fit into its hours",
    says: "More: rather any other trouble than a stop left out.",
    most: 10000,
  },
};
