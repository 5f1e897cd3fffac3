import { z } from "zod";
import { defineRoute, notFound } from "@/data/access/define";
import { firmReport } from "@/data/reports/runs";
import { letterHeaders } from "@/places/letters/headers";

/** The firm's own report of a year, as a page or a PDF. */
export const GET = defineRoute({
  name: "reports.firm",
  roles: ["office"],
  params: z.object({ runId: z.uuid(), form: z.enum(["page", "pdf"]) }),
  foreign: (ids) => ({ params: { runId: ids.runId, form: "page" as const } }),
  run: async (scope, { params: { runId, form } }) => {
    const report = await firmReport(scope, runId);
    if (!report) throw notFound("report");
    if (form === "page") return new Response(report.html, { headers: letterHeaders("text/html; charset=utf-8") });
    return new Response(new Uint8Array(report.pdf), {
      headers: {
        ...letterHeaders("application/pdf"),
        "content-disposition": `inline; filename*=UTF-8''${encodeURIComponent(`${report.name}.pdf`)}`,
      },
    });
  },
});
