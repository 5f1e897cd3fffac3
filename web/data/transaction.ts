import { type Database, db } from "./connection";

/** What queries run on: the database itself or an open transaction. */
export type Queries = Pick<Database, "select" | "selectDistinct" | "insert" | "update" | "delete" | "execute">;

/** 1213 deadlock (also a refused certification on a cluster) and 1205 lock wait: the whole transaction may run again. */
const AGAIN = new Set([1213, 1205]);
const TRIES = 5;

/**
 * Runs a callback in a transaction, and again if the server asks for it.
 *
 * The callback may run several times, so it has no effect outside the database.
 */
export async function inTransaction<T>(run: (tx: Queries) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db().transaction((tx) => run(tx as unknown as Queries));
    } catch (error) {
      const errno = (error as { cause?: { errno?: number } }).cause?.errno ?? (error as { errno?: number }).errno;
      if (attempt >= TRIES || errno === undefined || !AGAIN.has(errno)) throw error;
    }
  }
}
