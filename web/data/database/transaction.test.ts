import { sql } from "drizzle-orm";
import { drizzle } from "drizzle-orm/mysql2";
import mysql from "mysql2/promise";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { Busy, db, openPool } from "./connection";
import { driverError, inTransaction, isBusy, type Queries } from "./transaction";

const url = process.env.DATABASE_URL ?? "";
let other: mysql.Connection;
beforeAll(async () => {
  other = await mysql.createConnection(url);
  await db().execute(sql`create table tried (id int primary key, n int not null)`);
  await db().execute(sql`insert into tried values (1, 0), (2, 0), (3, 0)`);
});
afterAll(async () => {
  await db().execute(sql`drop table tried`);
  await other.end();
});

const value = async (id: number) => {
  const [[row]] = (await db().execute(sql`select n from tried where id = ${id}`)) as unknown as [[{ n: number }]];
  return row.n;
};
const add = (tx: Queries, id: number) => tx.execute(sql`update tried set n = n + 1 where id = ${id}`);

describe("a transaction", () => {
  test("that deadlocks with others runs again, and each is kept once", async () => {
    const before = [await value(1), await value(2)];
    const turn = (a: number, b: number) =>
      inTransaction(async (tx) => {
        await add(tx, a);
        await tx.execute(sql`select sleep(0.02)`);
        await add(tx, b);
      });
    await Promise.all(Array.from({ length: 6 }, (_, i) => (i % 2 ? turn(1, 2) : turn(2, 1))));
    expect([await value(1), await value(2)]).toEqual(before.map((n) => n + 6));
  });
  test("whose deadlock somebody swallows is never answered as done: it runs again whole", async () => {
    const before = [await value(1), await value(2)];
    let runs = 0;
    await inTransaction(async (tx) => {
      runs += 1;
      await add(tx, 1);
      if (runs === 1) {
        // Another one holds 2 and wants 1. It has written more, so that the server lets this one go.
        await other.query("start transaction");
        await other.query(`insert into tried values ${Array.from({ length: 50 }, (_, i) => `(${100 + i}, 0)`).join()}`);
        await other.query("update tried set n = n + 100 where id = 2");
        const theirs = other.query("update tried set n = n + 100 where id = 1");
        await tx.execute(sql`select sleep(0.05)`);
        await expect(add(tx, 2)).rejects.toMatchObject({ cause: { errno: 1213 } });
        await theirs;
        await other.query("rollback");
        return;
      }
      await add(tx, 2);
    });
    expect(runs).toBe(2);
    expect([await value(1), await value(2)]).toEqual(before.map((n) => n + 1));
  });
  test("whose connection is lost before its commit runs again", async () => {
    const before = await value(3);
    let runs = 0;
    await inTransaction(async (tx) => {
      runs += 1;
      await add(tx, 3);
      if (runs > 1) return;
      const [[row]] = (await tx.execute(sql`select connection_id() as id`)) as unknown as [[{ id: number }]];
      await other.query(`kill ${row.id}`);
      await add(tx, 3);
    });
    expect(runs).toBe(2);
    expect(await value(3)).toBe(before + 1);
  });
  test("that fails for a reason of its own fails once", async () => {
    let runs = 0;
    await expect(
      inTransaction(async () => {
        runs += 1;
        throw new TypeError("ours");
      }),
    ).rejects.toThrow("ours");
    expect(runs).toBe(1);
  });
});

/** Long enough that a busy machine opens its one connection in it. */
const PATIENCE_MS = 1500;

describe("a pool that is used up", () => {
  test("tells whoever waits too long, and works on when a connection is free again", async () => {
    const pool = openPool(url, 1, { acquireMs: PATIENCE_MS, mostWaiting: 2 });
    const held = await pool.getConnection();
    const waits = [pool.query("select 1"), pool.query("select 1"), pool.query("select 1")];
    const answers = await Promise.allSettled(waits);
    for (const a of answers) {
      expect(a.status).toBe("rejected");
      if (a.status === "rejected") expect(isBusy(a.reason)).toBe(true);
    }
    held.release();
    expect((await pool.query("select 1 as one"))[0]).toEqual([{ one: 1 }]);
    await pool.end();
  });
  test("says so through whatever wraps the error", async () => {
    const pool = openPool(url, 1, { acquireMs: PATIENCE_MS, mostWaiting: 5 });
    const held = await pool.getConnection();
    const error = await drizzle(pool)
      .execute(sql`select 1`)
      .then(
        () => null,
        (e: unknown) => e,
      );
    expect(isBusy(error)).toBe(true);
    expect(error instanceof Busy).toBe(false);
    held.release();
    await pool.end();
  });
  test("and a server that does not answer is the same", async () => {
    const pool = openPool("mysql://root@127.0.0.1:1/none", 1);
    const error = await pool.query("select 1").then(
      () => null,
      (e: unknown) => e,
    );
    expect(driverError(error)?.code).toBe("ECONNREFUSED");
    expect(isBusy(error)).toBe(true);
    await pool.end();
  });
});

test("a transaction that nothing is asked of is ended by the server", async () => {
  const [[row]] = (await db().execute(
    sql`select @@session.idle_transaction_timeout as idle, @@session.innodb_lock_wait_timeout as locks`,
  )) as unknown as [[{ idle: number; locks: number }]];
  expect(row).toEqual({ idle: 30, locks: 15 });
});

test("a database without room is told like one that is busy, and is not asked again at once", () => {
  const full = Object.assign(new Error("The table 'visit' is full"), { code: "ER_RECORD_FILE_FULL", errno: 1114 });
  expect(isBusy(new Error("Failed query", { cause: full }))).toBe(true);
  expect(isBusy(Object.assign(new Error("Duplicate entry"), { code: "ER_DUP_ENTRY" }))).toBe(false);
});
