import { afterAll } from "vitest";
import { closeDatabase } from "@/data/database/connection";
import { databaseOf } from "./workers.ts";
import { forgetDemo } from "./world.ts";

// Each worker has a database of its own: files that run at once wait for no lock of each other.
const worker = process.env.VITEST_POOL_ID ?? "1";
const own = {
  DATABASE_URL: (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, databaseOf(worker)),
  PHOTO_FOLDER: process.env.PHOTO_FOLDER,
};
Object.assign(process.env, own);

// The files of a worker share what they load, and no data: each opens the database anew, and a demo of its own.
afterAll(async () => {
  await closeDatabase();
  forgetDemo();
  Object.assign(process.env, own);
});
