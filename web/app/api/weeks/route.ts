import { z } from "zod";
import { defineRoute } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { roundVersion } from "@/data/round/weeks";

/** Which state the round is in: whoever shows it asks every few seconds whether somebody else has changed it. */
export const GET = defineRoute({
  name: "weeks.version",
  roles: STAFF,
  params: z.object({}).or(z.undefined()),
  run: async (scope) => ({ version: await roundVersion(scope) }),
});
