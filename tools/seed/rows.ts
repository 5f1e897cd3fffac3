import type { MySqlTable } from "drizzle-orm/mysql-core";
import { db } from "@/data/database/connection";

/** Where the demo business lives by the clock. */
export const ZONE = "Europe/London";

const BATCH = 400;

/** Rows gathered by table, written in batches at the end. */
export class Rows {
  private readonly byTable = new Map<MySqlTable, object[]>();
  add<T extends MySqlTable>(table: T, row: T["$inferInsert"]): void {
    const rows = this.byTable.get(table) ?? [];
    rows.push(row);
    this.byTable.set(table, rows);
  }
  async write(): Promise<void> {
    for (const [table, rows] of this.byTable)
      for (let i = 0; i < rows.length; i += BATCH)
        await db()
          .insert(table)
          .values(rows.slice(i, i + BATCH) as never);
    this.byTable.clear();
  }
}
