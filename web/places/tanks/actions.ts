"use server";

import { civilOf } from "@keel-round/core/calendar";
import { kindFacts } from "@keel-round/core/tank";
import { defineAction } from "@/data/define";
import { saveTankSettings, TankSettingsSchema } from "@/data/tanks";

/** Saves a tank's schools, level, sump and jobs. */
export const saveTankAction = defineAction({
  name: "tanks.save-settings",
  roles: ["office", "technician"],
  input: TankSettingsSchema,
  foreign: (ids) => ({
    tankId: ids.tankId,
    version: 1,
    schools: kindFacts.community.schools,
    runningLevelCm: 40,
    hasSump: false,
    jobs: [],
  }),
  run: (scope, input) => {
    const now = new Date();
    return saveTankSettings(scope, input, civilOf(now.getTime(), scope.zone).date, now);
  },
});
