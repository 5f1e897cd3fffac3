import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import mysql from "mysql2/promise";
import { startDatabase } from "../lib/database.mjs";
import { TEMPLATE } from "./demoCopy.ts";
import { loadTemplate } from "./loadTemplate.ts";
import { databaseOf, WORKERS } from "./workers.ts";

const SECRET = "a-secret-for-tests-only-0123456789abcdef";

/** A real MariaDB of its own for the tests that need one, with a database for each worker, gone when they end. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), "keel-test-"));
  const database = await startDatabase(folder, { keep: false });
  process.env.DATABASE_URL = database.url(databaseOf(1));
  process.env.BETTER_AUTH_SECRET = SECRET;
  process.env.BETTER_AUTH_URL = "http://localhost:4690";
  process.env.PHOTO_FOLDER = join(folder, "photos");
  const { migrateDatabase } = await import("../../web/data/database/migrate.ts");
  const migrations = new URL("../../web/data/database/migrations", import.meta.url).pathname;
  const admin = await mysql.createConnection(database.url(""));
  for (let worker = 1; worker <= WORKERS; worker++) {
    await admin.query(`create database ${databaseOf(worker)}`);
    await migrateDatabase(database.url(databaseOf(worker)), migrations);
  }
  await admin.end();
  await loadTemplate(database.url(TEMPLATE), process.env.PHOTO_FOLDER);
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
