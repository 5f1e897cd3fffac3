export { type FallTime, fallMinutes } from "./drain.ts";
export {
  bucketFactor,
  gravityFlowLPerMinute,
  type Hose,
  headLossM,
  type Pump,
  pumpFlowLPerMinute,
} from "./hose.ts";
