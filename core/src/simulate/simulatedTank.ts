/** What is dissolved, by name; amounts are concentration × litres. */
export type Concentrations = Readonly<Record<string, number>>;

/** A tank that is lived through in small steps. It keeps amounts, never concentrations, and knows no planner. */
export interface SimulatedTank {
  /** Lets an hour pass: what is made or used up an hour (concentration × litres), what evaporates, where the warmth goes. */
  readonly hour: (change: {
    readonly made: Concentrations;
    readonly evaporatedL: number;
    readonly roomC: number;
    readonly heldC?: number;
    readonly strength?: number;
  }) => void;
  /** Takes water out a little at a time, each little with what is dissolved in it. */
  readonly drain: (litres: number) => void;
  /** Pours water in. */
  readonly pour: (litres: number, water: Concentrations, temperatureC: number) => void;
  readonly concentration: (name: string) => number;
  readonly litres: () => number;
  readonly temperatureC: () => number;
}

/** Share of the distance to room temperature that an unheated tank covers in an hour. */
const COOLING_PER_HOUR = 0.04;

export function simulatedTank(start: {
  readonly litres: number;
  readonly levels: Concentrations;
  readonly temperatureC: number;
}): SimulatedTank {
  let litres = start.litres;
  let temperature = start.temperatureC;
  const amounts = new Map(Object.entries(start.levels).map(([name, level]) => [name, level * start.litres]));
  return {
    hour({ made, evaporatedL, roomC, heldC, strength = 1 }) {
      for (const [name, amount] of Object.entries(made))
        amounts.set(name, Math.max(0, (amounts.get(name) ?? 0) + amount));
      litres -= evaporatedL;
      temperature += (roomC - temperature) * COOLING_PER_HOUR;
      if (heldC !== undefined) temperature += (heldC - temperature) * 0.5 * strength;
    },
    drain(out) {
      let left = out;
      while (left > 1e-9) {
        const little = Math.min(0.25, left);
        for (const [name, amount] of amounts) amounts.set(name, amount - amount * (little / litres));
        litres -= little;
        left -= little;
      }
    },
    pour(litresIn, water, temperatureC) {
      temperature = (temperature * litres + temperatureC * litresIn) / (litres + litresIn);
      for (const name of amounts.keys()) amounts.set(name, (amounts.get(name) ?? 0) + (water[name] ?? 0) * litresIn);
      litres += litresIn;
    },
    concentration: (name) => (amounts.get(name) ?? 0) / litres,
    litres: () => litres,
    temperatureC: () => temperature,
  };
}
