import { isSalt, type TankFacts } from "../tank/index.ts";
import type { WaterSource } from "./inputs.ts";

/** Sources that bring their salt with them. */
const SALTY: readonly WaterSource["kind"][] = ["mix", "natural-sea"];

/** What keeps a kind of water from a tank: none of the salt that it lives in, or salt in fresh water; null where it will do. */
export function wrongKindOfWater(
  tank: Pick<TankFacts, "targetPsu">,
  kind: WaterSource["kind"],
): "no-salt" | "salt" | null {
  const [salt, salty] = [isSalt(tank), SALTY.includes(kind)];
  return salt === salty ? null : salt ? "no-salt" : "salt";
}
