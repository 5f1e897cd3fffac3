"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { AskReportsSchema, askReports, cancelReports } from "@/data/reports/runs";

/** Asks for the reports of a period. */
export const askReportsAction = defineAction({
  name: "reports.ask",
  roles: ["office"],
  input: AskReportsSchema,
  run: (scope, input) => askReports(scope, input, whenOf(scope)),
});

/** Stops what makes reports. */
export const cancelReportsAction = defineAction({
  name: "reports.cancel",
  roles: ["office"],
  input: z.object({ runId: z.uuid("Reload the page and try again.") }),
  foreign: (ids) => ({ runId: ids.runId }),
  run: (scope, { runId }) => cancelReports(scope, runId),
});
