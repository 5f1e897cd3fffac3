import type { TankMisfit } from "../tank/index.ts";
import { figure, showLength, showVolume, type UnitPreference } from "../units/index.ts";

const length = (metres: number, units: UnitPreference) =>
  `${figure(showLength(metres * 100, units.length), 1)} ${units.length}`;

/** What does not fit in a tank, as a sentence that stands beside the field. */
export function misfitSentence({ code, most }: Pick<TankMisfit, "code" | "most">, units: UnitPreference): string {
  switch (code) {
    case "level-above-glass":
      return `The water cannot stand above the glass, which is ${length(most, units)} high.`;
    case "bed-above-level":
      return `The bed would stand out of the water, which is ${length(most, units)} deep.`;
    case "rock-too-big":
      return `Rock of that height weighs at most about ${Math.round(most)} kg here.`;
    case "measured-too-big":
      return `The glass holds ${figure(showVolume(most, units.volume), 0)} ${units.volume} up to the running level. Check its dimensions.`;
    case "sump-level-above-sump":
    case "baffle-above-sump":
      return `The sump is ${length(most, units)} high.`;
    case "chamber-longer-than-sump":
      return `The sump is ${length(most, units)} long.`;
    case "sump-low-above-level":
      return `The sump runs at ${length(most, units)}; the return must still stand in water there.`;
    case "dead-too-big":
      return `At most half of the water may stay apart here, ${figure(showVolume(most, units.volume), 0)} ${units.volume}.`;
    case "needs-sump":
      return "There is no sump. Choose another way, or describe the sump.";
    case "no-volume":
      return "At this level the tank holds no water, and nothing can be planned.";
    case "rock-above-glass":
    case "weir-above-level":
    case "landmark-above-glass":
      return `The glass is ${length(most, units)} high.`;
  }
}
