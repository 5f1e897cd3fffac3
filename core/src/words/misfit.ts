import { type Message, m, say, type Value } from "../say/index.ts";
import type { TankMisfit } from "../tank/index.ts";
import type { UnitPreference } from "../units/index.ts";

type Misfit = Pick<TankMisfit, "code" | "most">;

function misfitMessage({ code, most }: Misfit): Message {
  const length: Value = { cm: most * 100 };
  const litres: Value = { litres: most, decimals: 0 };
  switch (code) {
    case "level-above-glass":
    case "bed-above-level":
    case "sump-low-above-level":
      return m(`misfit.${code}`, { most: length });
    case "rock-too-big":
      return m("misfit.rock-too-big", { most: { kg: Math.round(most) } });
    case "measured-too-big":
    case "dead-too-big":
      return m(`misfit.${code}`, { most: litres });
    case "sump-level-above-sump":
    case "baffle-above-sump":
      return m("misfit.sump-height", { most: length });
    case "chamber-longer-than-sump":
      return m("misfit.sump-length", { most: length });
    case "rock-above-glass":
    case "weir-above-level":
    case "landmark-above-glass":
      return m("misfit.glass-height", { most: length });
    case "needs-sump":
    case "no-volume":
      return m(`misfit.${code}`);
  }
}

/** What does not fit in a tank, as a sentence that stands beside the field. */
export const misfitSentence = (misfit: Misfit, units: UnitPreference): string => say(misfitMessage(misfit), units);
