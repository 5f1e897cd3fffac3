import { drizzle, type MySql2Database } from "drizzle-orm/mysql2";
import type { Pool as CorePool, PoolConnection } from "mysql2";
import mysql from "mysql2/promise";

/** Whoever waits longer than this for a connection is told that the server is busy. */
const ACQUIRE_MS = 8_000;
/** So many may wait at once; the next one is told at once. */
const MOST_WAITING = 60;
/** The server ends a transaction that nothing is asked of for so long, and a wait for somebody else's lock, s. */
const SESSION = "set session idle_transaction_timeout = 30, innodb_lock_wait_timeout = 15";

/** No connection could be had in time: nothing was done, and it may be tried again in a moment. */
export class Busy extends Error {}

/** The address of the database, given by whoever starts the process. */
function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url) throw new Error("DATABASE_URL is not set. Start the application with `npm run demo`.");
  return url;
}

export function openPool(
  url = databaseUrl(),
  connectionLimit = 10,
  { acquireMs = ACQUIRE_MS, mostWaiting = MOST_WAITING } = {},
): mysql.Pool {
  const pool = mysql.createPool({ uri: url, timezone: "Z", connectionLimit, queueLimit: mostWaiting });
  // Sent before anything else on a new connection: what is asked of it next waits behind it.
  pool.pool.on("connection", (connection: PoolConnection) => {
    connection.query(SESSION, (error) => error && connection.destroy());
  });
  limitWaiting(pool.pool, acquireMs);
  return pool;
}

type Given = (error: NodeJS.ErrnoException | null, connection: PoolConnection) => void;

/** Puts a limit on the wait for a connection: the driver has none. One that comes too late goes back unused. */
function limitWaiting(pool: CorePool, acquireMs: number): void {
  const get = pool.getConnection.bind(pool);
  pool.getConnection = (give: Given): void => {
    let late = false;
    const timer = setTimeout(() => {
      late = true;
      give(new Busy("Every connection was in use for too long."), undefined as never);
    }, acquireMs);
    get((error, connection) => {
      clearTimeout(timer);
      if (late) return connection?.release();
      give(error?.message === "Queue limit reached." ? new Busy("Too many wait already.") : error, connection);
    });
  };
}

export type Database = MySql2Database<Record<string, never>>;

// One pool a process, made at the first query so that a build needs no database.
let opened: { readonly database: Database; readonly pool: mysql.Pool } | undefined;

/** The database of this process. */
export function db(): Database {
  if (!opened) {
    const pool = openPool();
    opened = { database: drizzle(pool), pool };
  }
  return opened.database;
}

/** Connections of this process by what they do, and who waits for one; the driver keeps them in lists of its own. */
export function poolState(): { readonly busy: number; readonly free: number; readonly waiting: number } {
  const lists = opened?.pool.pool as unknown as
    | Readonly<Record<"_allConnections" | "_freeConnections" | "_connectionQueue", { readonly length: number }>>
    | undefined;
  const free = lists?._freeConnections.length ?? 0;
  return { busy: (lists?._allConnections.length ?? 0) - free, free, waiting: lists?._connectionQueue.length ?? 0 };
}

/** Lets go of the database; what is asked of it afterwards opens it anew, at the address of then. */
export async function closeDatabase(): Promise<void> {
  const pool = opened?.pool;
  opened = undefined;
  await pool?.end();
}
