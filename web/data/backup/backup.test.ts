import { createHash } from "node:crypto";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gunzipSync, gzipSync } from "node:zlib";
import mysql, { type RowDataPacket } from "mysql2/promise";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { demoBusiness } from "../../../tools/testing/world.ts";
import { db } from "../database/connection";
import { folderStore, photoStore } from "../photos/store";
import { BadBackup, restoreBackup, TABLES, verifyBackup, writeBackup } from "./backup";

const folder = mkdtempSync(join(tmpdir(), "backup-"));
const migrations = new URL("../database/migrations", import.meta.url).pathname;
const url = process.env.DATABASE_URL ?? "";
const urlOf = (name: string) => url.replace(/[^/]+$/, name);
const file = join(folder, "one.keel");
const sourcePhotos = folderStore(join(folder, "source"));
const targetPhotos = folderStore(join(folder, "target"));
/** Checksums of all tables, made by the server itself. */
async function checksums(of: string): Promise<Record<string, string>> {
  const connection = await mysql.createConnection(of);
  const [rows] = await connection.query<RowDataPacket[]>(
    `checksum table ${TABLES.map((t) => `\`${t}\``).join(", ")} extended`,
  );
  await connection.end();
  return Object.fromEntries(rows.map((r) => [String(r.Table).split(".")[1], String(r.Checksum)]));
}

const exists = async (name: string) => {
  const [rows] = (await db().execute(`show databases like '${name}'`)) as unknown as [unknown[]];
  return rows.length > 0;
};

beforeAll(async () => {
  // One business and no other: what the other tests have made meanwhile would be backed up again and again.
  await demoBusiness();
  await writeBackup(process.env.DATABASE_URL ?? "", file, migrations, photoStore(), new Date());
  await restoreBackup(file, urlOf("backup_source"), migrations, sourcePhotos);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe("a backup", () => {
  test("restored into a fresh database is the same, row by row in every table", async () => {
    const source = urlOf("backup_source");
    const copy = join(folder, "two.keel");
    const { rows, photos, sha256 } = await writeBackup(
      source,
      copy,
      migrations,
      sourcePhotos,
      new Date("2026-01-01T00:00:00Z"),
    );
    expect(rows).toBeGreaterThan(5000);
    expect(photos).toBeGreaterThanOrEqual(20);
    expect(await restoreBackup(copy, urlOf("backup_target"), migrations, targetPhotos)).toEqual({ rows, photos });
    const [files] = (await db().execute(
      "select business_id as of, id, sha256 from backup_source.photo",
    )) as unknown as [{ of: string; id: string; sha256: string }[]];
    let same = 0;
    for (const f of files) {
      const [was, is] = await Promise.all([sourcePhotos.get(f.of, f.id), targetPhotos.get(f.of, f.id)]);
      // Another test may have taken a business away between its row and its file.
      if (!was) continue;
      expect(is?.equals(was)).toBe(true);
      expect(createHash("sha256").update(was).digest("hex")).toBe(f.sha256);
      same += 1;
    }
    expect(same).toBe(photos);
    const before = await checksums(source);
    expect(Object.keys(before).sort()).toEqual([...TABLES].sort());
    const [all] = (await db().execute(
      "select table_name as name from information_schema.tables where table_schema = 'backup_source' and table_name not in ('__drizzle_migrations', '__migration_step', 'lease')",
    )) as unknown as [{ name: string }[]];
    expect(all.map((t) => t.name).sort()).toEqual([...TABLES].sort());
    expect(await checksums(urlOf("backup_target"))).toEqual(before);
    // And a backup of the copy is the same text.
    const third = join(folder, "three.keel");
    const again = await writeBackup(
      urlOf("backup_target"),
      third,
      migrations,
      targetPhotos,
      new Date("2026-01-01T00:00:00Z"),
    );
    expect(again.sha256).toBe(sha256);
  });
  test("ends with the checksum of its text", () => {
    const text = gunzipSync(readFileSync(file)).toString("utf8");
    const cut = text.lastIndexOf('{"end":true');
    const { sha256 } = JSON.parse(text.slice(cut)) as { sha256: string };
    expect(sha256).toBe(createHash("sha256").update(text.slice(0, cut)).digest("hex"));
  });
});

describe("a file that is not right is refused before anything is touched", () => {
  const text = () => gunzipSync(readFileSync(file)).toString("utf8");
  const cases: readonly [string, () => Buffer, string][] = [
    ["cut", () => readFileSync(file).subarray(0, 20_000), "not whole"],
    ["cut at the end of a line", () => gzipSync(text().split("\n").slice(0, 900).join("\n")), "ends too early"],
    ["altered in one letter", () => gzipSync(text().replace("Maritime", "Maritine")), "altered"],
    ["without one row", () => gzipSync(text().replace(/\n\["[^\n]+/, "")), "altered"],
    ["longer than its end", () => gzipSync(`${text()}["more"]\n`), "goes on"],
    ["of something else", () => gzipSync("hello\n"), "no backup"],
    ["not packed at all", () => Buffer.from("hello"), "not whole"],
    ["of a later version", () => gzipSync(text().replace('"version":2', '"version":9')), "later version"],
  ];
  for (const [i, [name, make, says]] of cases.entries())
    test(name, async () => {
      const path = join(folder, `bad-${i}.keel`);
      writeFileSync(path, make());
      await expect(verifyBackup(path)).rejects.toThrow(says);
      await expect(restoreBackup(path, urlOf(`backup_bad_${i}`), migrations, targetPhotos)).rejects.toBeInstanceOf(
        BadBackup,
      );
      expect(await exists(`backup_bad_${i}`)).toBe(false);
    });
  test("into a database that holds something already", async () =>
    await expect(restoreBackup(file, urlOf("backup_source"), migrations, targetPhotos)).rejects.toThrow(
      "is not empty",
    ));
});
