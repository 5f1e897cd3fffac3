import { Readable } from "node:stream";
import { z } from "zod";
import { LATELY, SIGN_IN_AGAIN } from "@/data/access/anew";
import { readBytes } from "@/data/access/body";
import { defineRoute, problem, Refused } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { writeArchive } from "@/data/archive/write";

/** Of a form with one field. */
const MOST_BYTES = 10_000;

/** Everything of a business as one JSON file that streams. A passphrase comes in the form, never in the address. */
export const POST = defineRoute({
  name: "archive.export",
  roles: ["office"],
  within: LATELY,
  params: z.object({}).or(z.undefined()),
  // A plain form is sent here: who has to sign in once more finds out how on its page.
  refused: (refused) =>
    refused.code === SIGN_IN_AGAIN
      ? new Response(null, { status: 303, headers: { location: "/desk/files" } })
      : problem(refused),
  takesOut: () => "everything, as a backup",
  run: async (scope, { request }) => {
    const bytes = await readBytes(request, MOST_BYTES, "A passphrase");
    const form = await new Response(new Uint8Array(bytes), {
      headers: { "content-type": request.headers.get("content-type") ?? "" },
    })
      .formData()
      .catch(() => {
        throw new Refused(400, "no-form", "The passphrase did not arrive whole. Type it again.");
      });
    const passphrase = String(form.get("passphrase") ?? "").trim();
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
