export { type FallTime, fallMinutes } from "./drain.ts";
export {
  bucketFactor,
  gravityFlowLPerMinute,
  type Hose,
  headLossM,
  type Pump,
  pumpFlowLPerMinute,
} from "./hose.ts";
export { type LiftTime, liftMinutes } from "./lift.ts";
