import { z } from "zod";
import { defineRoute, Refused } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { SiteLogSchema, siteLog, siteLogCsv } from "@/data/visit/siteLog";

/** All visits of a site over some days, as CSV or, where it is asked for, as a PDF. */
export const GET = defineRoute({
  name: "files.site-log",
  roles: [...STAFF, "tankOwner"],
  params: z.object({}).nullish(),
  takesOut: () => "the log of a site",
  run: async (scope, { request }) => {
    const { searchParams } = new URL(request.url);
    const asked = SiteLogSchema.safeParse(Object.fromEntries(searchParams));
    if (!asked.success) throw new Refused(422, "invalid", asked.error.issues[0]?.message ?? "Choose a site.");
    const log = await siteLog(scope, asked.data);
    const headers = (type: string, ending: string) => ({
      "content-type": type,
      "content-disposition": `attachment; filename*=UTF-8''${encodeURIComponent(`${log.siteName} ${log.from} to ${log.to}.${ending}`)}`,
      "cache-control": "no-store",
    });
    if (!searchParams.has("pdf"))
      return new Response(siteLogCsv(log), { headers: headers("text/csv; charset=utf-8", "csv") });
    const { siteLogPdf } = await import("@/places/desk/SiteLogPdf");
    return new Response(new Uint8Array(await siteLogPdf(log)), { headers: headers("application/pdf", "pdf") });
  },
});
