import { type DrawnPlan, drawChange, planChange } from "@keel-round/core/change";
import type { PlanInput } from "@keel-round/core/given";

/** What is to be drawn. */
export interface DrawsAsked {
  readonly input: PlanInput;
  readonly litres: number;
  readonly draws: number;
}

/** What was drawn so far. */
export type DrawsTold = DrawnPlan;

/** Always the same draws: the same plan gives the same figures. */
const SEED = 1978;

self.onmessage = ({ data }: MessageEvent<DrawsAsked>) => {
  for (const told of drawChange(data.input, planChange(data.input, data.litres), data.draws, SEED))
    self.postMessage(told satisfies DrawsTold);
};
