import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import mysql from "mysql2/promise";
import { startDatabase } from "../lib/database.mjs";

const SECRET = "a-secret-for-tests-only-0123456789abcdef";

/** A real MariaDB of its own for the tests that need one, gone when they end. */
export default async function setup(): Promise<() => Promise<void>> {
  const folder = mkdtempSync(join(tmpdir(), "keel-test-"));
  const database = await startDatabase(folder, { keep: false });
  const admin = await mysql.createConnection(database.url(""));
  await admin.query("create database vitest");
  await admin.end();
  process.env.DATABASE_URL = database.url("vitest");
  process.env.BETTER_AUTH_SECRET = SECRET;
  process.env.BETTER_AUTH_URL = "http://localhost:4690";
  process.env.PHOTO_FOLDER = join(folder, "photos");
  const { migrateDatabase } = await import("../../web/data/migrate.ts");
  const migrations = new URL("../../web/data/migrations", import.meta.url).pathname;
  await migrateDatabase(database.url("vitest"), migrations);
  return async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
}
