import { type ChildProcess, spawn } from "node:child_process";
import { openSync, readFileSync } from "node:fs";
import { connect, createServer, type Server, type Socket } from "node:net";
import { join } from "node:path";
import { startDatabase } from "../tools/lib/database.mjs";
import { freePort, guard, root, stopProcess } from "../tools/lib/system.mjs";

/** A part of the installation that can be killed and comes back. */
export interface Part<Name extends string = "web" | "jobs" | "database"> {
  readonly name: Name;
  /** CPU seconds that its process has used, as the system counts them; 0 where it is none of ours. */
  cpuS?(): number;
  kill(): Promise<void>;
  start(): Promise<void>;
  stop(): Promise<void>;
}

const wait = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

/** Dead at once, as by a power cut of its own; waits until it is gone. */
async function killed(child: ChildProcess | null): Promise<void> {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((resolve) => child.once("exit", resolve));
  child.kill("SIGKILL");
  await gone;
}

/** A Node program of ours as a part. `ready` resolves once it can be used. */
export function program(
  name: "web" | "jobs",
  args: readonly string[],
  env: NodeJS.ProcessEnv,
  log: string,
  ready: () => Promise<void>,
): Part {
  let child: ChildProcess | null = null;
  return {
    name,
    cpuS: () => cpuOf(child?.pid),
    kill: () => killed(child),
    start: async () => {
      child = spawn(process.execPath, args, {
        cwd: join(root, "web"),
        env,
        stdio: ["ignore", "ignore", openSync(log, "a")],
        detached: true,
      });
      guard(child);
      await ready();
    },
    stop: async () => {
      if (child) await stopProcess(child);
    },
  };
}

/** Answers at an address, whatever it answers. */
export async function answers(url: string): Promise<void> {
  for (let i = 0; i < 600; i++) {
    try {
      await fetch(url, { signal: AbortSignal.timeout(2000) });
      return;
    } catch {
      // Not there yet.
      await wait(100);
    }
  }
  throw new Error(`${url} does not answer`);
}

/**
 * MariaDB behind an address that stays the same while the server itself is killed and started anew. Every commit that
 * it answers is on the disk.
 */
export async function database(folder: string): Promise<Part & { readonly port: number; url(name: string): string }> {
  let running = await startDatabase(folder);
  const sockets = new Set<Socket>();
  const front: Server = createServer((client) => {
    const server = connect(running.port, "127.0.0.1");
    for (const socket of [client, server]) {
      sockets.add(socket);
      socket.once("close", () => sockets.delete(socket));
      socket.on("error", () => {
        client.destroy();
        server.destroy();
      });
    }
    client.pipe(server).pipe(client);
    client.once("close", () => server.destroy());
    server.once("close", () => client.destroy());
  });
  const port = await freePort();
  await new Promise<void>((resolve) => front.listen(port, "127.0.0.1", resolve));
  return {
    name: "database",
    port,
    url: (name) => `mysql://root@127.0.0.1:${port}/${name}`,
    kill: async () => {
      const pid = Number(readFileSync(join(folder, "pid"), "utf8"));
      process.kill(pid, "SIGKILL");
      while (alive(pid)) await wait(20);
    },
    start: async () => {
      running = await startDatabase(folder);
    },
    stop: async () => {
      for (const socket of sockets) socket.destroy();
      await new Promise((resolve) => front.close(resolve));
      await running.stop();
    },
  };
}

/** Clock ticks a second of the system's own count. */
const TICKS = 100;

/** CPU seconds of a process with all its threads, in the program and for it. */
export function cpuOf(pid: number | undefined): number {
  if (pid === undefined) return 0;
  const fields = readFileSync(`/proc/${pid}/stat`, "utf8").split(") ")[1]?.split(" ") ?? [];
  return (Number(fields[11]) + Number(fields[12])) / TICKS;
}

function alive(pid: number): boolean {
  try {
    // A process that is dead and not yet reaped has no program any more.
    return readFileSync(`/proc/${pid}/cmdline`, "utf8") !== "";
  } catch {
    return false;
  }
}
