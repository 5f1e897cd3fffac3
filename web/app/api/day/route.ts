import { isCivilDate } from "@keel-round/core/calendar";
import { z } from "zod";
import { dayBundles } from "@/data/bundles";
import { defineRoute, Refused } from "@/data/define";
import { STAFF } from "@/data/scope";

/** The bundles of the asker's own day: whoever drives, also the office of a firm of one. */
export const GET = defineRoute({
  name: "day.bundles",
  roles: STAFF,
  params: z.unknown(),
  run: async (scope, { request }) => {
    const day = new URL(request.url).searchParams.get("day") ?? "";
    if (!isCivilDate(day)) throw new Refused(422, "no-such-day", `There is no day “${day}”.`);
    return { personId: scope.personId, bundles: await dayBundles(scope, day) };
  },
});
