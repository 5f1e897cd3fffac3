import { z } from "zod";
import { defineRoute, Refused } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { SiteLogSchema, siteLog, siteLogCsv } from "@/data/visit/siteLog";

/** All visits of a site over some days, as CSV. */
export const GET = defineRoute({
  name: "files.site-log",
  roles: [...STAFF, "tankOwner"],
  params: z.object({}).nullish(),
  run: async (scope, { request }) => {
    const asked = SiteLogSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!asked.success) throw new Refused(422, "invalid", asked.error.issues[0]?.message ?? "Choose a site.");
    const log = await siteLog(scope, asked.data);
    const name = `${log.siteName} ${log.from} to ${log.to}.csv`;
    return new Response(siteLogCsv(log), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
        "cache-control": "no-store",
      },
    });
  },
});
