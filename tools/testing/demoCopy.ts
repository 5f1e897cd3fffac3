import { cpSync, existsSync } from "node:fs";
import { join } from "node:path";
import mysql from "mysql2/promise";

/** The database that holds the demo as it was loaded once for all files of tests; nobody writes into it. */
export const TEMPLATE = "demo_template";

/** Tables copied at once: each waits mostly for the disk. */
const AT_ONCE = 8;

/**
 * A database of its own for one file of tests, with the demo as it was loaded. Called before anything is asked of the database:
 * its pool is opened at the first query.
 *
 * @param name Of the database, and of the folder of its pictures.
 */
export async function copyDemo(name: string): Promise<void> {
  const shared = process.env.DATABASE_URL ?? "";
  const url = shared.replace(/[^/]+$/, name);
  await copyDatabase(shared, name);
  const pictures = process.env.PHOTO_FOLDER ?? "";
  const own = join(pictures, "..", name);
  if (existsSync(pictures)) cpSync(pictures, own, { recursive: true });
  process.env.DATABASE_URL = url;
  process.env.PHOTO_FOLDER = own;
}

/**
 * Makes a database with the demo as it was loaded into the template.
 *
 * @param shared Address of any database of the same server.
 */
export async function copyDatabase(shared: string, name: string): Promise<void> {
  const url = shared.replace(/[^/]+$/, name);
  const admin = await mysql.createConnection(shared);
  await admin.query(`create database \`${name}\``);
  const [tables] = await admin.query<mysql.RowDataPacket[]>(
    "select table_name as name from information_schema.tables where table_schema = ?",
    [TEMPLATE],
  );
  const pool = mysql.createPool({ uri: url, connectionLimit: AT_ONCE });
  const names = tables.map((t) => String(t.name));
  const next = async (): Promise<void> => {
    const table = names.pop();
    if (table === undefined) return;
    await copyTable(pool, table);
    return next();
  };
  await Promise.all(Array.from({ length: AT_ONCE }, next));
  await Promise.all([pool.end(), admin.end()]);
}

/** Takes a database away that was copied in part. */
export async function dropDatabase(shared: string, name: string): Promise<void> {
  const admin = await mysql.createConnection(shared);
  await admin.query(`drop database if exists \`${name}\``);
  await admin.end();
}

/** A table with its keys, its ties to tables that may not be there yet, and its rows. */
async function copyTable(pool: mysql.Pool, table: string): Promise<void> {
  const connection = await pool.getConnection();
  try {
    await connection.query("set foreign_key_checks = 0");
    const [[made]] = await connection.query<mysql.RowDataPacket[]>(`show create table \`${TEMPLATE}\`.\`${table}\``);
    await connection.query(String(made?.["Create Table"]));
    await connection.query(`insert into \`${table}\` select * from \`${TEMPLATE}\`.\`${table}\``);
  } finally {
    connection.release();
  }
}
