"use server";

import { FirmSchema, type Values } from "@keel-round/core/desk";
import { changeSchema, EntitySchema } from "@keel-round/core/desk/schema";
import { z } from "zod";
import { LATELY, TODAY } from "@/data/access/anew";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { tryAgain } from "@/data/background/jobs";
import { AnimalEventSchema, recordAnimalEvent } from "@/data/desk/animals";
import { lookAtCodes, setCodes } from "@/data/desk/codes";
import {
  bulkChange,
  changeRecord,
  createRecord,
  restoreField,
  type SaveResult,
  setArchived,
  undoBatch,
} from "@/data/desk/records";
import { saveFirm } from "@/data/firm/firm";
import {
  HolidayDaysSchema,
  HolidaysSchema,
  importHolidays,
  previewHolidays,
  removeHolidays,
} from "@/data/firm/holidays";
import { MapSchema, saveMap } from "@/data/firm/map";
import { MarkSchema, saveMark } from "@/data/firm/mark";
import { saveVoice, VoiceSchema } from "@/data/firm/voice";
import { saveWeights, WeightsSchema } from "@/data/firm/weights";
import { eraseContacts } from "@/data/privacy/erase";

const id = z.uuid("Reload the page and try again.");
/** Values by field; each is checked against its entity's schema where it is written. */
const values = z.record(z.string().max(80), z.unknown()) as unknown as z.ZodType<Values>;

/** Makes or changes a record of the desk. */
export const saveRecordAction = defineAction({
  name: "desk.save",
  roles: STAFF,
  input: z.object({
    entity: EntitySchema,
    id: id.nullable(),
    version: z.number().int(),
    values,
    confirmed: z.array(z.string().max(80)).max(200),
  }),
  foreign: (found) => ({
    entity: "site" as const,
    id: found.siteId,
    version: 1,
    values: { name: "x" },
    confirmed: [],
  }),
  run: async (scope, input): Promise<SaveResult> => {
    const when = whenOf(scope);
    if (input.id !== null) return changeRecord(scope, input.entity, { ...input, id: input.id }, when);
    return { kind: "saved", version: 1, ...(await createRecord(scope, input.entity, input.values, when)) };
  },
});

/** Tries stuck work again. */
export const tryAgainAction = defineAction({
  name: "desk.try-again",
  roles: ["office"],
  input: z.object({ jobId: id }),
  foreign: (found) => ({ jobId: found.jobId }),
  run: (scope, input) => tryAgain(scope, input.jobId),
});

/** Puts a record into the archive or brings it back. */
export const archiveAction = defineAction({
  name: "desk.archive",
  roles: STAFF,
  input: z.object({ entity: EntitySchema, id, archived: z.boolean() }),
  foreign: (found) => ({ entity: "tank" as const, id: found.tankId, archived: true }),
  run: (scope, input) => setArchived(scope, input.entity, input.id, input.archived, whenOf(scope)),
});

/** Sets the same fields of several records. */
export const bulkAction = defineAction({
  name: "desk.bulk",
  roles: STAFF,
  input: z
    .object({ entity: EntitySchema, ids: z.array(id).min(1, "Choose at least one.").max(500), values })
    .refine(({ entity, values: v }) => changeSchema(entity).safeParse(v).success, {
      path: ["values"],
      message: "This value does not fit the field.",
    }),
  foreign: (found) => ({ entity: "site" as const, ids: [found.siteId], values: { pets: "x" } }),
  run: (scope, input) => bulkChange(scope, input.entity, input.ids, input.values, whenOf(scope)),
});

/** Sets one field back to what it was before a change. */
export const restoreAction = defineAction({
  name: "desk.restore",
  roles: STAFF,
  input: z.object({ changeId: id }),
  foreign: (found) => ({ changeId: found.changeId }),
  run: (scope, input) => restoreField(scope, input.changeId, whenOf(scope)),
});

/** Takes back one save, bulk edit or import as a whole. */
export const undoAction = defineAction({
  name: "desk.undo",
  roles: STAFF,
  input: z.object({ batchId: id }),
  foreign: (found) => ({ batchId: found.batchId }),
  run: (scope, input) => undoBatch(scope, input.batchId, whenOf(scope)),
});

/** Shows the codes of a site, and writes the look down. */
export const lookAction = defineAction({
  name: "desk.look",
  roles: STAFF,
  within: TODAY,
  input: z.object({ siteId: id }),
  foreign: (found) => ({ siteId: found.siteId }),
  run: (scope, input) => lookAtCodes(scope, input.siteId, whenOf(scope)),
});

/** Sets the codes of a site. */
export const setCodesAction = defineAction({
  name: "desk.set-codes",
  roles: ["office"],
  within: TODAY,
  input: z.object({ siteId: id, codes: z.string().max(400, "At most 400 characters.") }),
  foreign: (found) => ({ siteId: found.siteId, codes: "x" }),
  run: (scope, input) => setCodes(scope, input.siteId, input.codes, whenOf(scope)),
});

/** Writes what happened to a group of animals. */
export const animalEventAction = defineAction({
  name: "desk.animal-event",
  roles: STAFF,
  input: AnimalEventSchema,
  foreign: (found) => ({
    animalId: found.animalId,
    kind: "added" as const,
    number: 1,
    onDate: "2026-01-01",
    ...{ cause: "", remedy: "" },
  }),
  run: (scope, input) => recordAnimalEvent(scope, input, whenOf(scope)),
});

/** Sets the firm's mark above its letters, or takes it away. */
export const saveMarkAction = defineAction({
  name: "desk.mark",
  roles: ["office"],
  input: MarkSchema,
  run: (scope, input) => saveMark(scope, input, whenOf(scope)),
});

/** Sets the firm's map, or takes it away. */
export const saveMapAction = defineAction({
  name: "desk.map",
  roles: ["office"],
  input: MapSchema,
  run: (scope, input) => saveMap(scope, input, whenOf(scope)),
});

/** Sets what a settled round is weighed by. */
export const saveWeightsAction = defineAction({
  name: "desk.weights",
  roles: ["office"],
  input: WeightsSchema,
  run: (scope, weights) => saveWeights(scope, weights, whenOf(scope)),
});

/** Reads a calendar file's public holidays, and keeps nothing of it. */
export const previewHolidaysAction = defineAction({
  name: "desk.holidays-read",
  roles: ["office"],
  input: HolidaysSchema,
  run: (scope, input) => previewHolidays(scope, input, whenOf(scope)),
});

/** Adds a calendar file's public holidays. */
export const importHolidaysAction = defineAction({
  name: "desk.holidays-add",
  roles: ["office"],
  input: HolidaysSchema,
  run: (scope, input) => importHolidays(scope, input, whenOf(scope)),
});

/** Takes days off the public holidays. */
export const removeHolidaysAction = defineAction({
  name: "desk.holidays-remove",
  roles: ["office"],
  input: HolidayDaysSchema,
  run: (scope, input) => removeHolidays(scope, input, whenOf(scope)),
});

/** Saves the firm's own facts and its limits. */
export const saveFirmAction = defineAction({
  name: "desk.firm",
  roles: ["office"],
  input: FirmSchema,
  run: (scope, firm) => saveFirm(scope, firm, whenOf(scope).now),
});

/** Sets how letters speak and when they leave. */
export const saveVoiceAction = defineAction({
  name: "desk.voice",
  roles: ["office"],
  input: VoiceSchema,
  run: (scope, voice) => saveVoice(scope, voice, whenOf(scope)),
});

/** Erases who is behind a client. */
export const eraseContactsAction = defineAction({
  name: "desk.erase-contacts",
  roles: ["office"],
  within: LATELY,
  input: z.object({ clientId: id }),
  foreign: (found) => ({ clientId: found.personId }),
  run: (scope, input) => eraseContacts(scope, input.clientId, whenOf(scope)),
});
