export { OrderCycleError, type OrderRule, orderReasons, orderSteps } from "./order.ts";
export { rulesFor } from "./rules.ts";
export { type SaidStep, sayKit, sayStep } from "./say.ts";
export type { KitItem, Step } from "./step.ts";
export { buildSteps } from "./steps.ts";
export { type TimedStep, timelineOf } from "./timeline.ts";
