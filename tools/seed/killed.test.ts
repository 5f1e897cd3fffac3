import { spawn } from "node:child_process";
import mysql, { type RowDataPacket } from "mysql2/promise";
import { afterAll, beforeAll, expect, test } from "vitest";
import { root } from "../lib/system.mjs";

const NAME = "seed_that_is_killed";
let admin: mysql.Connection;
beforeAll(async () => {
  admin = await mysql.createConnection(process.env.DATABASE_URL ?? "");
}, 300_000);
afterAll(() => admin.end());

const seed = () =>
  spawn(process.execPath, ["--import", "tsx", "../tools/seed/run.ts"], {
    cwd: `${root}/web`,
    env: { ...process.env, DATABASE_URL: (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, NAME) },
    stdio: "ignore",
  });
const ended = (child: ReturnType<typeof seed>) =>
  new Promise<number | null>((resolve) => child.once("exit", (code) => resolve(code)));

/** The first figure of an answer; 0 as long as there is nothing to ask. */
async function count(of: string): Promise<number> {
  try {
    const [rows] = await admin.query<RowDataPacket[]>(`select count(*) as n from \`${NAME}\`.${of}`);
    return Number(rows[0]?.n);
  } catch {
    return 0;
  }
}

test("a demo whose loading was killed in the middle is loaded anew, whole and once", async () => {
  const first = seed();
  const gone = ended(first);
  while ((await count("client")) === 0) await new Promise((resolve) => setTimeout(resolve, 20));
  first.kill("SIGKILL");
  await gone;
  expect(await count("lease where name = 'demo'")).toBe(1);
  expect(await count("visit")).toBe(0);

  expect(await ended(seed())).toBe(0);
  expect(await count("organization")).toBe(1);
  expect(await count("lease where name = 'demo'")).toBe(0);
  const [sites, stops] = [await count("site"), await count("stop")];
  expect(sites).toBeGreaterThan(20);
  // A second start finds it there and adds nothing.
  expect(await ended(seed())).toBe(0);
  expect([await count("site"), await count("stop")]).toEqual([sites, stops]);
}, 300_000);
