import { definePublicRoute } from "@/data/access/define";
import { readiness } from "@/data/database/readiness";
import { log } from "@/observe/log";

/** Whether this process can do its work. A proxy sends nobody to it meanwhile; why not is in the log. */
export const GET = definePublicRoute(
  "ready",
  "It says which parts are at hand, and of what is wrong nothing.",
  async () => {
    const checks = await readiness();
    const wrong = checks.filter((c) => c.problem !== null);
    if (wrong.length > 0) log().warn({ wrong }, "not ready");
    return Response.json(
      { ready: wrong.length === 0, checks: Object.fromEntries(checks.map((c) => [c.name, c.problem === null])) },
      { status: wrong.length === 0 ? 200 : 503, headers: { "cache-control": "no-store" } },
    );
  },
);
