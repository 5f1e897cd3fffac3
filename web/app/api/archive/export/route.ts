import { Readable } from "node:stream";
import { z } from "zod";
import { writeArchive } from "@/data/archive/write";
import { defineRoute } from "@/data/define";
import { whenOf } from "@/data/when";

/** Everything of a business as one JSON file that streams. A passphrase comes in the form, never in the address. */
export const POST = defineRoute({
  name: "archive.export",
  roles: ["office"],
  params: z.object({}).or(z.undefined()),
  run: async (scope, { request }) => {
    const passphrase = String((await request.formData()).get("passphrase") ?? "").trim();
    const { now, today } = whenOf(scope);
    return new Response(Readable.toWeb(Readable.from(writeArchive(scope, passphrase || null, now))) as ReadableStream, {
      headers: {
        "content-type": "application/json; charset=utf-8",
        "content-disposition": `attachment; filename="keel-round ${today}.json"`,
        "cache-control": "no-store",
      },
    });
  },
});
