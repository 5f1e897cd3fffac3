import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { startParts, tellStarted } from "./lib/parts.mjs";
import { ensureFolder, ensureModules, ensurePrograms, giveUp, remove, root } from "./lib/system.mjs";

const folder = join(root, ".keel/cluster");

// npm run cluster [-- --fresh]: the demo business on three nodes of the database, two web and two jobs processes behind their proxies, on loopback.
async function main() {
  const began = Date.now();
  if (process.argv.includes("--fresh")) remove(folder);
  ensureModules();
  const { CLUSTER_PROGRAMS, haproxy, startCluster } = await import("./lib/cluster.mjs");
  ensurePrograms([...CLUSTER_PROGRAMS, "openssl"]);
  ensureFolder(folder);
  await ensureBuild();
  const started = await startParts({
    ...{ folder, command: "cluster", mode: "production", app: ["start"], work: ["--import", "tsx"] },
    openDatabase: (home) => startCluster(join(home, "nodes")),
    copies: 2,
    front: (port, [a, b]) =>
      haproxy("haproxy-web.cfg", { FRONT: `127.0.0.1:${port}`, WEB1: `127.0.0.1:${a}`, WEB2: `127.0.0.1:${b}` }),
  });
  tellStarted(
    started,
    (Date.now() - began) / 1000,
    "Ctrl-C stops everything. The data stays; `npm run cluster -- --fresh` starts over.",
  );
}

main().catch(giveUp);
