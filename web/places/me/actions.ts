"use server";

import { defineAction } from "@/data/define";
import { saveUnits, UnitsSchema } from "@/data/people";

/** Sets the units of the person who asks. */
export const saveUnitsAction = defineAction({
  name: "me.units",
  roles: ["office", "technician", "owner"],
  input: UnitsSchema,
  run: saveUnits,
});
