import type { WaterPlan } from "@keel-round/core/change";
import { litresText, type UnitPreference } from "@keel-round/core/units";
import { limitSentence, waterSentence } from "@keel-round/core/words";

type Water = Pick<WaterPlan, "decision" | "litres" | "reasons" | "binding">;

/** What a plan's change comes to, in one word: two plans with the same do not differ for whoever works. */
const outcomeOf = ({ decision, litres }: Pick<Water, "decision" | "litres">): string => `${decision} ${litres.value}`;

/** What is done instead, before and after. */
function instead(now: Water, before: Water, units: UnitPreference): string {
  switch (now.decision) {
    case "forbid":
      return "Do not change water.";
    case "postpone":
      return "The change is put off.";
    case "none":
      return "No change today.";
    case "unknown":
      return "Measure first.";
    case "change":
      return before.decision === "change"
        ? `${litresText(now.litres.value, units)} instead of ${litresText(before.litres.value, units)}.`
        : `${litresText(now.litres.value, units)} are changed after all.`;
  }
}

/**
 * A changed plan in one line: what is done instead, and what decided it: the limit that binds, where one does.
 *
 * @returns null where nothing changed for whoever works.
 */
export function planChangeLine(
  now: Water,
  before: Water,
  units: UnitPreference,
): { readonly head: string; readonly why: string } | null {
  if (outcomeOf(now) === outcomeOf(before)) return null;
  const [reason] = now.reasons;
  const why =
    now.decision === "change" && now.binding
      ? limitSentence(now.binding, units)
      : reason
        ? waterSentence(reason, units)
        : "";
  return { head: instead(now, before, units), why };
}
