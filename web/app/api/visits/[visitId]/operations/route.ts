import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { postOperations } from "@/data/visit/operations";

const MOST_AT_ONCE = 200;

/** Takes a batch of a visit's operations; each gets a result of its own. */
export const POST = defineRoute({
  name: "visit.operations",
  roles: STAFF,
  // What was done at a tank is taken in whatever else is asked of who did it.
  beforeSecondFactor: true,
  params: z.object({ visitId: z.uuid() }),
  body: z.object({ ops: z.array(z.unknown()).min(1).max(MOST_AT_ONCE) }),
  foreign: (ids) => ({ params: { visitId: ids.visitId }, body: { ops: [{}] } }),
  run: async (scope, { params, body }) => ({
    results: await postOperations(scope, params.visitId, body.ops, new Date()),
  }),
});
