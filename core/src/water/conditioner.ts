import { requireRange } from "../issues/index.ts";

/** A conditioner as its label gives it. */
export interface Conditioner {
  readonly name: string;
  readonly mlPer100L: number;
  readonly maximumMlPer100L: number;
  readonly bindsAmmonia: boolean;
  /** Free and combined chlorine that the label's dose removes, mg/L as chlorine. */
  readonly removesMgL?: number | undefined;
}

/**
 * Times the label's dose that a water asks for: by the chlorine that was measured where the label says what a dose removes,
 * and never less than was said of the supplier.
 *
 * @param measured free and combined chlorine, mg/L as chlorine; absent where it was never measured.
 * @param said times the label that somebody set, from 1.
 * @example
 * conditionerTimes({ removesMgL: 2 }, { chlorine: 1, chloramine: 3 }, 1); // 2
 */
export function conditionerTimes(
  { removesMgL }: Pick<Conditioner, "removesMgL">,
  { chlorine, chloramine }: { readonly chlorine?: number | undefined; readonly chloramine?: number | undefined },
  said: number,
): number {
  if (removesMgL === undefined || (chlorine === undefined && chloramine === undefined)) return said;
  return Math.max(said, ((chlorine ?? 0) + (chloramine ?? 0)) / removesMgL);
}

/**
 * Chlorine that the largest dose of the label removes, mg/L; null where the label does not say.
 * @example
 * removedAtMostMgL({ name: "conditioner", removesMgL: 2, mlPer100L: 10, maximumMlPer100L: 25 }); // 5
 */
export const removedAtMostMgL = ({ removesMgL, mlPer100L, maximumMlPer100L }: Conditioner): number | null =>
  removesMgL === undefined ? null : (removesMgL * maximumMlPer100L) / mlPer100L;

/**
 * Millilitres of conditioner for the litres that untreated water will meet.
 *
 * @param chloramineFactor 1 for free chlorine; more where the supplier uses chloramine, capped at the label's maximum.
 * @throws {OutOfRangeError} for a value outside its range.
 * @example
 * conditionerMl({ name: "any", mlPer100L: 10, maximumMlPer100L: 30, bindsAmmonia: false }, 150, 1); // 15
 */
export function conditionerMl(conditioner: Conditioner, treatedL: number, chloramineFactor: number): number {
  requireRange("treatedL", treatedL, 0, 1e6);
  requireRange("chloramineFactor", chloramineFactor, 0.5, 100);
  const per100 = Math.min(conditioner.mlPer100L * chloramineFactor, conditioner.maximumMlPer100L);
  return (per100 * treatedL) / 100;
}
