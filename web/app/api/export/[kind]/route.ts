import { Readable } from "node:stream";
import { recordKinds } from "@keel-round/core/desk";
import { FILE_KINDS } from "@keel-round/core/transfer";
import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { exportCsv } from "@/data/transfer/export";

const calledIn = (kind: (typeof FILE_KINDS)[number]): string =>
  kind === "reading" ? "readings" : recordKinds[kind].many;

/** A kind of record, or all readings, as a CSV file that streams. */
export const GET = defineRoute({
  name: "files.export",
  roles: ["office"],
  params: z.object({ kind: z.enum(FILE_KINDS) }),
  takesOut: ({ kind }) => `${calledIn(kind)} as a table`,
  run: async (scope, { params: { kind } }) => {
    return new Response(Readable.toWeb(Readable.from(exportCsv(scope, kind))) as ReadableStream, {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="${calledIn(kind)} ${whenOf(scope).today}.csv"`,
        "cache-control": "no-store",
      },
    });
  },
});
