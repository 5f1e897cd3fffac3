"use server";

import { headers } from "next/headers";
import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { endOthers, endSession } from "@/data/access/sessions";
import { saveUnits, UnitsSchema } from "@/data/access/units";

/** Sets the units of the person who asks. */
export const saveUnitsAction = defineAction({
  name: "me.units",
  roles: [...STAFF, "tankOwner"],
  input: UnitsSchema,
  run: saveUnits,
});

/** Ends one of the person's own sign-ins. */
export const endSessionAction = defineAction({
  name: "me.end-session",
  roles: [...STAFF, "tankOwner"],
  input: z.object({ sessionId: z.uuid("Reload the page and try again.") }),
  foreign: (ids) => ({ sessionId: ids.personId }),
  run: (scope, { sessionId }) => endSession(scope, sessionId),
});

/** Ends every other sign-in of the person. */
export const endOthersAction = defineAction({
  name: "me.end-others",
  roles: [...STAFF, "tankOwner"],
  input: z.object({}),
  run: async (scope) => endOthers(scope, await headers()),
});
