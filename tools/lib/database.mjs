import { spawn, spawnSync } from "node:child_process";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { connect } from "node:net";
import { join } from "node:path";
import { ensureFolder, freePort, guard, remove, stopProcess, Unable } from "./system.mjs";

/** Raised when a data folder of an earlier layout can no longer be used. */
const LAYOUT = "1";

const path = { ...process.env, PATH: `${process.env.PATH}:/usr/sbin:/usr/local/sbin` };

/** What makes each commit outlive a power cut; a database that is thrown away afterwards does without, and is not kept waiting by a slow disk. */
const THROWN_AWAY = ["--innodb-flush-log-at-trx-commit=0", "--innodb-doublewrite=0"];

/**
 * Starts a MariaDB of our own in a folder, on loopback and a free port. Debian's own service is not touched.
 *
 * @param keep Whether its data are to last; tests throw theirs away.
 * @returns its address, whether the folder is new, and how to stop it.
 */
export async function startDatabase(folder, { keep = true } = {}) {
  ensureFolder(folder);
  const data = join(folder, "mariadb");
  const layoutFile = join(folder, "layout");
  const fresh = !existsSync(layoutFile);
  takeFolder(folder);
  if (fresh) {
    // A set-up that did not finish holds nothing yet: the layout is noted before anything is stored.
    remove(data);
    const made = spawnSync(
      "mariadb-install-db",
      [
        "--no-defaults",
        `--datadir=${data}`,
        "--auth-root-authentication-method=normal",
        "--skip-test-db",
        "--user=root",
      ],
      { env: path, encoding: "utf8" },
    );
    if (made.status !== 0)
      throw new Unable(
        `MariaDB could not make its data folder ${data}:\n${(made.stderr || made.error?.message || "").trim().split("\n").slice(-4).join("\n")}`,
      );
  } else if (readFileSync(layoutFile, "utf8") !== LAYOUT)
    throw new Unable(
      `${folder} was made by another version of Keel Round. Keep a copy if you need it, then start over with: npm run demo -- --fresh`,
    );

  const port = await freePort();
  const log = join(folder, "mariadb.log");
  const child = spawn(
    "mariadbd",
    [
      "--no-defaults",
      "--user=root",
      `--datadir=${data}`,
      `--socket=${join(folder, "s.sock")}`,
      "--bind-address=127.0.0.1",
      `--port=${port}`,
      `--pid-file=${join(folder, "pid")}`,
      "--skip-name-resolve",
      "--character-set-server=utf8mb4",
      "--collation-server=utf8mb4_uca1400_ai_ci",
      "--default-time-zone=+00:00",
      "--skip-log-bin",
      "--innodb-buffer-pool-size=256M",
      "--max-connections=200",
      `--log-error=${log}`,
      ...(keep ? [] : THROWN_AWAY),
    ],
    { env: path, stdio: "ignore", detached: true },
  );
  guard(child);
  await reachable(port, child, log);
  if (fresh) writeFileSync(layoutFile, LAYOUT);
  writeFileSync(join(folder, "port"), String(port));
  const stop = async () => {
    await stopProcess(child);
    remove(join(folder, "owner"));
  };
  return { url: (name) => `mysql://root@127.0.0.1:${port}/${name}`, port, fresh, stop };
}

/** Notes whose folder it is. One that somebody else is at work in is refused; what one that was killed left is ended first. */
function takeFolder(folder) {
  const owner = join(folder, "owner");
  const of = existsSync(owner) ? Number(readFileSync(owner, "utf8")) : 0;
  if (of && of !== process.pid && isAlive(of))
    throw new Unable(
      `Keel Round is at work in ${folder} already (process ${of}). Stop it first with Ctrl-C; its data stay as they are.`,
    );
  writeFileSync(owner, String(process.pid));
}

/** Whether one of our launchers runs under a number; it may be another program's by now. */
function isAlive(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, "utf8").split("\0")[0]?.includes("node") ?? false;
  } catch {
    return false;
  }
}

/**
 * The database of a folder as it is: the one that runs there, else one that is started for the work at hand.
 *
 * @returns its address, and how to let go of it: one that was running goes on.
 */
export async function openDatabase(folder) {
  const noted = join(folder, "port");
  const port = existsSync(noted) ? Number(readFileSync(noted, "utf8")) : 0;
  if (port && (await greets(port)))
    return {
      url: (name) => `mysql://root@127.0.0.1:${port}/${name}`,
      fresh: false,
      running: true,
      stop: async () => {},
    };
  return { ...(await startDatabase(folder)), running: false };
}

async function reachable(port, child, log) {
  for (let i = 0; i < 1200; i++) {
    if (child.exitCode !== null) {
      const said = existsSync(log) ? readFileSync(log, "utf8").trim().split("\n").slice(-4).join("\n") : "";
      throw new Unable(`MariaDB did not start. Is another copy running in this folder? Its last words:\n${said}`);
    }
    const greeted = await greets(port);
    if (greeted) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Unable(`MariaDB did not answer within a minute. Its log is ${log}`);
}

/** Whether the server greets a connection. A port that is only open is a server that would still lose a signal to stop. */
function greets(port) {
  return new Promise((resolve) => {
    const socket = connect(port, "127.0.0.1");
    const answer = (greeted) => {
      socket.destroy();
      resolve(greeted);
    };
    socket.once("data", () => answer(true));
    socket.once("error", () => answer(false));
    socket.setTimeout(500, () => answer(false));
  });
}
