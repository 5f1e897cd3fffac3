import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { find } from "@/data/find/find";

/** Finds anything of the business by words. */
export const GET = defineRoute({
  name: "find",
  roles: [...STAFF, "tankOwner"],
  params: z.object({}).or(z.undefined()),
  run: async (scope, { request }) => {
    const q = new URL(request.url).searchParams.get("q") ?? "";
    return { hits: await find(scope, q.slice(0, 120), whenOf(scope).today) };
  },
});
