import { z } from "zod";
import { defineRoute, Refused } from "@/data/define";
import { addPhoto, PHOTO_LIMITS } from "@/data/photos/photos";
import { whenOf } from "@/data/when";

/** Takes a picture of a tank in: the body is the file, the note stands in the address. */
export const POST = defineRoute({
  name: "photos.add",
  roles: ["office", "technician"],
  params: z.object({ tankId: z.uuid() }),
  foreign: (ids) => ({ params: { tankId: ids.tankId } }),
  run: async (scope, { params, request }) => {
    const { now, today } = whenOf(scope);
    const length = Number(request.headers.get("content-length") ?? 0);
    if (length > PHOTO_LIMITS.bytes)
      throw new Refused(413, "too-large", `A picture may have ${PHOTO_LIMITS.bytes / 1_000_000} MB.`);
    const note = new URL(request.url).searchParams.get("note") ?? "";
    return addPhoto(
      scope,
      params.tankId,
      { bytes: new Uint8Array(await request.arrayBuffer()), note, onDate: today },
      now,
    );
  },
});
