"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import {
  DrawSchema,
  draw,
  fixContents,
  StartBatchSchema,
  startBatch,
  VerifySchema,
  verifyBatch,
} from "@/data/water/mixing";
import { PlanIntoSchema, planInto } from "@/data/water/planner";
import { PurifierDoneSchema, purifierDone } from "@/data/water/purifierUpkeep";

/** Begins a batch in an empty barrel. */
export const startBatchAction = defineAction({
  name: "water.start-batch",
  roles: STAFF,
  input: StartBatchSchema,
  foreign: (ids) => ({ barrelId: ids.barrelId, sourceId: ids.barrelId, litres: 10 }),
  run: (scope, input) => startBatch(scope, input, whenOf(scope)),
});

/** Takes the measured salinity of a batch. */
export const verifyBatchAction = defineAction({
  name: "water.verify-batch",
  roles: STAFF,
  input: VerifySchema,
  foreign: (ids) => ({ barrelId: ids.barrelId, psu: 35, confirmed: false }),
  run: (scope, input) => verifyBatch(scope, input, whenOf(scope)),
});

/** Says that a barrel was put right as it was advised. */
export const fixBarrelAction = defineAction({
  name: "water.fix-barrel",
  roles: STAFF,
  input: z.object({ barrelId: z.uuid("Reload the room and try again.") }),
  foreign: (ids) => ({ barrelId: ids.barrelId }),
  run: (scope, { barrelId }) => fixContents(scope, barrelId, whenOf(scope)),
});

/** Takes litres out of a barrel. */
export const drawAction = defineAction({
  name: "water.draw",
  roles: STAFF,
  input: DrawSchema,
  foreign: (ids) => ({ barrelId: ids.barrelId, litres: 1 }),
  run: (scope, input) => draw(scope, input, whenOf(scope)),
});

/** Tells when a job of the firm's own purifier was done. */
export const purifierDoneAction = defineAction({
  name: "water.purifier-done",
  roles: STAFF,
  input: PurifierDoneSchema,
  foreign: (ids) => ({ sourceId: ids.barrelId, code: "resin", on: "2026-01-01" }),
  run: (scope, input) => purifierDone(scope, input, whenOf(scope)),
});

/** Plans a change of the planner into the next visit, or takes it back. */
export const planIntoAction = defineAction({
  name: "water.plan-into",
  roles: STAFF,
  input: PlanIntoSchema,
  foreign: (ids) => ({ visitId: ids.visitId, change: null }),
  run: planInto,
});
