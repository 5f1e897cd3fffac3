/** A value that is known from one end to another, 19 times in 20. */
export interface Ranged {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}
