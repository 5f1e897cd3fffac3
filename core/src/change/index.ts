export { bringsOf } from "./balance.ts";
export { type DrawnPlan, drawChange } from "./draws.ts";
export { refillSigmaOf } from "./expected.ts";
export { allowedMinutesOf, exposures, holdsWater, SET_BACK, SET_BACK_MINUTES, TOP_UP } from "./exposure.ts";
export { type Forecast, forecastOf } from "./forecast.ts";
export { gearOff } from "./gearOff.ts";
export { bestPolicy, comparePolicies, type Forward, POLICIES, type PolicyPlan } from "./policies.ts";
export { planChange, planWater, waterOn } from "./water.ts";
export type { AfterCheck, Expected, Exposure, Limit, WaterPlan, WaterReason } from "./waterPlan.ts";
