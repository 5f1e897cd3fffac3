import { z } from "zod";
import { addressOf } from "@/data/access/address";
import { LATELY } from "@/data/access/anew";
import { noteAudit } from "@/data/access/audit";
import { defineRoute, Refused } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { readArchive } from "@/data/archive/read";
import { db } from "@/data/database/connection";
import { takeIn } from "@/data/photos/intake";

/** A business of a thousand tanks with its photos. */
const ARCHIVE_BYTES = 2_000_000_000;

/** Empty where none was typed; what is no text of an address is none either. */
function passphraseOf(request: Request): string | null {
  try {
    return decodeURIComponent(request.headers.get("x-passphrase") ?? "") || null;
  } catch {
    throw new Refused(400, "bad-passphrase", "The passphrase did not arrive whole. Type it again.");
  }
}

/** Brings an archive into an empty business, once it is here whole. The passphrase of its door codes comes in a header. */
export const POST = defineRoute({
  name: "archive.import",
  roles: ["office"],
  within: LATELY,
  params: z.object({}).or(z.undefined()),
  run: async (scope, { request }) => {
    if (!request.body) throw new Refused(422, "not-whole", "The file is empty.");
    const passphrase = passphraseOf(request);
    const when = whenOf(scope);
    return takeIn(scope, request.body, { bytes: ARCHIVE_BYTES }, async (file) => {
      const counts = await readArchive(scope, file.read, passphrase, when);
      const address = addressOf(request.headers);
      await noteAudit(db(), scope, { kind: "brought-in", what: "everything, from a backup", address, at: when.now });
      return { counts };
    });
  },
});
