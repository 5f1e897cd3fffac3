import { spawn } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import mysql from "mysql2/promise";
import { afterAll, expect, test } from "vitest";
import { db } from "./connection";
import { newId } from "./ids";
import { migrateDatabase } from "./migrate";

const folder = new URL("./migrations", import.meta.url).pathname;
const urlOf = (name: string) => (process.env.DATABASE_URL ?? "").replace(/[^/]+$/, name);
const copies: string[] = [];
afterAll(() => {
  for (const copy of copies) rmSync(copy, { recursive: true, force: true });
});

/** The migrations as they were when there were only so many of them. */
function firstMigrations(count: number): string {
  const copy = mkdtempSync(join(tmpdir(), "migrations-"));
  copies.push(copy);
  cpSync(folder, copy, { recursive: true });
  const journal = join(copy, "meta/_journal.json");
  const { entries, ...rest } = JSON.parse(readFileSync(journal, "utf8")) as { entries: object[] };
  writeFileSync(journal, JSON.stringify({ ...rest, entries: entries.slice(0, count) }));
  return copy;
}

test("two processes that migrate at once do not collide", async () => {
  await db().execute("create database two_at_once");
  const fresh = urlOf("two_at_once");
  await Promise.all([migrateDatabase(fresh, folder), migrateDatabase(fresh, folder), migrateDatabase(fresh, folder)]);
  const [rows] = (await db().execute("select count(*) as n from two_at_once.__drizzle_migrations")) as unknown as [
    { n: number }[],
  ];
  expect(Number(rows[0]?.n)).toBe(readdirSync(folder).filter((f) => f.endsWith(".sql")).length);
});

test("one that is killed at any statement is gone on from by the next", async () => {
  for (const name of ["killed", "whole"]) await db().execute(`create database ${name}`);
  await migrateDatabase(urlOf("whole"), folder);
  const script = `import { migrateDatabase } from ${JSON.stringify(join(import.meta.dirname, "migrate.ts"))}; await migrateDatabase(${JSON.stringify(urlOf("killed"))}, ${JSON.stringify(folder)}); process.exit(0);`;
  const migration = () =>
    spawn(process.execPath, ["--import", "tsx", "--input-type=module", "-e", script], { cwd: join(folder, "../..") });
  const steps = async () => {
    const [[row]] = (await db().execute(
      "select (select count(*) from information_schema.columns where table_schema = 'killed') + (select count(*) from information_schema.key_column_usage where table_schema = 'killed') as n",
    )) as unknown as [[{ n: number }]];
    return Number(row.n);
  };
  let kills = 0;
  for (const at of [10, 260, 600]) {
    const child = migration();
    const ended = new Promise<number | null>((resolve) => child.once("exit", resolve));
    let over = false;
    ended.then(() => {
      over = true;
    });
    await expect.poll(async () => over || (await steps()) >= at, { interval: 5, timeout: 30_000 }).toBe(true);
    if (!over) kills += 1;
    child.kill("SIGKILL");
    await ended;
    // As if its lease had run out: what the server was doing for it is over long before that.
    await expect
      .poll(
        async () => {
          const [[row]] = (await db().execute(
            "select count(*) as n from information_schema.processlist where db = 'killed'",
          )) as unknown as [[{ n: number }]];
          return Number(row.n);
        },
        { interval: 5, timeout: 30_000 },
      )
      .toBe(0);
    await db().execute("update killed.lease set owner = ''");
  }
  expect(kills).toBeGreaterThan(0);
  await migrateDatabase(urlOf("killed"), folder);
  const made = async (name: string) => {
    const [tables] = (await db().execute(
      `select table_name as t from information_schema.tables where table_schema = '${name}' order by t`,
    )) as unknown as [{ t: string }[]];
    const all: string[] = [];
    for (const { t } of tables) {
      const [[row]] = (await db().execute(`show create table \`${name}\`.\`${t}\``)) as unknown as [
        Record<string, string>[],
      ];
      all.push((row?.["Create Table"] ?? "").replace(/ AUTO_INCREMENT=\d+/, ""));
    }
    return all;
  };
  expect(await made("killed")).toEqual(await made("whole"));
  const [rows] = (await db().execute("select count(*) as n from killed.__migration_step")) as unknown as [
    { n: number }[],
  ];
  expect(Number(rows[0]?.n)).toBe(0);
}, 120_000);

test("a database of the first version keeps its animals: they move from the tank's facts to rows of their own", async () => {
  await db().execute("create database from_first");
  const url = urlOf("from_first");
  await migrateDatabase(url, firstMigrations(1));
  const old = await mysql.createConnection(url);
  const [business, client, site, water, tank] = Array.from({ length: 5 }, newId);
  const facts = {
    notes: [],
    schools: { policy: "test-led", share: 0.2 },
    animals: [
      { name: "blennies", count: 4 },
      { name: "anemones", count: 9, hazard: "sting" },
    ],
  };
  for (const [sql, values] of [
    ["insert into organization (id, name, slug, created_at) values (?, 'F', 'f', now(3))", [business]],
    [
      "insert into business (id, name, zone, phone, mail_from, lat, lon, road_factor, speed_km_h, limits) values (?, 'F', 'Europe/London', '', '', 0, 0, 1, 1, '{}')",
      [business],
    ],
    ["insert into client (id, business_id, name, contact, email) values (?, ?, 'C', '', '')", [client, business]],
    [
      "insert into site (id, business_id, client_id, name, address, lat, lon, windows, drain, access, set_up_minutes, bucket_l) values (?, ?, ?, 'S', '', 0, 0, '{}', 'sewer', '', 1, 1)",
      [site, business, client],
    ],
    ["insert into source (id, business_id, name, facts) values (?, ?, 'W', '{}')", [water, business]],
    [
      "insert into tank (id, business_id, site_id, source_id, top_up_source_id, name, kind, facts) values (?, ?, ?, ?, ?, 'T', 'community', ?)",
      [tank, business, site, water, water, JSON.stringify(facts)],
    ],
  ] as const)
    await old.query(sql, [...values]);
  await migrateDatabase(url, folder);
  const [animals] = await old.query("select name, count, hazard, tank_id from animal order by position");
  expect(animals).toEqual([
    { name: "blennies", count: 4, hazard: null, tank_id: tank },
    { name: "anemones", count: 9, hazard: "sting", tank_id: tank },
  ]);
  const [[kept]] = (await old.query("select json_exists(facts, '$.animals') as has, version from tank")) as unknown as [
    { has: number; version: number }[],
  ];
  expect(kept).toEqual({ has: 0, version: 1 });
  // Ways of working that were not asked then have their usual answer, and those that were keep theirs under the name of today.
  const [[practice]] = (await old.query(
    "select json_value(facts, '$.practice.policy') as policy, json_value(facts, '$.practice.media') as media, json_value(facts, '$.practice.share') as share from tank",
  )) as unknown as [{ policy: string; media: string; share: string }[]];
  expect(practice).toEqual({ policy: "test-led", media: "weekly", share: "0.2" });
  await old.end();
});
