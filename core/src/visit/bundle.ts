import type { PlanInput } from "../given/index.ts";
import type { UnitPreference } from "../units/index.ts";
import type { VisitOp } from "./log.ts";

/** What a phone needs to plan, do and log one visit without a network. */
export interface VisitBundle {
  readonly visitId: string;
  readonly stopId: string;
  readonly on: string;
  readonly siteName: string;
  readonly address: string;
  readonly access: string;
  readonly clientName: string;
  readonly tankName: string;
  /** Minute of the day that the round gives it; null where it was fetched by itself. */
  readonly startMinute: number | null;
  readonly input: PlanInput;
  /** The log as the server knows it. */
  readonly ops: readonly VisitOp[];
  readonly units: UnitPreference;
}
