"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { clearRoads, decideRoad, RoadSchema, RoadsFileSchema, readRoads, saveRoads } from "@/data/round/roads";

/** Decides about what was learnt of a way. */
export const decideRoadAction = defineAction({
  name: "roads.decide",
  roles: STAFF,
  input: RoadSchema,
  foreign: (ids) => ({ roadId: ids.roadId, what: "use" as const }),
  run: (scope, input) => decideRoad(scope, input, whenOf(scope)),
});

/** Reads a list of ways, and keeps nothing of it. */
export const readRoadsAction = defineAction({
  name: "roads.read",
  roles: STAFF,
  input: RoadsFileSchema,
  run: readRoads,
});

/** Takes a list of ways over. */
export const saveRoadsAction = defineAction({
  name: "roads.save",
  roles: STAFF,
  input: RoadsFileSchema,
  run: (scope, input) => saveRoads(scope, input, whenOf(scope)),
});

/** Takes the list of ways out again. */
export const clearRoadsAction = defineAction({
  name: "roads.clear",
  roles: STAFF,
  input: z.object({}),
  run: (scope) => clearRoads(scope, whenOf(scope)),
});
