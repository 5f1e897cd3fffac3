import { z } from "zod";
import { defineRoute } from "@/data/define";
import { find } from "@/data/find/find";
import { STAFF } from "@/data/scope";
import { whenOf } from "@/data/when";

/** Finds anything of the business by words. */
export const GET = defineRoute({
  name: "find",
  roles: [...STAFF, "owner"],
  params: z.object({}).or(z.undefined()),
  run: async (scope, { request }) => {
    const q = new URL(request.url).searchParams.get("q") ?? "";
    return { hits: await find(scope, q.slice(0, 120), whenOf(scope).today) };
  },
});
