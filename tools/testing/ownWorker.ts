import { afterAll } from "vitest";
import { closeDatabase } from "@/data/database/connection";
import { databaseOf } from "./workers.ts";
import { forgetDemo } from "./world.ts";

// Each worker has a database of its own: files that run at once wait for no lock of each other.
const worker = process.env.VITEST_POOL_ID ?? "1";
process.env.DATABASE_URL = (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, databaseOf(worker));
const before = { ...process.env };

// The files of a worker share what they load, and no data: each opens the database anew, and a demo of its own.
afterAll(async () => {
  await closeDatabase();
  forgetDemo();
  for (const name of Object.keys(process.env)) if (!(name in before)) delete process.env[name];
  Object.assign(process.env, before);
});
