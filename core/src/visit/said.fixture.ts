import type { PlanInput } from "../given/index.ts";
import { METRIC, type UnitPreference } from "../units/index.ts";
import { planVisit } from "./planVisit.ts";
import { type SaidPlan, sayPlan } from "./sayPlan.ts";

/** A visit planned, in words: what its technician reads. */
export const said = (input: PlanInput, units: UnitPreference = METRIC): SaidPlan => sayPlan(planVisit(input), units);
