import { databaseOf } from "./workers.ts";

// Each worker has a database of its own: files that run at once wait for no lock of each other.
const worker = process.env.VITEST_POOL_ID ?? "1";
process.env.DATABASE_URL = (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, databaseOf(worker));
