export { freeAmmoniaFraction, freeAmmoniaMgL, totalAmmoniaForMgL } from "./ammonia.ts";
export { CO2_RELATIVE, carbonateBalancePh, co2MgL } from "./carbonate.ts";
export { type Conditioner, conditionerMl, conditionerTimes, removedAtMostMgL } from "./conditioner.ts";
export { evaporationL, topUpCreepPpt, topUpPsuOf } from "./creep.ts";
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
export { salinityFromHydrometer } from "./hydrometer.ts";
export {
  afterRepeated,
  type ChangesNeeded,
  changesToReach,
  type DailySteps,
  dailySteps,
  dailyToHold,
  intervalToHold,
  refillForShift,
  settledDaily,
  settledTrough,
  shareForChanges,
} from "./repeated.ts";
export { learnSalt, type SaltLesson, type SaltRefill, salinityAtFullLevel, saltGrams, saltRefill } from "./salinity.ts";
export {
  conductivityMsCm,
  densityKgM3,
  type GravityReference,
  salinityFromConductivity,
  salinityFromGravity,
  specificGravity,
} from "./seawater.ts";
export {
  heaterEquilibriumC,
  heatingHours,
  hotShare,
  refillAtLeastC,
  temperatureAfter,
  temperatureDuring,
} from "./temperature.ts";
