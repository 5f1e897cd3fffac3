import { sql } from "drizzle-orm";
import { Busy, type Database, db } from "./connection";

/** What queries run on: the database itself or an open transaction. */
export type Queries = Pick<Database, "select" | "selectDistinct" | "insert" | "update" | "delete" | "execute">;

/** 1213 deadlock (also a refused certification on a cluster), 1205 lock wait, 1047 a node that is not ready. */
const AGAIN = new Set([1213, 1205, 1047]);
/** The connection went away, or none can be had: nothing of the transaction was kept unless it was at its commit. */
const LOST = new Set([
  "PROTOCOL_CONNECTION_LOST",
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "ETIMEDOUT",
  // The server shuts down, or ended what stood idle in a transaction.
  "ER_SERVER_SHUTDOWN",
  "ER_CONNECTION_KILLED",
]);
/** The disk has no room: nothing was kept, and asking again at once is in vain. */
const FULL = new Set(["ER_RECORD_FILE_FULL", "ER_DISK_FULL", "ER_ERROR_ON_WRITE"]);
const TRIES = 8;
const WAIT_MS = 10;
const MOST_WAIT_MS = 1_500;

/** An error of the database driver as it was thrown, under whatever it was wrapped in. */
export function driverError(error: unknown): { readonly errno?: number; readonly code?: string } | null {
  for (let at = error; at instanceof Error; at = at.cause)
    if ("errno" in at || "code" in at) return at as { errno?: number; code?: string };
  return null;
}

/** Whether nobody could be asked: too many wait for the database, it is not there, or it has no room. */
export function isBusy(error: unknown): boolean {
  for (let at = error; at instanceof Error; at = at.cause) if (at instanceof Busy) return true;
  return isLost(error) || FULL.has(driverError(error)?.code ?? "");
}

function isLost(error: unknown): boolean {
  if (LOST.has(driverError(error)?.code ?? "")) return true;
  // What is asked after the loss has no code of its own.
  for (let at = error; at instanceof Error; at = at.cause) if (at.message.includes("closed state")) return true;
  return false;
}

/** The server has rolled a transaction back under whoever goes on with it. */
class RolledBack extends Error {}

/** After a deadlock that somebody swallowed nothing is left to commit, and a commit answers "done" all the same. */
async function requireOpen(tx: Queries): Promise<void> {
  const [[row]] = (await tx.execute(sql`select @@in_transaction as open`)) as unknown as [[{ open: number }]];
  if (row.open !== 1) throw new RolledBack("The server rolled the transaction back.");
}

const pause = (attempt: number) =>
  new Promise((resolve) => setTimeout(resolve, Math.min(MOST_WAIT_MS, Math.random() * WAIT_MS * 2 ** attempt)));

/**
 * Runs a callback in a transaction, and again after a random wait if the server asks for it: eight times at most.
 *
 * The callback may run several times, so it has no effect outside the database. A connection that is lost before the
 * commit is sent has kept nothing and is tried again as well; one that is lost during it may have kept all, and the error is
 * passed on: whoever asks again finds out by the ids that it made.
 */
export async function inTransaction<T>(run: (tx: Queries) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    let committing = false;
    let within: unknown;
    try {
      return await db().transaction(async (tx) => {
        try {
          const result = await run(tx as unknown as Queries);
          await requireOpen(tx as unknown as Queries);
          committing = true;
          return result;
        } catch (error) {
          // On a lost connection the rollback fails too, and would be all that is told.
          within = error;
          throw error;
        }
      });
    } catch (thrown) {
      const error = within ?? thrown;
      const again =
        error instanceof RolledBack || AGAIN.has(driverError(error)?.errno ?? 0) || (isLost(error) && !committing);
      if (attempt >= TRIES || !again) throw error;
      await pause(attempt);
    }
  }
}
