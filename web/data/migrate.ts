import { randomUUID } from "node:crypto";
import { drizzle } from "drizzle-orm/mysql2";
import { migrate } from "drizzle-orm/mysql2/migrator";
import type { ResultSetHeader } from "mysql2";
import { openPool } from "./connection";

const LEASE_SECONDS = 60;
const WAIT_MS = 200;

/**
 * Brings the database to the newest schema.
 *
 * Two processes that start together take turns by a lease row, which also holds on a cluster, where named locks do not.
 */
export async function migrateDatabase(url: string, folder: string): Promise<void> {
  const pool = openPool(url, 2);
  const owner = randomUUID();
  try {
    await pool.query(
      "create table if not exists lease (name varchar(60) primary key, owner varchar(64) not null, until datetime(3) not null)",
    );
    await pool.query("insert ignore into lease values ('migrate', '', '2000-01-01')");
    for (;;) {
      const [taken] = await pool.query<ResultSetHeader>(
        "update lease set owner = ?, until = utc_timestamp(3) + interval ? second where name = 'migrate' and (owner = '' or until < utc_timestamp(3))",
        [owner, LEASE_SECONDS],
      );
      if (taken.affectedRows === 1) break;
      await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
    }
    await migrate(drizzle(pool), { migrationsFolder: folder });
  } finally {
    await pool.query("update lease set owner = '' where name = 'migrate' and owner = ?", [owner]);
    await pool.end();
  }
}
