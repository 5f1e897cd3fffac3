"use server";

import { z } from "zod";
import { TODAY } from "@/data/access/anew";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { setVanKit, VanKitSchema } from "@/data/access/units";
import { whenOf } from "@/data/access/when";
import { lookAtCodes } from "@/data/desk/codes";
import { AfterwardsSchema, addAfterwards } from "@/data/visit/record";

/** Says that a thing lies in somebody's van on any day, or that it does not. */
export const vanKitAction = defineAction({
  name: "visit.van-kit",
  roles: STAFF,
  input: VanKitSchema,
  foreign: (ids) => ({ personId: ids.personId, item: "towels", carries: true }),
  run: setVanKit,
});

/** Puts a closed visit right, or opens it again. */
export const afterwardsAction = defineAction({
  name: "visit.afterwards",
  roles: STAFF,
  input: AfterwardsSchema,
  foreign: (ids) => ({ visitId: ids.visitId, body: { type: "reopen" as const, why: "x" } }),
  run: (scope, input) => addAfterwards(scope, input, new Date()),
});

/** Shows the door codes of a stop that is due today, and writes the look down. */
export const doorCodesAction = defineAction({
  name: "visit.door-codes",
  roles: STAFF,
  within: TODAY,
  input: z.object({ siteId: z.uuid() }),
  foreign: (ids) => ({ siteId: ids.siteId }),
  run: (scope, input) => lookAtCodes(scope, input.siteId, whenOf(scope)),
});
