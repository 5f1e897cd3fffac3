import { calciumPerDkh } from "../mixing/index.ts";
import type { Events } from "../readings/index.ts";
import { systemVolumeL, type TankFacts } from "../tank/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import type { WaterSource } from "./inputs.ts";

/** A change of what a tank is dosed with every day: what it gave until then, canonical. */
export interface DoseBefore {
  readonly untilDay: number;
  readonly perDay: Readonly<Partial<Record<Parameter, number>>>;
}

/**
 * What goes on in a tank every day between visits: balanced two parts and pumps that dose, and a machine that changes water.
 *
 * @param before What was dosed before each change of it, ascending, on the day axis of the readings.
 */
export function steadyOf(
  facts: Pick<TankFacts, "display" | "sump" | "dosedDkhPerDay" | "pumpsPerDay" | "autoExchange">,
  { chemistry }: Pick<WaterSource, "chemistry">,
  parameter: Parameter,
  before: readonly DoseBefore[] = [],
): Omit<Events, "changes"> {
  const dkh = facts.dosedDkhPerDay ?? 0;
  const times = parameter === "alkalinity" ? 1 : parameter === "calcium" ? calciumPerDkh() : 0;
  const dosedPerDay = dkh * times + (facts.pumpsPerDay?.[parameter] ?? 0);
  const dosedBefore = before.map((b) => ({ untilDay: b.untilDay, perDay: b.perDay[parameter] ?? 0 }));
  const everDosed = dosedPerDay > 0 || dosedBefore.some((b) => b.perDay > 0);
  const litresPerDay = facts.autoExchange?.litresPerDay ?? 0;
  const refill = chemistry[parameter];
  // What its water holds of a builder, and nobody said, is not known: the machine is then left out.
  const known = refill !== undefined || parameterFacts[parameter].unit === "mg/L";
  return {
    ...(dosedPerDay > 0 ? { dosedPerDay } : {}),
    ...(everDosed && dosedBefore.length > 0 ? { dosedBefore } : {}),
    ...(litresPerDay > 0 && known
      ? { machine: { sharePerDay: litresPerDay / systemVolumeL(facts), refill: refill ?? 0 } }
      : {}),
  };
}
