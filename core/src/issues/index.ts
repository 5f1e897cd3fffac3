/** What is wrong with one value, as data. The interface turns it into a sentence. */
export interface InputIssue {
  readonly code: "not-a-number" | "out-of-range" | "outside-source-range" | "no-volume";
  readonly field: string;
  readonly value: number;
  readonly low?: number;
  readonly high?: number;
}

/** An input that no formula can use. `issue` holds the facts; the message is for logs. */
export class OutOfRangeError extends Error {
  readonly issue: InputIssue;
  constructor(issue: InputIssue) {
    const range = issue.low === undefined ? "" : `, accepted ${issue.low} to ${issue.high}`;
    super(`${issue.field} is ${issue.value}${range} (${issue.code})`);
    this.name = "OutOfRangeError";
    this.issue = issue;
  }
}

/**
 * Refuses a value that is not finite or lies outside [low, high].
 *
 * @throws {OutOfRangeError}
 */
export function requireRange(field: string, value: number, low: number, high: number): void {
  if (!Number.isFinite(value)) throw new OutOfRangeError({ code: "not-a-number", field, value });
  if (value < low || value > high) throw new OutOfRangeError({ code: "out-of-range", field, value, low, high });
}
