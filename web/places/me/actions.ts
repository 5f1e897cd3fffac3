"use server";

import { headers } from "next/headers";
import { z } from "zod";
import { endOthers, endSession } from "@/data/access/sessions";
import { defineAction } from "@/data/define";
import { saveUnits, UnitsSchema } from "@/data/people";
import { STAFF } from "@/data/scope";

/** Sets the units of the person who asks. */
export const saveUnitsAction = defineAction({
  name: "me.units",
  roles: [...STAFF, "owner"],
  input: UnitsSchema,
  run: saveUnits,
});

/** Ends one of the person's own sign-ins. */
export const endSessionAction = defineAction({
  name: "me.end-session",
  roles: [...STAFF, "owner"],
  input: z.object({ sessionId: z.uuid("Reload the page and try again.") }),
  foreign: (ids) => ({ sessionId: ids.personId }),
  run: (scope, { sessionId }) => endSession(scope, sessionId),
});

/** Ends every other sign-in of the person. */
export const endOthersAction = defineAction({
  name: "me.end-others",
  roles: [...STAFF, "owner"],
  input: z.object({}),
  run: async (scope) => endOthers(scope, await headers()),
});
