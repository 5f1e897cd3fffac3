import { PHOTO_SPOTS } from "@keel-round/core/visit";
import { z } from "zod";
import { readBytes } from "@/data/access/body";
import { defineRoute, Refused } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { addPhoto } from "@/data/photos/photos";
import { PHOTO_LIMITS } from "@/data/photos/reencode";

/** What the address says of a picture. A phone gives it an id, so that it is kept once; the desk gives only a note. */
const SaidSchema = z.object({
  note: z.string().max(2000).default(""),
  id: z.uuid().optional(),
  visit: z.uuid().optional(),
  spot: z.enum(PHOTO_SPOTS).default("tank"),
  spotId: z.string().max(80).default(""),
  day: z.iso.date().optional(),
  /** Who took it: on a shared phone it waits for them. */
  person: z.uuid().optional(),
});

/** Takes a picture of a tank in: the body is the file, what it shows stands in the address. */
export const POST = defineRoute({
  name: "photos.add",
  roles: STAFF,
  params: z.object({ tankId: z.uuid() }),
  foreign: (ids) => ({ params: { tankId: ids.tankId } }),
  run: async (scope, { params, request }) => {
    const { now, today } = whenOf(scope);
    const said = SaidSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
    if (!said.success) throw new Refused(422, "malformed", "What the address says of this picture is not understood.");
    const { note, id, visit, spot, spotId, day, person } = said.data;
    if (person && person !== scope.personId)
      throw new Refused(409, "other-person", "Somebody else took this picture: it waits until they sign in.");
    const bytes = await readBytes(request, PHOTO_LIMITS.bytes, "A picture");
    const onDate = day && day <= today ? day : today;
    return addPhoto(
      scope,
      params.tankId,
      { bytes, note, onDate, id, visitId: visit, spot: { kind: spot, id: spotId } },
      now,
    );
  },
});
