import { z } from "zod";
import { LATELY } from "@/data/access/anew";
import { defineRoute } from "@/data/access/define";
import { exportPerson } from "@/data/privacy/export";
import { jsonFile } from "@/data/privacy/jsonFile";

/** All that is kept about one person, for them to have. */
export const GET = defineRoute({
  name: "people.export",
  roles: ["office"],
  within: LATELY,
  params: z.object({ personId: z.uuid() }),
  foreign: (ids) => ({ params: { personId: ids.personId } }),
  takesOut: () => "all that is kept about a person",
  run: async (scope, { params: { personId } }) => jsonFile(await exportPerson(scope, personId, new Date())),
});
