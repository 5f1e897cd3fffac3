import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { eventStream } from "@/data/access/eventStream";
import { loadImport } from "@/data/transfer/imports";

/** States in which the background process is at work on it. */
const AT_WORK: readonly string[] = ["checking", "applying"];

/** How far an import is, told until it is over. */
export const GET = defineRoute({
  name: "files.progress",
  roles: ["office"],
  params: z.object({ importId: z.uuid() }),
  foreign: (ids) => ({ params: { importId: ids.importId } }),
  run: (scope, { params, request }) =>
    eventStream(request, async () => {
      const { state, rowsDone } = await loadImport(scope, params.importId);
      return { tell: { state, rowsDone }, over: !AT_WORK.includes(state) };
    }),
});
