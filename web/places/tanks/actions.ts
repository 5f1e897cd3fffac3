"use server";

import { z } from "zod";
import { QuickStartSchema, startTank } from "@/data/book/newTank";
import { defineAction } from "@/data/define";
import { archivePhoto } from "@/data/photos/photos";
import { saveTankJobs, TankJobsSchema } from "@/data/tanks";
import { whenOf } from "@/data/when";

/** Puts jobs into a tank's programme or lets them rest. */
export const saveJobsAction = defineAction({
  name: "tanks.save-jobs",
  roles: ["office", "technician"],
  input: TankJobsSchema,
  foreign: (ids) => ({ tankId: ids.tankId, jobs: [] }),
  run: (scope, input) => {
    const { now, today } = whenOf(scope);
    return saveTankJobs(scope, input, today, now);
  },
});

/** Makes a tank from seven answers. */
export const startTankAction = defineAction({
  name: "tanks.start",
  roles: ["office", "technician"],
  input: QuickStartSchema,
  foreign: (ids) => ({
    siteId: ids.siteId,
    name: "x",
    kind: "community" as const,
    vessel: { shape: "box" as const, lengthM: 1, widthM: 0.5, heightM: 0.5 },
    sourceId: ids.siteId,
    sump: false,
    startedOn: "2026-01-01",
  }),
  run: (scope, input) => startTank(scope, input, whenOf(scope)),
});

/** Puts a picture of a tank into the archive, or brings it back. */
export const archivePhotoAction = defineAction({
  name: "tanks.archive-photo",
  roles: ["office", "technician"],
  input: z.object({ photoId: z.uuid("Reload the sheet and try again."), archived: z.boolean() }),
  foreign: (ids) => ({ photoId: ids.photoId, archived: true }),
  run: (scope, { photoId, archived }) => archivePhoto(scope, photoId, archived, whenOf(scope).now),
});
