import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { and, asc, eq } from "drizzle-orm";
import mysql from "mysql2/promise";
import { root } from "../tools/lib/system.mjs";
import { findings, install, told, tsx } from "./installation.ts";

// An upgrade with its way back, as the runbook says: the version before the newest migration makes and fills a database, a backup is written, this
// version migrates it and works on it; then the version before works on the newer schema, and at last on the backup. Takes the history of the
// repository.
/** What a schema says of itself, and who migrates just now. */
const OWN = ["lease", "__drizzle_migrations"];
const { expect, end } = findings();
const git = (...args: readonly string[]) => spawnSync("git", args, { cwd: root, encoding: "utf8" }).stdout.trim();
const MIGRATIONS = "web/data/database/migrations";
const newest = readdirSync(join(root, MIGRATIONS))
  .filter((f) => f.endsWith(".sql"))
  .sort()
  .at(-1);
const came = git("log", "--diff-filter=A", "--format=%H", "-1", "--", `${MIGRATIONS}/${newest}`);
const before = mkdtempSync(join(tmpdir(), "keel-before-"));
rmSync(before, { recursive: true });
if (came === "" || spawnSync("git", ["worktree", "add", "--detach", before, `${came}^`], { cwd: root }).status !== 0) {
  console.error("The version before the newest migration is not in the history here.");
  process.exit(1);
}
symlinkSync(join(root, "node_modules"), join(before, "node_modules"));
cpSync(join(root, "web/node_modules"), join(before, "web/node_modules"), { recursive: true });
const house = await install({ loaded: false });
const files = mkdtempSync(join(tmpdir(), "keel-upgrade-"));
const backup = join(files, "before.backup");
/** A program of the version before, on a database. */
const old = (args: readonly string[], env = house.env) => told(args, env, join(before, "web"));

const seeded = await old(tsx("../tools/seed/run.ts"));
expect(
  seeded.status === 0,
  `the version before ${newest} makes and fills a database ${seeded.status === 0 ? "" : seeded.says}`,
);
const rows = await counts(house.env);
expect((await old([...tsx("../tools/backup.ts"), "write", backup])).status === 0, "its backup is written");
const migrated = await told([join(root, "tools/migrate.mjs")], house.env);
expect(migrated.status === 0, `this version migrates it ${migrated.status === 0 ? "" : migrated.says}`);
const after = await counts(house.env);
const lost = Object.keys(rows).filter((t) => !OWN.includes(t) && rows[t] !== after[t]);
expect(
  lost.length === 0,
  `every one of ${Object.keys(rows).length} tables has as many rows as before ${lost.join(", ")}`,
);
await house.mailServer.start();
await Promise.all([house.web.start(), house.jobs.start()]);
const { db } = await import("@/data/database/connection");
const { person, stop, visit } = await import("@/data/schema");
const today = new Date().toISOString().slice(0, 10);
const mine = await db()
  .select({ id: visit.id })
  .from(visit)
  .innerJoin(stop, eq(stop.id, visit.stopId))
  .innerJoin(person, and(eq(person.id, stop.personId), eq(person.name, "Ines Calder")))
  .where(and(eq(visit.onDate, today), eq(visit.state, "planned")))
  .orderBy(asc(visit.id));
const phone = await house.phone("Ines");
const logged = await phone.visit(mine[0]?.id ?? "");
expect(logged.length > 0, `this version works on it: a visit of ${logged.length} entries is logged`);
await Promise.all([house.web.stop(), house.jobs.stop()]);

const works = `
import { db } from "@/data/database/connection";
import { person, visit } from "@/data/schema";
import { scopeOfUser } from "@/data/access/scope";
import { loadRound } from "@/data/round/round";
const people = await db().select().from(person);
const ines = await scopeOfUser(people.find((p) => p.name === "Ines Calder")?.userId ?? "");
const round = await loadRound(ines, ines.personId, process.argv[2] ?? "");
console.log(JSON.stringify({ stops: round.stops?.length ?? round.length, visits: (await db().select().from(visit)).length }));
process.exit(0);
`;
writeFileSync(join(before, "web/works.ts"), works);
const onNewer = await old([...tsx("works.ts"), today]);
console.log(onNewer.says.split("\n").at(-1));
expect(
  onNewer.status === 0,
  `back: the version before reads its round on the newer schema ${onNewer.status === 0 ? "" : onNewer.says.slice(-600)}`,
);
const restoredUrl = house.database.url("restored");
const restored = { ...house.env, DATABASE_URL: restoredUrl, PHOTO_FOLDER: join(files, "photos") };
expect(
  (await old([...tsx("../tools/backup.ts"), "restore", backup], restored)).status === 0,
  "and takes its own backup",
);
const back = await counts(restored);
const differing = Object.keys(rows).filter((t) => !OWN.includes(t) && rows[t] !== back[t]);
expect(differing.length === 0, `with every row as it was ${differing.join(", ")}`);
await house.end();
rmSync(files, { recursive: true, force: true });
spawnSync("git", ["worktree", "remove", "--force", before], { cwd: root });
end();

/** Rows of each table. */
async function counts(env: NodeJS.ProcessEnv): Promise<Record<string, number>> {
  const url = new URL(env.DATABASE_URL ?? "");
  const name = url.pathname.slice(1);
  const admin = await mysql.createConnection({ host: url.hostname, port: Number(url.port), user: "root" });
  const [tables] = await admin.query<mysql.RowDataPacket[]>(
    "select table_name as t from information_schema.tables where table_schema = ?",
    [name],
  );
  const found: Record<string, number> = {};
  for (const { t } of tables) {
    const [[row]] = await admin.query<mysql.RowDataPacket[]>(`select count(*) as n from \`${name}\`.\`${t}\``);
    found[String(t)] = Number(row?.n);
  }
  await admin.end();
  return found;
}
