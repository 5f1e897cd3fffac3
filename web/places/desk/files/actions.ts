"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { whenOf } from "@/data/access/when";
import { undoArchive } from "@/data/archive/undo";
import { applyImport, cancelImport, checkImport, mendCell, undoImport } from "@/data/transfer/imports";

const OFFICE = ["office"] as const;
const id = z.uuid("Reload the page and try again.");

/** Sets what the columns mean and asks for every row to be checked. */
export const checkImportAction = defineAction({
  name: "files.check",
  roles: OFFICE,
  input: z.object({
    id,
    meanings: z.array(z.object({ key: z.string().max(80).nullable(), unit: z.string().max(20).nullable() })).max(200),
    style: z.object({ decimal: z.enum([".", ","]), dateOrder: z.enum(["ymd", "dmy", "mdy"]).nullable() }),
    zone: z
      .string()
      .max(60)
      .refine((zone) => Intl.supportedValuesOf("timeZone").includes(zone) || zone === "UTC", "This is no time zone.")
      .nullable(),
    sample: z
      .object({
        tankId: z.uuid().nullable(),
        method: z.string().max(40).nullable(),
        names: z.record(z.string().max(200), z.uuid()).refine((names) => Object.keys(names).length <= 500),
      })
      .nullish(),
  }),
  foreign: (found) => ({
    id: found.importId,
    meanings: [],
    style: { decimal: "." as const, dateOrder: null },
    zone: null,
    sample: null,
  }),
  run: (scope, { id: importId, sample = null, ...how }) => checkImport(scope, importId, { ...how, sample }),
});

/** Asks for a checked file to be published. */
export const applyImportAction = defineAction({
  name: "files.apply",
  roles: OFFICE,
  input: z.object({ id, leaveOutErrors: z.boolean() }),
  foreign: (found) => ({ id: found.importId, leaveOutErrors: true }),
  run: (scope, input) => applyImport(scope, input.id, input.leaveOutErrors),
});

/** Asks what is at work on a file to stop. */
export const cancelImportAction = defineAction({
  name: "files.cancel",
  roles: OFFICE,
  input: z.object({ id }),
  foreign: (found) => ({ id: found.importId }),
  run: (scope, input) => cancelImport(scope, input.id),
});

/** Sets a cell of one row, or of every row that says the same. */
export const mendCellAction = defineAction({
  name: "files.mend",
  roles: OFFICE,
  input: z.object({
    id,
    rowNo: z.number().int().positive(),
    column: z.number().int().min(0),
    text: z.string().max(2000, "At most 2000 characters."),
    everywhere: z.boolean(),
  }),
  foreign: (found) => ({ id: found.importId, rowNo: 1, column: 0, text: "x", everywhere: false }),
  run: async (scope, { id: importId, ...cell }) => ({ rows: await mendCell(scope, importId, cell) }),
});

/** Takes a published file back as one step. */
export const undoImportAction = defineAction({
  name: "files.undo",
  roles: OFFICE,
  input: z.object({ id }),
  foreign: (found) => ({ id: found.importId }),
  run: (scope, input) => undoImport(scope, input.id, whenOf(scope)),
});

/** Takes an archive that was brought in back, as long as nobody worked on it since. */
export const undoArchiveAction = defineAction({
  name: "archive.undo",
  roles: OFFICE,
  input: z.object({ id }),
  foreign: (found) => ({ id: found.importId }),
  run: (scope, input) => undoArchive(scope, input.id, whenOf(scope)),
});
