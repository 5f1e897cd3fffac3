import type { WaterReason } from "./waterPlan.ts";

/** What forbids a change or asks for one at once stands before everything else. */
export const isUrgent = ({ code }: WaterReason): boolean =>
  code === "ammonia-would-rise" || code === "ammonia-emergency";

/** Those of some reasons that stand first. */
export const urgent = (reasons: readonly WaterReason[]) => reasons.filter(isUrgent);
