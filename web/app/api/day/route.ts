import { isCivilDate } from "@keel-round/core/calendar";
import { z } from "zod";
import { dayBundles } from "@/data/bundles";
import { defineRoute, Refused } from "@/data/define";

/** The bundles of the asker's own day. */
export const GET = defineRoute({
  name: "day.bundles",
  roles: ["technician"],
  params: z.unknown(),
  run: async (scope, { request }) => {
    const day = new URL(request.url).searchParams.get("day") ?? "";
    if (!isCivilDate(day)) throw new Refused(422, "no-such-day", `There is no day “${day}”.`);
    return { personId: scope.personId, bundles: await dayBundles(scope, day) };
  },
});
