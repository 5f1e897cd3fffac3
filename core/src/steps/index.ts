export { calibrates } from "./measure.ts";
export { OrderCycleError, type OrderRule, orderReasons, orderSteps } from "./order.ts";
export { rulesFor } from "./rules.ts";
export { type SaidStep, sayKit, sayStep } from "./say.ts";
export { type Confirms, type Entry, type Step, testOf } from "./step.ts";
export { buildSteps } from "./steps.ts";
export { meanwhile, type TimedStep, timelineOf } from "./timeline.ts";
export { conditionerNow, litresNow, stepDoing, stepOfAction } from "./troubles.ts";
