import { drizzle, type MySql2Database } from "drizzle-orm/mysql2";
import mysql from "mysql2/promise";

/** The address of the database, given by whoever starts the process. */
function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL is not set. Start the application with `npm run demo`.");
  return url;
}

export function openPool(url = databaseUrl(), connectionLimit = 10): mysql.Pool {
  return mysql.createPool({ uri: url, timezone: "Z", connectionLimit });
}

export type Database = MySql2Database<Record<string, never>>;

// One pool a process, made at the first query so that a build needs no database.
let database: Database | undefined;

/** The database of this process. */
export function db(): Database {
  database ??= drizzle(openPool());
  return database;
}
