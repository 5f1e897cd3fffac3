import type { KitItem } from "../programme/index.ts";
import { say, sayAll, textOf } from "../say/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { Step } from "./step.ts";

/** A step in words, for a screen. */
export interface SaidStep
  extends Omit<Step, "title" | "done" | "reason" | "craft" | "caution" | "kit" | "pressed" | "alone"> {
  readonly title: string;
  readonly done?: string;
  readonly reason: string;
  readonly craft?: string;
  readonly caution?: string;
  readonly kit: readonly string[];
  readonly pressed?: string;
  readonly alone?: string;
}

/** A step's words in somebody's units. */
export function sayStep(said: Step, units: UnitPreference): SaidStep {
  const { title, done, reason, craft, caution, kit, pressed, alone, ...step } = said;
  return {
    ...step,
    title: say(title, units),
    ...(done ? { done: say(done, units) } : {}),
    reason: sayAll(reason, units),
    kit: kit.map((k) => sayKit(k, units)),
    ...(craft ? { craft: sayAll(craft, units) } : {}),
    ...(caution ? { caution: sayAll(caution, units) } : {}),
    ...(pressed ? { pressed: say(pressed, units) } : {}),
    ...(alone ? { alone: say(alone, units) } : {}),
  };
}

/** "drain hose, 14 m" of a thing to bring. */
export const sayKit = ({ item, amount }: KitItem, units: UnitPreference): string =>
  amount === undefined ? item : `${item}, ${textOf(amount, units)}`;
