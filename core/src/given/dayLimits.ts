import type { TankKind } from "../tank/index.ts";
import type { DailyLimits } from "./inputs.ts";

/** The most that one day may change in the water of one tank; null for what its animals do not mind. */
export interface DayLimits {
  readonly alkalinityDkh: number | null;
  readonly calciumMgL: number | null;
  readonly magnesiumMgL: number | null;
  readonly ghDgh: number | null;
  readonly salinityUpPpt: number;
  readonly salinityDownPpt: number;
  readonly temperatureC: number;
}

const CORALS: readonly TankKind[] = ["soft-coral", "large-polyp", "stony-coral", "anemone"];
/** They bear a fall of salinity worse than fish do. */
const INVERTEBRATES: readonly TankKind[] = [...CORALS, "jellyfish", "temperate-marine", "shrimp"];
const TENDER: readonly TankKind[] = [...CORALS, "jellyfish", "shrimp"];

/** What of the firm's limits holds for a kind of tank. */
export function limitsOfKind(kind: TankKind, limits: DailyLimits): DayLimits {
  const coral = CORALS.includes(kind);
  return {
    alkalinityDkh: coral ? limits.alkalinityDkh : null,
    calciumMgL: coral ? limits.calciumMgL : null,
    magnesiumMgL: coral ? limits.magnesiumMgL : null,
    ghDgh: kind === "shrimp" ? limits.ghDgh : null,
    salinityUpPpt: limits.salinityUpPpt,
    salinityDownPpt: INVERTEBRATES.includes(kind) ? limits.salinityDownInvertebratesPpt : limits.salinityDownPpt,
    temperatureC: TENDER.includes(kind) ? limits.temperatureTenderC : limits.temperatureC,
  };
}
