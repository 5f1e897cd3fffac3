"use server";

import { civilOf } from "@keel-round/core/calendar";
import { z } from "zod";
import { defineAction } from "@/data/define";
import { moveStop, setRefill } from "@/data/round";

const stopId = z.uuid("Reload the round and try again.");

/** Agrees on a refill at base after a stop, or takes it back. */
export const refillAction = defineAction({
  name: "round.refill",
  roles: ["office", "technician"],
  input: z.object({ stopId, refillAfter: z.boolean() }),
  foreign: (ids) => ({ stopId: ids.stopId, refillAfter: true }),
  run: (scope, input) => setRefill(scope, input.stopId, input.refillAfter),
});

/** Moves one stop to another day; its series stays. */
export const moveStopAction = defineAction({
  name: "round.move-stop",
  roles: ["office", "technician"],
  input: z.object({ stopId, to: z.iso.date("That day does not exist.") }),
  foreign: (ids) => ({ stopId: ids.stopId, to: "2099-01-01" }),
  run: (scope, input) => moveStop(scope, input.stopId, input.to, civilOf(Date.now(), scope.zone).date),
});
