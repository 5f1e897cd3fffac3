import { z } from "zod";
import { readBytes } from "@/data/body";
import { defineRoute } from "@/data/define";
import { addPhoto } from "@/data/photos/photos";
import { PHOTO_LIMITS } from "@/data/photos/reencode";
import { STAFF } from "@/data/scope";
import { whenOf } from "@/data/when";

/** Takes a picture of a tank in: the body is the file, the note stands in the address. */
export const POST = defineRoute({
  name: "photos.add",
  roles: STAFF,
  params: z.object({ tankId: z.uuid() }),
  foreign: (ids) => ({ params: { tankId: ids.tankId } }),
  run: async (scope, { params, request }) => {
    const { now, today } = whenOf(scope);
    const note = new URL(request.url).searchParams.get("note") ?? "";
    return addPhoto(
      scope,
      params.tankId,
      { bytes: await readBytes(request, PHOTO_LIMITS.bytes, "A picture"), note, onDate: today },
      now,
    );
  },
});
