export { type Concentrations, type SimulatedTank, simulatedTank } from "./simulatedTank.ts";
