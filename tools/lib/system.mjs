import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { accessSync, constants, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

/** The top folder of this checkout. */
export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))));

/** Something a person can put right. The launcher prints its message alone and stops. */
export class Unable extends Error {}

/** Prints a sentence for a person and ends with 1; anything that is not theirs to mend keeps its stack. */
export function giveUp(error) {
  console.error(error instanceof Unable ? `\n${error.message}\n` : error);
  process.exit(1);
}

/** Debian packages that a program comes from. The server's core packages start no service of their own. */
const PACKAGES = {
  mariadbd: ["mariadb-server-core", "mariadb-client-core"],
  // The stand-in for what rings browsers makes its own certificate.
  openssl: ["openssl"],
  pdftotext: ["poppler-utils"],
  ip: ["iproute2"],
  "/usr/lib/galera/libgalera_smm.so": ["galera-4"],
};

function has(program) {
  if (program.startsWith("/")) return existsSync(program);
  return [...(process.env.PATH ?? "").split(":"), "/usr/sbin", "/usr/local/sbin", "/sbin"].some(
    (folder) => folder && existsSync(join(folder, program)),
  );
}

/** Installs what is missing from Debian, or says what to do where it may not. */
export function ensurePrograms(programs) {
  const missing = programs.filter((p) => !has(p));
  if (missing.length === 0) return;
  const packages = missing.flatMap((p) => PACKAGES[p] ?? [p]);
  if (process.getuid?.() !== 0)
    throw new Unable(
      `${missing.join(" and ")} ${missing.length > 1 ? "are" : "is"} not installed and only root may install programs. Nothing was changed.\nRun once as root: apt-get install ${packages.join(" ")}`,
    );
  if (!has("apt-get"))
    throw new Unable(
      `${missing.join(" and ")} is missing and this is not a Debian machine. Install ${packages.join(", ")} and start again.`,
    );
  console.log(`Installing ${packages.join(", ")} from Debian ...`);
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  for (const args of [
    ["update", "-qq"],
    ["install", "-y", "-qq", "--no-install-recommends", ...packages],
  ]) {
    const result = spawnSync("apt-get", args, { env, stdio: ["ignore", "ignore", "pipe"], encoding: "utf8" });
    if (result.status !== 0)
      throw new Unable(`apt-get ${args[0]} failed:\n${result.stderr.trim().split("\n").slice(-5).join("\n")}`);
  }
}

/** Runs npm ci when the lockfile differs from what was last installed. */
export function ensureModules() {
  const stamp = join(root, "node_modules", ".keel-lock");
  const lock = createHash("sha256")
    .update(readFileSync(join(root, "package-lock.json")))
    .digest("hex");
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === lock) return;
  console.log("Installing the packages of the lockfile ...");
  const result = spawnSync("npm", ["ci", "--no-audit", "--no-fund", "--loglevel=error"], {
    cwd: root,
    stdio: ["ignore", "ignore", "pipe"],
    encoding: "utf8",
  });
  if (result.status !== 0) throw new Unable(`npm ci failed:\n${result.stderr.trim().split("\n").slice(-8).join("\n")}`);
  writeFileSync(stamp, lock);
}

/** A folder that can be written to. */
export function ensureFolder(folder) {
  try {
    mkdirSync(folder, { recursive: true });
    accessSync(folder, constants.W_OK);
  } catch (error) {
    throw new Unable(
      `${folder} cannot be written to (${error.code}). Free some space or change its owner, then start again.`,
    );
  }
}

/** Below the ports that the system gives to outgoing connections: none of those takes one before it is listened on. */
const PORTS = { from: 20_000, count: 12_000 };

/** A free port on loopback. */
export async function freePort() {
  for (let tried = 0; tried < 200; tried++) {
    const port = PORTS.from + Math.floor(Math.random() * PORTS.count);
    if (await isFree(port)) return port;
  }
  throw new Unable("No port of loopback is free between 20000 and 32000.");
}

/** Whether a port of loopback can be listened on. */
export function isFree(port) {
  return new Promise((resolve) => {
    const server = createServer();
    server.once("error", () => resolve(false));
    server.listen(port, "127.0.0.1", () => server.close(() => resolve(true)));
  });
}

/** Starts a program whose output goes to ours; stops with it. */
export function start(command, args, options = {}) {
  const child = spawn(command, args, { cwd: root, stdio: ["ignore", "inherit", "inherit"], ...options });
  if (options.detached) guard(child);
  return child;
}

let watcher;

/** Has a process ended when this one is, also where it is killed and can end nothing itself. */
export function guard(child) {
  if (child.pid === undefined) return;
  if (!watcher) {
    watcher = spawn(process.execPath, [join(root, "tools/lib/guard.mjs")], {
      stdio: ["pipe", "ignore", "ignore"],
      detached: true,
    });
    watcher.unref();
    watcher.stdin.unref?.();
  }
  watcher.stdin.write(`${child.pid}\n`);
}

/** Runs a program to its end and answers its exit code. */
export function run(command, args, options = {}) {
  return new Promise((resolve) => {
    const child = start(command, args, options);
    child.once("exit", (code, signal) => resolve(code ?? (signal ? 1 : 0)));
    child.once("error", () => resolve(127));
  });
}

/** Ends a process and waits for it. */
export function stopProcess(child) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    child.once("exit", resolve);
    child.kill("SIGTERM");
    setTimeout(() => child.kill("SIGKILL"), 30_000).unref();
  });
}

/** The executable of an installed package. */
export const bin = (name) => join(root, "node_modules", ".bin", name);

/** A TypeScript program as one process of ours: no wrapper stands between it and our signals. */
export const tsx = (script, args = []) => [process.execPath, ["--import", "tsx", script, ...args]];

/** Removes a folder of ours. */
export const remove = (folder) => rmSync(folder, { recursive: true, force: true });
