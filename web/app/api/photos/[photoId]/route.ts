import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { photoFile } from "@/data/photos/photos";

/** A picture, by its row: small with `?small`, smaller with `?strip`, else as it is kept. */
export const GET = defineRoute({
  name: "photos.file",
  roles: [...STAFF, "tankOwner"],
  params: z.object({ photoId: z.uuid() }),
  foreign: (ids) => ({ params: { photoId: ids.photoId } }),
  run: async (scope, { params, request }) => {
    const asked = new URL(request.url).searchParams;
    const size = asked.has("strip") ? "strip" : asked.has("small") ? "small" : "kept";
    const bytes = await photoFile(scope, params.photoId, size);
    return new Response(new Uint8Array(bytes), {
      headers: {
        "content-type": "image/jpeg",
        // A file never changes under its id; another person on the same device signs in anew and asks again.
        "cache-control": "private, max-age=3600",
        "x-content-type-options": "nosniff",
      },
    });
  },
});
