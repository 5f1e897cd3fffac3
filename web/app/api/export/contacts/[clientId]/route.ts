import { z } from "zod";
import { LATELY } from "@/data/access/anew";
import { defineRoute } from "@/data/access/define";
import { exportContacts } from "@/data/privacy/export";
import { jsonFile } from "@/data/privacy/jsonFile";

/** All that is kept about who is behind a client, for them to have. */
export const GET = defineRoute({
  name: "people.export-contacts",
  roles: ["office"],
  within: LATELY,
  params: z.object({ clientId: z.uuid() }),
  foreign: (ids) => ({ params: { clientId: ids.personId } }),
  takesOut: () => "all that is kept about who is behind a client",
  run: async (scope, { params: { clientId } }) => jsonFile(await exportContacts(scope, clientId, new Date())),
});
