"use server";

import { defineAction } from "@/data/define";
import { setVanKit, VanKitSchema } from "@/data/people";
import { STAFF } from "@/data/scope";

/** Says that a thing lies in somebody's van on any day, or that it does not. */
export const vanKitAction = defineAction({
  name: "visit.van-kit",
  roles: STAFF,
  input: VanKitSchema,
  foreign: (ids) => ({ personId: ids.personId, item: "towels", carries: true }),
  run: setVanKit,
});
