import type { SwitchGear, TankFacts } from "../tank/index.ts";
import type { WaterPlan } from "./waterPlan.ts";

/** Nothing of it minds a change that leaves the display as it is. */
const STAYS: Readonly<Record<WaterPlan["markOn"], readonly SwitchGear[]>> = {
  display: [],
  // The return keeps running: stopped, all that runs back would stand in the sump that is to be drained.
  sump: ["return", "wave-maker", "chiller", "filter", "uv", "lights", "feeder"],
  none: ["wave-maker", "return", "filter", "chiller", "uv", "lights"],
};

/** Gear that must be off for this change, in the tank's own order. */
export function gearOff(facts: TankFacts, water: Pick<WaterPlan, "litres" | "markOn">): SwitchGear[] {
  if (water.litres.value <= 0) return [];
  const stays = STAYS[water.markOn];
  return facts.gear.filter(
    (g) => !stays.includes(g) && !(g === "heater" && ["lowered", "none"].includes(facts.practice.heater)),
  );
}
