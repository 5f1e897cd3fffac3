import { spawnSync } from "node:child_process";
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { addDays } from "@keel-round/core/calendar";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { wrongSettings } from "../web/observe/settings.ts";

const root = join(import.meta.dirname, "..");
const deploy = join(root, "deploy");
const read = (name: string) => readFileSync(join(deploy, name), "utf8");

test("the settings that ship as an example can be started with", () => {
  const lines = read("keel-round.env.example")
    .split("\n")
    .filter((l) => l !== "" && !l.startsWith("#"));
  const env = Object.fromEntries(lines.map((l) => [l.slice(0, l.indexOf("=")), l.slice(l.indexOf("=") + 1)]));
  expect(Object.keys(env).length).toBeGreaterThan(5);
  expect(wrongSettings(env)).toEqual([]);
});

test("each unit starts a file that is there, from a folder that is there, as nobody in particular", () => {
  const units = readdirSync(join(deploy, "systemd")).filter((name) => name.endsWith(".service"));
  expect(units.sort()).toEqual([
    ...["keel-backup.service", "keel-jobs.service", "keel-migrate.service", "keel-web@.service"],
  ]);
  for (const unit of units) {
    const value = (key: string) => new RegExp(`^${key}=(.+)$`, "m").exec(read(`systemd/${unit}`))?.[1] ?? "";
    const here = (path: string) => path.replace("/opt/keel-round/current", root);
    const folder = here(value("WorkingDirectory"));
    const files = value("ExecStart")
      .split(" ")
      .filter((word) => /\.(ts|tsx|sh)$|\/next$/.test(word));
    expect(files, unit).toHaveLength(1);
    for (const file of files)
      expect(existsSync(file.startsWith("/") ? here(file) : join(folder, file)), file).toBe(true);
    expect(value("User"), unit).toBe("keel");
    expect(value("NoNewPrivileges"), unit).toBe("true");
  }
});

test("npm run start tells each setting that is missing, and starts nothing", () => {
  const { status, stdout, stderr } = spawnSync(process.execPath, ["tools/start.mjs", "web"], {
    cwd: root,
    env: { PATH: process.env.PATH },
    encoding: "utf8",
  });
  expect(status).toBe(1);
  expect(`${stdout}${stderr}`).toContain("BETTER_AUTH_SECRET: Set it to 32 random characters or more");
  expect(`${stdout}${stderr}`).not.toMatch(/at async|Error:/);
  const which = spawnSync(process.execPath, ["tools/start.mjs", "everything"], { cwd: root, encoding: "utf8" });
  expect([which.status, which.stderr]).toEqual([1, expect.stringContaining("Which part?")]);
});

describe("the rotation of backups", () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), "keel-backups-"));
    mkdirSync(join(folder, "tools"));
    mkdirSync(join(folder, "deploy"));
    cpSync(join(deploy, "backup.sh"), join(folder, "deploy/backup.sh"));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));
  /** Stands in for the backup itself, which has tests of its own: this is about what is kept. */
  const backups = (code: string) => writeFileSync(join(folder, "tools/backup.mjs"), code);
  const run = () => spawnSync("sh", [join(folder, "deploy/backup.sh"), join(folder, "kept")], { encoding: "utf8" });
  const today = new Date().toISOString().slice(0, 10);

  test("keeps seven days, five Sundays and twelve firsts of a month, and what is no backup", () => {
    backups('import { writeFileSync } from "node:fs"; writeFileSync(process.argv[2], "whole");');
    mkdirSync(join(folder, "kept"));
    const days = Array.from({ length: 420 }, (_, i) => addDays(today, -i - 1));
    for (const day of days) writeFileSync(join(folder, "kept", `${day}.backup`), "");
    writeFileSync(join(folder, "kept", "before-the-move.backup"), "");
    const { status, stderr } = run();
    expect([status, stderr]).toEqual([0, ""]);
    const all = [today, ...days];
    const expected = new Set([
      ...all.slice(0, 7),
      ...all.filter((d) => new Date(`${d}T00:00:00Z`).getUTCDay() === 0).slice(0, 5),
      ...all.filter((d) => d.endsWith("-01")).slice(0, 12),
    ]);
    expect(readdirSync(join(folder, "kept")).sort()).toEqual(
      [...[...expected].map((d) => `${d}.backup`), "before-the-move.backup"].sort(),
    );
  });
  test("removes nothing where the backup failed", () => {
    backups("process.exit(3);");
    mkdirSync(join(folder, "kept"));
    for (let i = 1; i < 30; i++) writeFileSync(join(folder, "kept", `${addDays(today, -i)}.backup`), "");
    expect(run().status).not.toBe(0);
    expect(readdirSync(join(folder, "kept"))).toHaveLength(29);
  });
});
