import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { firstTankOf } from "@/data/owner/page";
import { plainAnswer, seeOther } from "@/places/owner/headers";

/** Leads an owner to their page. */
export const GET = defineRoute({
  name: "owner.home",
  roles: ["tankOwner"],
  params: z.object({}).nullish(),
  run: async (scope) => {
    const tankId = await firstTankOf(scope);
    return tankId ? seeOther(`/owner/${tankId}`) : plainAnswer(200, "No tank of yours is looked after yet.");
  },
  refused: ({ status, message }) =>
    status === 401 ? seeOther("/sign-in") : status === 404 ? seeOther("/round") : plainAnswer(status, message),
});
