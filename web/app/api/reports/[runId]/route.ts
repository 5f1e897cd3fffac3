import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { eventStream } from "@/data/access/eventStream";
import { loadRun } from "@/data/reports/runs";

/** How far reports are, told until they are over. */
export const GET = defineRoute({
  name: "reports.progress",
  roles: ["office"],
  params: z.object({ runId: z.uuid() }),
  foreign: (ids) => ({ params: { runId: ids.runId } }),
  run: (scope, { params, request }) =>
    eventStream(request, async () => {
      const { state, gone, total, cancelAsked } = await loadRun(scope, params.runId);
      return { tell: { state, gone, total, cancelAsked }, over: state !== "making" };
    }),
});
