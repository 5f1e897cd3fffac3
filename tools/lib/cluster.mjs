import { spawn, spawnSync } from "node:child_process";
import {
  closeSync,
  existsSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { dirname, join } from "node:path";
import mysql from "mysql2/promise";
import { freePort, guard, isFree, root, stopProcess, Unable } from "./system.mjs";

/** What three nodes need beside the server: Debian's own packages. */
export const CLUSTER_PROGRAMS = [
  "mariadbd",
  "haproxy",
  "rsync",
  "socat",
  "lsof",
  "ip",
  "/usr/lib/galera/libgalera_smm.so",
];

const NODES = [1, 2, 3];
/** Ports of a node from the base: SQL, the group, what a node that comes back is sent, and what a new one is. */
const [GROUP, CATCH_UP, COPY] = [10, 20, 30];
const PATIENCE_MS = 120_000;
/** The server copies a node as somebody who owns nothing else; root it refuses. */
const USER = "nobody";

/**
 * Three nodes of MariaDB with Galera on loopback, behind one address at which a single one of them writes.
 *
 * @param folder Where their data are kept; every folder above it has to be open to all.
 * @returns the address, and how a node is killed, started and all are stopped.
 */
export async function startCluster(folder) {
  requireOpen(folder);
  mkdirSync(folder, { recursive: true, mode: 0o755 });
  const scripts = copyScripts();
  const base = await freeBase();
  const [writer, agentPort] = [await freePort(), await freePort()];
  const nodes = new Map();
  const one = (i) => nodeOf({ folder, base, i, scripts });
  const fresh = !existsSync(join(folder, "n1/data/mysql"));
  if (fresh) install(folder);
  const start = async (i, args = []) => {
    const node = one(i);
    nodes.set(i, node);
    await node.start(args);
  };
  const first = fresh ? 1 : lastToStop(folder);
  await start(first, ["--wsrep-new-cluster"]);
  for (const i of NODES.filter((n) => n !== first)) await start(i);

  const address = (i) => `127.0.0.1:${base + i}`;
  const agent = spawn(process.execPath, [join(root, "deploy/cluster/agent.mjs")], {
    cwd: root,
    env: {
      ...process.env,
      PORT: String(agentPort),
      NODES: NODES.map((i) => `mysql://root@${address(i)}`).join(","),
    },
    stdio: ["ignore", "ignore", "inherit"],
    detached: true,
  });
  guard(agent);
  const front = haproxy("haproxy.cfg", {
    WRITER: `127.0.0.1:${writer}`,
    AGENT: String(agentPort),
    ...Object.fromEntries(NODES.map((i) => [`NODE${i}`, address(i)])),
  });
  await answersAt(writer);
  return {
    fresh,
    port: writer,
    url: (name) => `mysql://root@127.0.0.1:${writer}/${name}`,
    kill: (i) => nodes.get(i).kill(),
    start,
    /** Address of one node by itself. */
    node: (i, name) => `mysql://root@${address(i)}/${name}`,
    stop: async () => {
      await Promise.all([stopProcess(front), stopProcess(agent)]);
      // The one that starts first next time is the one that stops last.
      for (const i of [3, 2, 1]) await nodes.get(i).stop();
    },
  };
}

/** HAProxy with one of our files, its addresses from the environment. */
export function haproxy(file, env) {
  const child = spawn("/usr/sbin/haproxy", ["-db", "-f", join(root, "deploy/cluster", file)], {
    env: { ...process.env, ...env },
    stdio: ["ignore", "ignore", "ignore"],
    detached: true,
  });
  guard(child);
  return child;
}

/** Every folder above has to be open to the user that the nodes run as. */
function requireOpen(folder) {
  for (let at = folder; at !== dirname(at); at = dirname(at))
    if (existsSync(at) && (statSync(at).mode & 0o005) !== 0o005)
      throw new Unable(
        `The nodes run as ${USER}, who may not enter ${at}. Move the checkout to where everybody may look, such as /opt.`,
      );
}

/** Scripts by which a node is copied: they are in the server's full package, whose service is not wanted. */
function copyScripts() {
  const folder = join(root, ".keel/sst");
  if (!existsSync(join(folder, "usr/bin/wsrep_sst_rsync"))) {
    mkdirSync(folder, { recursive: true });
    const got = spawnSync("apt-get", ["download", "mariadb-server"], { cwd: folder, encoding: "utf8" });
    const file = readdirSync(folder).find((name) => name.endsWith(".deb"));
    const unpacked = !file ? null : spawnSync("dpkg-deb", ["-x", join(folder, file), folder], { encoding: "utf8" });
    if (unpacked?.status !== 0)
      throw new Unable(
        `The scripts that copy a node could not be had:\n${(got.stderr || unpacked?.stderr || "").trim()}`,
      );
  }
  return join(folder, "usr/bin");
}

async function freeBase() {
  for (let tried = 0; tried < 200; tried++) {
    const base = 20_000 + 50 * Math.floor(Math.random() * 200);
    const wanted = NODES.flatMap((i) => [0, GROUP, CATCH_UP, COPY].map((part) => base + part + i));
    if ((await Promise.all(wanted.map(isFree))).every(Boolean)) return base;
  }
  throw new Unable("No twelve ports of loopback are free together.");
}

function install(folder) {
  const data = join(folder, "n1/data");
  mkdirSync(dirname(data), { recursive: true, mode: 0o755 });
  const made = spawnSync(
    "mariadb-install-db",
    [
      "--no-defaults",
      `--datadir=${data}`,
      "--auth-root-authentication-method=normal",
      "--skip-test-db",
      `--user=${USER}`,
    ],
    { encoding: "utf8" },
  );
  if (made.status !== 0)
    throw new Unable(`The first node could not be made:\n${made.stderr.trim().split("\n").slice(-4).join("\n")}`);
}

/** Of a cluster that was stopped: the node that stopped last has all that the others have. */
function lastToStop(folder) {
  const safe = (i) => /safe_to_bootstrap:\s*1/.test(readIf(join(folder, `n${i}/data/grastate.dat`)));
  const found = NODES.find(safe);
  if (found) return found;
  throw new Unable("All nodes were killed at once. Start over with: npm run cluster -- --fresh");
}

const readIf = (file) => (existsSync(file) ? readFileSync(file, "utf8") : "");

function nodeOf({ folder, base, i, scripts }) {
  const home = join(folder, `n${i}`);
  const env = { ...process.env, PATH: `${scripts}:${process.env.PATH}:/usr/sbin` };
  const url = { host: "127.0.0.1", port: base + i, user: "root", connectTimeout: 1000 };
  let child = null;
  return {
    start: async (args) => {
      for (const part of ["data", "tmp"]) mkdirSync(join(home, part), { recursive: true, mode: 0o755 });
      writeFileSync(join(home, "my.cnf"), settings({ home, base, i }));
      spawnSync("chown", ["-R", USER, home]);
      const log = openSync(join(home, "out.log"), "a");
      child = spawn("mariadbd", [`--defaults-file=${join(home, "my.cnf")}`, ...positionOf(home, env), ...args], {
        env,
        stdio: ["ignore", log, log],
        detached: true,
      });
      closeSync(log);
      guard(child);
      await synced(url, child, home);
    },
    kill: () =>
      new Promise((resolve) => {
        child.once("exit", resolve);
        child.kill("SIGKILL");
      }),
    stop: () => stopProcess(child),
  };
}

/** Where a node that has data stopped: without it, a node that crashed would not say what it has. */
function positionOf(home, env) {
  if (!existsSync(join(home, "data/mysql"))) return [];
  const log = join(home, "recovered.log");
  rmSync(log, { force: true });
  spawnSync("mariadbd", [`--defaults-file=${join(home, "my.cnf")}`, `--log-error=${log}`, "--wsrep-recover"], { env });
  const position = /Recovered position:? *(\S+)/.exec(readIf(log))?.[1];
  return position ? [`--wsrep_start_position=${position}`] : [];
}

/** The shared settings of a node, and what loopback needs beside them: ports of its own for all. */
function settings({ home, base, i }) {
  const group = (n) => `127.0.0.1:${base + GROUP + n}`;
  const filled = {
    NODE: `n${i}`,
    OWN: group(i),
    PEERS: NODES.map(group).join(","),
    PORTS: `gmcast.listen_addr=tcp://${group(i)};ist.recv_addr=127.0.0.1:${base + CATCH_UP + i};gcache.dir=${home};`,
  };
  const shared = readFileSync(join(root, "deploy/cluster/galera.cnf"), "utf8")
    // What a comment says of a place to fill in is no place.
    .replaceAll(/^#.*$/gm, "")
    .replaceAll(/\$\{(\w+)\}/g, (_, name) => filled[name]);
  return `${shared}
user=${USER}
datadir=${home}/data
socket=${home}/s.sock
pid-file=${home}/pid
log-error=${home}/db.err
tmpdir=${home}/tmp
bind-address=127.0.0.1
port=${base + i}
skip-name-resolve
skip-log-bin
character-set-server=utf8mb4
collation-server=utf8mb4_uca1400_ai_ci
default-time-zone=+00:00
innodb_buffer_pool_size=128M
max_connections=200
wsrep_node_incoming_address=127.0.0.1:${base + i}
wsrep_sst_receive_address=127.0.0.1:${base + COPY + i}
`;
}

/** Waits until a node is in step with the others. */
async function synced(url, child, home) {
  const until = Date.now() + PATIENCE_MS;
  while (Date.now() < until) {
    if (child.exitCode !== null || child.signalCode !== null) break;
    try {
      const connection = await mysql.createConnection(url);
      const [rows] = await connection.query("show global status like 'wsrep_local_state_comment'");
      await connection.end();
      if (rows[0]?.Value === "Synced") return;
    } catch {
      // Not listening yet, or it is being copied.
    }
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const said = readIf(join(home, "db.err"))
    .split("\n")
    .filter((line) => line.includes("ERROR"))
    .slice(-3)
    .join("\n");
  throw new Unable(`A node of the database did not come into step. Its last words:\n${said}`);
}

/** Waits until somebody answers a query at the address of the writer. */
async function answersAt(port) {
  for (let i = 0; i < 300; i++)
    try {
      const connection = await mysql.createConnection({ host: "127.0.0.1", port, user: "root", connectTimeout: 1000 });
      await connection.query("select 1");
      return await connection.end();
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  throw new Unable("The database does not answer behind its proxy.");
}
