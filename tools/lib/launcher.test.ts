import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { startDatabase } from "./database.mjs";

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "keel-launch-"));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Runs one call of the launcher's library and answers what a person reads. */
function say(code: string, env: NodeJS.ProcessEnv = process.env): { status: number | null; text: string } {
  const script = `import { ensureFolder, ensurePrograms, giveUp, isFree } from "./system.mjs"; import { startDatabase } from "./database.mjs"; try { ${code} } catch (e) { giveUp(e); } process.exit(0);`;
  const { status, stdout, stderr } = spawnSync(process.execPath, ["--input-type=module", "-e", script], {
    cwd: import.meta.dirname,
    env,
    encoding: "utf8",
  });
  return { status, text: stdout + stderr };
}

describe("bad states give a sentence that says what to do, and no stack", () => {
  test("a data folder of another version", () => {
    writeFileSync(join(folder, "layout"), "0");
    const { status, text } = say(`await startDatabase(${JSON.stringify(folder)});`);
    expect(status).toBe(1);
    expect(text).toContain("was made by another version of Keel Round");
    expect(text).toContain("npm run demo -- --fresh");
    expect(text).not.toContain("at async");
  });
  test("a folder that another copy is at work in, at once", () => {
    writeFileSync(join(folder, "owner"), String(process.pid));
    const { status, text } = say(`await startDatabase(${JSON.stringify(folder)});`);
    expect(status).toBe(1);
    expect(text).toContain(`is at work in ${folder} already (process ${process.pid})`);
    expect(text).not.toContain("at async");
  });
  test("a folder that cannot be made", () => {
    writeFileSync(join(folder, "file"), "");
    const { status, text } = say(`ensureFolder(${JSON.stringify(join(folder, "file", "inside"))});`);
    expect(status).toBe(1);
    expect(text).toMatch(/cannot be written to \(ENOTDIR\)/);
  });
  test("a missing program without root: nothing is changed, and the command to run is given", () => {
    const { status, text } = say('process.getuid = () => 1000; ensurePrograms(["no-such-program"]);');
    expect(status).toBe(1);
    expect(text).toContain("only root may install programs. Nothing was changed.");
  });
  test("a port that is taken", async () => {
    const server = createServer();
    await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
    const { port } = server.address() as { port: number };
    expect(say(`console.log(await isFree(${port}) ? "free" : "taken");`).text).toContain("taken");
    await new Promise((resolve) => server.close(resolve));
  });
});

test("a database of our own starts on loopback, keeps its data, and leaves nothing running", async () => {
  const first = await startDatabase(folder);
  expect(first.fresh).toBe(true);
  expect(existsSync(join(folder, "pid"))).toBe(true);
  await first.stop();
  expect(existsSync(join(folder, "pid"))).toBe(false);
  const second = await startDatabase(folder);
  expect(second.fresh).toBe(false);
  await second.stop();
});

test("a set-up that was ended in the middle is made anew", async () => {
  mkdirSync(join(folder, "mariadb"));
  writeFileSync(join(folder, "mariadb/half"), "x");
  // Whoever began it is no more.
  writeFileSync(join(folder, "owner"), "999999");
  const database = await startDatabase(folder);
  expect(database.fresh).toBe(true);
  await database.stop();
});

test("a launcher that is killed leaves no database behind", async () => {
  const script = `import { startDatabase } from "./database.mjs"; await startDatabase(${JSON.stringify(folder)}); console.log("up"); setInterval(() => {}, 1000);`;
  const launcher = spawn(process.execPath, ["--input-type=module", "-e", script], { cwd: import.meta.dirname });
  await new Promise<void>((resolve) => launcher.stdout.on("data", (d) => String(d).includes("up") && resolve()));
  const pid = Number(readFileSync(join(folder, "pid"), "utf8"));
  expect(existsSync(`/proc/${pid}`)).toBe(true);
  launcher.kill("SIGKILL");
  await expect.poll(() => existsSync(`/proc/${pid}`), { timeout: 30_000 }).toBe(false);
  // And the folder can be started in again.
  const again = await startDatabase(folder);
  await again.stop();
}, 90_000);
