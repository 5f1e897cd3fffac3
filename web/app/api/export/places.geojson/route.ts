import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { sitesAsGeoJson } from "@/data/transfer/places";

/** The sites as GeoJSON. */
export const GET = defineRoute({
  name: "files.geojson",
  roles: ["office"],
  params: z.object({}).or(z.undefined()),
  takesOut: () => "sites as places on a map",
  run: async (scope) =>
    new Response(JSON.stringify(await sitesAsGeoJson(scope)), {
      headers: {
        "content-type": "application/geo+json",
        "content-disposition": 'attachment; filename="sites.geojson"',
        "cache-control": "no-store",
      },
    }),
});
