import { isSalt, type TankFacts } from "@keel-round/core/tank";
import { type Parameter, parameterFacts } from "@keel-round/core/units";

/** What a figure is called in a tank: alkalinity of fresh water is KH. */
export function figureLabel(parameter: Parameter, facts: Pick<TankFacts, "targetPsu">): string {
  const { label, freshLabel } = parameterFacts[parameter];
  return isSalt(facts) ? label : (freshLabel ?? label);
}
