import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { dropRing, RingSchema, setRing } from "@/data/push/push";

/** Has the asker's browsers rung when a clock ends. */
export const POST = defineRoute({
  name: "rings.set",
  roles: STAFF,
  params: z.unknown(),
  body: RingSchema,
  foreign: (ids) => ({
    params: undefined,
    body: { id: "x", label: "Drain", tank: "", visitId: ids.visitId, endsAt: new Date().toISOString() },
  }),
  run: async (scope, { body }) => {
    await setRing(scope, body, new Date());
    return {};
  },
});

/** A clock was stopped. */
export const DELETE = defineRoute({
  name: "rings.drop",
  roles: STAFF,
  params: z.unknown(),
  body: z.object({ id: RingSchema.shape.id }),
  run: async (scope, { body }) => {
    await dropRing(scope, body.id);
    return {};
  },
});
