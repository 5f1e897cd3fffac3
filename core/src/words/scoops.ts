import { counted } from "../text/index.ts";

/** "12 scoops and 140 g": whole scoops of a salt whose scoop was weighed, and the rest of it. */
export function scoopsText(grams: number, scoopGrams: number): string {
  const scoops = Math.floor((grams + 0.5) / scoopGrams);
  const rest = Math.max(0, Math.round(grams - scoops * scoopGrams));
  if (scoops === 0) return `${rest} g, less than a scoop`;
  return `${counted(scoops, "scoop")}${rest > 0 ? ` and ${rest} g` : ""}`;
}
