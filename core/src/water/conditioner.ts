import { requireRange } from "../issues/index.ts";

/** A conditioner as its label gives it. */
export interface Conditioner {
  readonly name: string;
  readonly mlPer100L: number;
  readonly maximumMlPer100L: number;
  readonly bindsAmmonia: boolean;
}

/**
 * Millilitres of conditioner for the litres that untreated water will meet.
 *
 * @param chloramineFactor 1 for free chlorine; more where the supplier uses chloramine, capped at the label's maximum.
 */
export function conditionerMl(conditioner: Conditioner, treatedL: number, chloramineFactor: number): number {
  requireRange("treatedL", treatedL, 0, 1e6);
  requireRange("chloramineFactor", chloramineFactor, 1, 10);
  const per100 = Math.min(conditioner.mlPer100L * chloramineFactor, conditioner.maximumMlPer100L);
  return (per100 * treatedL) / 100;
}
