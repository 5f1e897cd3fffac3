import type { Pool } from "mysql2/promise";
import { db } from "./connection";

/** Values as the driver writes them: instants in UTC, documents as their text. */
export type Cell = string | number | boolean | Date | null;

/**
 * Inserts many rows by one statement, past the query builder: for tens of thousands of rows building the query would
 * take longer than the server takes to keep them. Table and columns are ours, never a person's.
 */
export async function bulkInsert(
  table: string,
  columns: readonly string[],
  rows: readonly (readonly Cell[])[],
): Promise<void> {
  if (rows.length === 0) return;
  const pool = (db() as unknown as { readonly $client: Pool }).$client;
  await pool.query(`insert into \`${table}\` (${columns.map((c) => `\`${c}\``).join(", ")}) values ?`, [rows]);
}
