import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { ProveSchema, proveAnew } from "@/data/access/prove";
import { STAFF } from "@/data/access/scope";

/** Whoever sits there shows anew who they are: password, and code where they have an app. */
export const POST = defineRoute({
  name: "me.prove",
  roles: [...STAFF, "tankOwner"],
  beforeSecondFactor: true,
  params: z.object({}).nullish(),
  body: ProveSchema,
  maxBytes: 4096,
  run: async (_scope, { body, request }) => {
    await proveAnew(request.headers, body, new Date());
    return {};
  },
});
