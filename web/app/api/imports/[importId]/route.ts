import { z } from "zod";
import { defineRoute } from "@/data/define";
import { loadImport } from "@/data/transfer/imports";

/** How far an import is. */
export const GET = defineRoute({
  name: "files.progress",
  roles: ["office"],
  params: z.object({ importId: z.uuid() }),
  foreign: (ids) => ({ params: { importId: ids.importId } }),
  run: async (scope, { params }) => {
    const { state, rowsDone, rowsTotal } = await loadImport(scope, params.importId);
    return { state, rowsDone, rowsTotal };
  },
});
