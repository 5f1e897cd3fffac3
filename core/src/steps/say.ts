import { say, sayAll, textOf } from "../say/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { KitItem, Step } from "./step.ts";

/** A step in words, for a screen. */
export interface SaidStep extends Omit<Step, "title" | "done" | "reason" | "craft" | "caution" | "kit"> {
  readonly title: string;
  readonly done?: string;
  readonly reason: string;
  readonly craft?: string;
  readonly caution?: string;
  readonly kit: readonly string[];
}

/** A step's words in somebody's units. */
export function sayStep({ title, done, reason, craft, caution, kit, ...step }: Step, units: UnitPreference): SaidStep {
  return {
    ...step,
    title: say(title, units),
    ...(done ? { done: say(done, units) } : {}),
    reason: sayAll(reason, units),
    kit: kit.map((k) => sayKit(k, units)),
    ...(craft ? { craft: sayAll(craft, units) } : {}),
    ...(caution ? { caution: sayAll(caution, units) } : {}),
  };
}

/** "drain hose, 14 m" of a thing to bring. */
export const sayKit = ({ item, amount }: KitItem, units: UnitPreference): string =>
  amount === undefined ? item : `${item}, ${textOf(amount, units)}`;
