import { z } from "zod";
import { readArchive } from "@/data/archive/read";
import { defineRoute, Refused } from "@/data/define";
import { whenOf } from "@/data/when";

/** Brings an archive into an empty business as it streams. The passphrase of its door codes comes in a header. */
export const POST = defineRoute({
  name: "archive.import",
  roles: ["office"],
  params: z.object({}).or(z.undefined()),
  run: async (scope, { request }) => {
    if (!request.body) throw new Refused(422, "not-whole", "The file is empty.");
    const passphrase = decodeURIComponent(request.headers.get("x-passphrase") ?? "");
    return { counts: await readArchive(scope, request.body, passphrase || null, whenOf(scope)) };
  },
});
