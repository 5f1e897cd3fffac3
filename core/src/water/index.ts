export { freeAmmoniaFraction, freeAmmoniaMgL } from "./ammonia.ts";
export { CO2_RELATIVE, co2MgL } from "./carbonate.ts";
export { type Conditioner, conditionerMl } from "./conditioner.ts";
export {
  afterExchange,
  afterExchangeSigma,
  type ExchangeMode,
  type ExchangeSigmas,
  effectiveShare,
  type LitresNeeded,
  litresToReach,
  settledPeak,
  shareToHold,
} from "./exchange.ts";
export { learnSalt, type SaltLesson, type SaltRefill, salinityAtFullLevel, saltGrams, saltRefill } from "./salinity.ts";
export {
  bisect,
  densityKgM3,
  type GravityReference,
  salinityFromConductivity,
  salinityFromGravity,
  specificGravity,
} from "./seawater.ts";
export { heatingHours, hotShare, refillAtLeastC, temperatureAfter } from "./temperature.ts";
