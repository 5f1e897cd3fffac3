import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { clientsAsVCards } from "@/data/transfer/places";

/** The clients as vCards. */
export const GET = defineRoute({
  name: "files.vcards",
  roles: ["office"],
  params: z.object({}).or(z.undefined()),
  takesOut: () => "contacts as cards",
  run: async (scope) =>
    new Response(await clientsAsVCards(scope), {
      headers: {
        "content-type": "text/vcard; charset=utf-8",
        "content-disposition": 'attachment; filename="clients.vcf"',
        "cache-control": "no-store",
      },
    }),
});
