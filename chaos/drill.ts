import { createHash } from "node:crypto";
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import mysql from "mysql2/promise";
import { findings, install, told, tsx } from "./installation.ts";

// A restore drill: a backup is written while everything works, brought into an empty installation with the same secret, and compared: every row of
// every table, every picture. Somebody signs in there, sees the round and opens a letter. A backup that is cut is refused.
const { expect, end } = findings();
const files = mkdtempSync(join(tmpdir(), "keel-drill-"));
const backup = join(files, "keel.backup");
const house = await install();
const { letterToken } = await import("@/data/letters/letters");
// What the jobs do after the backup would be no part of it.
await house.web.start();
const work = (what: string, env: NodeJS.ProcessEnv, file = backup) =>
  told([...tsx("../tools/backup.ts"), what, file], env);
const written = await work("write", house.env);
console.log(written.says.split("\n")[0]);
expect(written.status === 0, "a backup is written while the application works, and read again");
await house.web.stop();
const before = { tables: await sums(house.env), pictures: picturesOf(house.env) };

const other = await install({ loaded: false, settings: { BETTER_AUTH_SECRET: house.env.BETTER_AUTH_SECRET } });
const cut = join(files, "cut.backup");
const bytes = readFileSync(backup);
writeFileSync(cut, bytes.subarray(0, Math.floor(bytes.length * 0.7)));
const refused = await work("restore", other.env, cut);
expect(
  refused.status === 1 && Object.keys(await sums(other.env)).length === 0,
  "a backup that is cut is refused, and nothing of it is kept",
);
const restored = await work("restore", other.env);
console.log(restored.says);
expect(restored.status === 0, "the backup is restored into an empty installation");
const after = { tables: await sums(other.env), pictures: picturesOf(other.env) };
const differing = Object.keys(before.tables).filter(
  // Who migrates just now is of one installation.
  (t) => t !== "lease" && before.tables[t] !== after.tables[t],
);
expect(differing.length === 0, `all ${Object.keys(before.tables).length} tables are equal ${differing.join(", ")}`);
expect(
  JSON.stringify(before.pictures) === JSON.stringify(after.pictures),
  `all ${before.pictures.length} pictures are equal`,
);
await other.web.start();
const phone = await other.phone("Ines");
expect((await phone.ask("/round"))?.status === 200, "somebody signs in and gets their day");
const connection = await mysql.createConnection(other.env.DATABASE_URL ?? "");
const [letters] = await connection.query<mysql.RowDataPacket[]>(
  "select id from letter where sent_at is not null limit 1",
);
await connection.end();
const page = await fetch(`${other.address}/letter/${letterToken(String(letters[0]?.id))}`);
expect(page.status === 200, "a letter opens by the link that was mailed");
await other.end();
await house.end();
rmSync(files, { recursive: true, force: true });
end();

/** A sum over the rows of each table. */
async function sums(env: NodeJS.ProcessEnv): Promise<Record<string, string>> {
  const url = new URL(env.DATABASE_URL ?? "");
  const admin = await mysql.createConnection({ host: url.hostname, port: Number(url.port), user: "root" });
  const name = url.pathname.slice(1);
  const [tables] = await admin.query<mysql.RowDataPacket[]>(
    "select table_name as t from information_schema.tables where table_schema = ? order by t",
    [name],
  );
  const found: Record<string, string> = {};
  for (const { t } of tables) {
    const [[row]] = await admin.query<mysql.RowDataPacket[]>(`checksum table \`${name}\`.\`${t}\``);
    found[String(t)] = String(row?.Checksum);
  }
  await admin.end();
  return found;
}

function picturesOf(env: NodeJS.ProcessEnv): string[] {
  const folder = env.PHOTO_FOLDER ?? "";
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile())
    .map((f) => join(f.parentPath, f.name))
    .map((f) => `${f.slice(folder.length)} ${createHash("sha256").update(readFileSync(f)).digest("hex")}`)
    .sort();
}
