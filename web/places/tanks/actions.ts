"use server";

import { z } from "zod";
import { defineAction } from "@/data/access/define";
import { STAFF } from "@/data/access/scope";
import { whenOf } from "@/data/access/when";
import { QuickStartSchema, startTank } from "@/data/desk/newTank";
import { agreeToUse, archivePhoto, PhotoUseSchema } from "@/data/photos/photos";
import { PinSchema, pinJob } from "@/data/programme/pin";
import { ProgrammeSchema, saveProgramme } from "@/data/programme/save";
import { AddReadingsSchema, addReadings, CorrectReadingSchema, correctReading } from "@/data/tanks/addReadings";
import { EndTroubleSchema, endTrouble, NoteTroubleSchema, noteTrouble } from "@/data/visit/told";

/** Saves changes to a tank's programme. */
export const saveProgrammeAction = defineAction({
  name: "tanks.save-programme",
  roles: STAFF,
  input: ProgrammeSchema,
  foreign: (ids) => ({ tankId: ids.tankId, jobs: [{ code: "photo", active: false }] }),
  run: (scope, input) => saveProgramme(scope, input, whenOf(scope)),
});

/** Notes a trouble of a tank from the desk: the next visit sees to it. */
export const noteTroubleAction = defineAction({
  name: "tanks.note-trouble",
  roles: STAFF,
  input: NoteTroubleSchema,
  foreign: (ids) => ({ tankId: ids.tankId, trouble: "slime" as const }),
  run: (scope, input) => noteTrouble(scope, input, whenOf(scope)),
});

/** Says that a trouble is over, or never was. */
export const endTroubleAction = defineAction({
  name: "tanks.end-trouble",
  roles: STAFF,
  input: EndTroubleSchema,
  foreign: (ids) => ({ tankId: ids.tankId, findingId: ids.tankId }),
  run: (scope, input) => endTrouble(scope, input, whenOf(scope)),
});

/** Puts a job on a visit, or gives it back to the plan. */
export const pinJobAction = defineAction({
  name: "tanks.pin-job",
  roles: STAFF,
  input: PinSchema,
  foreign: (ids) => ({ tankId: ids.tankId, code: "photo", on: null }),
  run: (scope, input) => pinJob(scope, input, whenOf(scope)),
});

/** Makes a tank from seven answers. */
export const startTankAction = defineAction({
  name: "tanks.start",
  roles: STAFF,
  input: QuickStartSchema,
  foreign: (ids) => ({
    siteId: ids.siteId,
    name: "x",
    kind: "community" as const,
    vessel: { shape: "box" as const, lengthM: 1, widthM: 0.5, heightM: 0.5 },
    water: { id: ids.siteId },
    sump: false,
    startedOn: "2026-01-01",
  }),
  run: (scope, input) => startTank(scope, input, whenOf(scope)),
});

/** Puts a picture of a tank into the archive, or brings it back. */
export const archivePhotoAction = defineAction({
  name: "tanks.archive-photo",
  roles: STAFF,
  input: z.object({ photoId: z.uuid("Reload the sheet and try again."), archived: z.boolean() }),
  foreign: (ids) => ({ photoId: ids.photoId, archived: true }),
  run: (scope, { photoId, archived }) => archivePhoto(scope, photoId, archived, whenOf(scope).now),
});

/** Keeps who agreed that a picture is shown to others. */
export const photoUseAction = defineAction({
  name: "tanks.photo-use",
  roles: STAFF,
  input: PhotoUseSchema,
  foreign: (ids) => ({ photoId: ids.photoId, by: "x" }),
  run: (scope, input) => agreeToUse(scope, input, whenOf(scope).today),
});

/** Adds readings that were taken outside of a visit. */
export const addReadingsAction = defineAction({
  name: "tanks.add-readings",
  roles: STAFF,
  input: AddReadingsSchema,
  foreign: (ids) => ({
    tankId: ids.tankId,
    on: "2026-01-01",
    minute: 600,
    readings: [{ parameter: "nitrate" as const, text: "20", unit: "mg/L", method: "liquid kit" }],
  }),
  run: (scope, input) => addReadings(scope, input, whenOf(scope)),
});

/** Corrects a reading that was entered outside of a visit, or takes it back. */
export const correctReadingAction = defineAction({
  name: "tanks.correct-reading",
  roles: STAFF,
  input: CorrectReadingSchema,
  foreign: (ids) => ({ readingId: ids.tankId, really: null, why: "x" }),
  run: (scope, input) => correctReading(scope, input, whenOf(scope)),
});
