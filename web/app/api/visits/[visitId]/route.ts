import { z } from "zod";
import { visitBundle } from "@/data/bundles";
import { defineRoute } from "@/data/define";
import { STAFF } from "@/data/scope";

/** The bundle of one visit. */
export const GET = defineRoute({
  name: "visit.bundle",
  roles: STAFF,
  params: z.object({ visitId: z.uuid() }),
  foreign: (ids) => ({ params: { visitId: ids.visitId } }),
  run: async (scope, { params }) => ({ personId: scope.personId, bundle: await visitBundle(scope, params.visitId) }),
});
