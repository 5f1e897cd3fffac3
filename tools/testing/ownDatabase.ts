import mysql from "mysql2/promise";
import { migrateDatabase } from "../../web/data/database/migrate.ts";

/** A database for one file of tests alone, for what looks at the rows of every business. Called before anything is asked of the database. */
export async function ownDatabase(name: string): Promise<void> {
  const shared = process.env.DATABASE_URL ?? "";
  const admin = await mysql.createConnection(shared);
  await admin.query(`create database \`${name}\``);
  await admin.end();
  const url = shared.replace(/[^/]+$/, name);
  await migrateDatabase(url, new URL("../../web/data/database/migrations", import.meta.url).pathname);
  process.env.DATABASE_URL = url;
}
