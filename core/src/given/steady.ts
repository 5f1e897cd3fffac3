import { calciumPerDkh } from "../mixing/index.ts";
import type { Events } from "../readings/index.ts";
import { systemVolumeL, type TankBook } from "../tank/index.ts";
import { type Parameter, parameterFacts } from "../units/index.ts";
import type { WaterSource } from "./inputs.ts";

/** What goes on in a tank every day between visits: a doser of balanced two parts, and a machine that changes water. */
export function steadyOf(
  book: Pick<TankBook, "display" | "sump" | "dosedDkhPerDay" | "autoExchange">,
  { chemistry }: Pick<WaterSource, "chemistry">,
  parameter: Parameter,
): Omit<Events, "changes"> {
  const dkh = book.dosedDkhPerDay ?? 0;
  const dosedPerDay = parameter === "alkalinity" ? dkh : parameter === "calcium" ? dkh * calciumPerDkh() : 0;
  const litresPerDay = book.autoExchange?.litresPerDay ?? 0;
  const refill = chemistry[parameter];
  // What its water holds of a builder, and nobody said, is not known: the machine is then left out.
  const known = refill !== undefined || parameterFacts[parameter].unit === "mg/L";
  return {
    ...(dosedPerDay > 0 ? { dosedPerDay } : {}),
    ...(litresPerDay > 0 && known
      ? { machine: { sharePerDay: litresPerDay / systemVolumeL(book), refill: refill ?? 0 } }
      : {}),
  };
}
