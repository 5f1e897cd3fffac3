import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { visitBundle } from "@/data/visit/bundles";

/** The bundle of one visit. */
export const GET = defineRoute({
  name: "visit.bundle",
  roles: STAFF,
  params: z.object({ visitId: z.uuid() }),
  foreign: (ids) => ({ params: { visitId: ids.visitId } }),
  run: async (scope, { params }) => ({ personId: scope.personId, bundle: await visitBundle(scope, params.visitId) }),
});
