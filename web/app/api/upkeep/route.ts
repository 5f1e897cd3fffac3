import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { layFirm } from "@/data/programme/layJobs";

/**
 * Lays the long jobs of the whole firm out for a year: a line of JSON a site, as it is done. Whoever goes away, or cancels,
 * stops it between two sites.
 */
export const POST = defineRoute({
  name: "upkeep.lay",
  roles: ["office"],
  params: z.unknown(),
  run: async (scope, { request }) => {
    const work = layFirm(scope.businessId, whenOf(scope).today, request.signal);
    const encoder = new TextEncoder();
    const lines = new ReadableStream<Uint8Array>({
      async pull(controller) {
        const { value, done } = await work.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(`${JSON.stringify(value)}\n`));
      },
      async cancel() {
        await work.return(undefined);
      },
    });
    return new Response(lines, { headers: { "content-type": "application/x-ndjson", "cache-control": "no-store" } });
  },
});
