export { type Drawn, pointsOf } from "./points.ts";
export { gaussian, type Random, seeded } from "./random.ts";
export { type Concentrations, type SimulatedTank, simulatedTank } from "./simulatedTank.ts";
