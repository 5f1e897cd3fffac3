import { appendFileSync, existsSync, readFileSync } from "node:fs";
import { join } from "node:path";
import type { startCluster } from "../tools/lib/cluster.mjs";

/** Between a kill and the start after it, and until the next kill. */
const [DOWN_MS, UP_MS] = [4000, 25_000];
/** Turns: the writer, another node, a web process and a jobs process of each worker that is there. */
const NODES = [1, 2, 3];

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Where processes of the application write down who they are, so that they can be killed. */
const partsFile = (folder: string) => join(folder, "parts");

/** Writes down that a process of the application runs. */
export function noteRunning(kind: "web" | "jobs", pid: number | undefined): void {
  const folder = process.env.E2E_PARTS;
  if (folder && pid) appendFileSync(partsFile(folder), `${kind} ${pid}\n`);
}

/** Kills one part after another while the journeys go on, nodes and processes; their owners start processes anew. */
export function killInTurn(cluster: Awaited<ReturnType<typeof startCluster>>, folder: string): () => Promise<void> {
  process.env.E2E_PARTS = folder;
  let goesOn = true;
  const kills: Record<string, number> = { node: 0, web: 0, jobs: 0 };
  const process_ = (kind: string) => {
    const noted = existsSync(partsFile(folder)) ? readFileSync(partsFile(folder), "utf8").trim().split("\n") : [];
    const pids = noted.filter((line) => line.startsWith(kind)).map((line) => Number(line.split(" ")[1]));
    const alive = pids.filter(isAlive);
    const pid = alive[Math.floor(Math.random() * alive.length)];
    if (pid === undefined) return;
    process.kill(pid, "SIGKILL");
    kills[kind] = (kills[kind] ?? 0) + 1;
  };
  const monkey = async () => {
    for (let turn = 0; goesOn; turn++) {
      await wait(UP_MS);
      if (!goesOn) return;
      const node = NODES[turn % 5];
      if (node === undefined) process_(turn % 5 === 3 ? "web" : "jobs");
      else {
        await cluster.kill(node);
        kills.node = (kills.node ?? 0) + 1;
        await wait(DOWN_MS);
        await cluster.start(node);
      }
    }
  };
  const over = monkey();
  return async () => {
    goesOn = false;
    await over;
    console.log(`Killed while the journeys went on: ${JSON.stringify(kills)}`);
  };
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
