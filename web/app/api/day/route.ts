import { isCivilDate } from "@keel-round/core/calendar";
import { z } from "zod";
import { defineRoute, Refused } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { dayBundles } from "@/data/visit/bundles";

/** The asker's own day with the bundles of its visits: whoever drives, also the office of a firm of one. */
export const GET = defineRoute({
  name: "day.bundles",
  roles: STAFF,
  params: z.unknown(),
  run: async (scope, { request }) => {
    const day = new URL(request.url).searchParams.get("day") ?? "";
    if (!isCivilDate(day)) throw new Refused(422, "no-such-day", `There is no day “${day}”.`);
    return { personId: scope.personId, ...(await dayBundles(scope, day)) };
  },
});
