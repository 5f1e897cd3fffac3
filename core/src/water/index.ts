export { freeAmmoniaFraction, freeAmmoniaMgL, totalAmmoniaForMgL } from "./ammonia.ts";
export { CO2_RELATIVE, carbonateBalancePh, co2MgL } from "./carbonate.ts";
export { type Conditioner, conditionerMl, conditionerTimes, removedAtMostMgL } from "./conditioner.ts";
export { evaporationL, topUpPsuOf } from "./creep.ts";
export {
  afterExchange,
  type ExchangeMode,
  effectiveShare,
  type LitresNeeded,
  litresToReach,
  settledPeak,
  shareToHold,
} from "./exchange.ts";
export { salinityFromHydrometer } from "./hydrometer.ts";
export {
  type ChangesNeeded,
  changesToReach,
  type DailySteps,
  dailySteps,
  dailyToHold,
  intervalToHold,
  settledTrough,
  shareForChanges,
} from "./repeated.ts";
export { learnSalt, type SaltLesson, saltGrams } from "./salinity.ts";
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
  temperatureDuring,
} from "./temperature.ts";
