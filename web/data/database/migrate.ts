import { randomUUID } from "node:crypto";
import { readMigrationFiles } from "drizzle-orm/migrator";
import type { ResultSetHeader, RowDataPacket } from "mysql2";
import type { Pool } from "mysql2/promise";
import { openPool } from "./connection";
import { driverError } from "./transaction";

/** Whoever migrates says so this often; one that has not for so long has ended. By the database's clock. */
const LEASE_SECONDS = 15;
const BEAT_MS = 4_000;
const WAIT_MS = 200;
/** Whoever waits longer than this is told for what. */
const QUIET_MS = 1_500;

/** A statement that was carried out already: its table, column, key or reference is there, or gone. */
const DONE_BEFORE = new Set([1050, 1060, 1061, 1091, 1826]);

/**
 * Brings the database to the newest schema.
 *
 * Processes that start together take turns by a lease row, which also holds on a cluster, where named locks do not. How far a
 * migration has come is kept statement by statement: a process that ends in the middle of one is gone on from by the next.
 */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const pool = openPool(url, 3);
  const owner = randomUUID();
  let beat: NodeJS.Timeout | undefined;
  try {
    await pool.query(
      "create table if not exists lease (name varchar(60) primary key, owner varchar(64) not null, until datetime(3) not null)",
    );
    await pool.query("insert ignore into lease values ('migrate', '', '2000-01-01')");
    await takeTurn(pool, owner);
    beat = setInterval(() => {
      pool
        .query("update lease set until = utc_timestamp(3) + interval ? second where name = 'migrate' and owner = ?", [
          LEASE_SECONDS,
          owner,
        ])
        .catch((error) => console.error("migrate: the lease was not renewed:", error));
    }, BEAT_MS);
    await migrateAll(pool, folder);
  } finally {
    clearInterval(beat);
    await pool.query("update lease set owner = '' where name = 'migrate' and owner = ?", [owner]);
    await pool.end();
  }
}

async function takeTurn(pool: Pool, owner: string): Promise<void> {
  const since = Date.now();
  let told = false;
  for (;;) {
    const [taken] = await pool.query<ResultSetHeader>(
      "update lease set owner = ?, until = utc_timestamp(3) + interval ? second where name = 'migrate' and (owner = '' or until < utc_timestamp(3))",
      [owner, LEASE_SECONDS],
    );
    if (taken.affectedRows === 1) return;
    if (!told && Date.now() - since > QUIET_MS) {
      console.log("Another process is bringing the database up to date; waiting for it.");
      told = true;
    }
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
}

async function migrateAll(pool: Pool, folder: string): Promise<void> {
  await pool.query(
    "create table if not exists __drizzle_migrations (id serial primary key, hash text not null, created_at bigint)",
  );
  await pool.query("create table if not exists __migration_step (hash varchar(64) primary key, done int not null)");
  const [[last]] = await pool.query<RowDataPacket[]>("select max(created_at) as at from __drizzle_migrations");
  const at = Number(last?.at ?? 0);
  for (const migration of readMigrationFiles({ migrationsFolder: folder })) {
    if (migration.folderMillis <= at) continue;
    await carryOut(pool, migration);
  }
}

type Migration = ReturnType<typeof readMigrationFiles>[number];

/** Carries out one migration, from where it was left. */
async function carryOut(pool: Pool, { hash, sql, folderMillis }: Migration): Promise<void> {
  const [begun] = await pool.query<ResultSetHeader>("insert ignore into __migration_step values (?, 0)", [hash]);
  const [[row]] = await pool.query<RowDataPacket[]>("select done from __migration_step where hash = ?", [hash]);
  const from = Number(row?.done ?? 0);
  const resumed = begun.affectedRows === 0;
  for (const [i, statement] of sql.entries()) {
    if (i < from) continue;
    await step(pool, hash, i, statement, resumed && i === from);
  }
  const connection = await pool.getConnection();
  try {
    await connection.beginTransaction();
    await connection.query("insert into __drizzle_migrations (hash, created_at) values (?, ?)", [hash, folderMillis]);
    await connection.query("delete from __migration_step where hash = ?", [hash]);
    await connection.commit();
  } finally {
    connection.release();
  }
}

/** One statement and the note that it is done: rows are changed with it in one transaction, tables before it. */
async function step(pool: Pool, hash: string, index: number, statement: string, mayBeDone: boolean): Promise<void> {
  const connection = await pool.getConnection();
  try {
    await connection.beginTransaction();
    try {
      await connection.query(statement);
    } catch (error) {
      // The process before this one ended between a table's change, which is whole or not at all, and its note.
      if (!mayBeDone || !DONE_BEFORE.has(driverError(error)?.errno ?? 0)) throw error;
    }
    await connection.query("update __migration_step set done = ? where hash = ?", [index + 1, hash]);
    await connection.commit();
  } catch (error) {
    await connection.rollback();
    throw error;
  } finally {
    connection.release();
  }
}
