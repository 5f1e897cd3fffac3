import type { ChildProcess } from "node:child_process";

/** What three nodes need beside the server. */
export const CLUSTER_PROGRAMS: readonly string[];
/** HAProxy with one of our files, its addresses from the environment. */
export function haproxy(file: string, env: Readonly<Record<string, string>>): ChildProcess;
/** Three nodes on loopback behind one address at which a single one of them writes. */
export function startCluster(folder: string): Promise<{
  readonly fresh: boolean;
  readonly port: number;
  url(name: string): string;
  node(i: number, name: string): string;
  kill(i: number): Promise<void>;
  start(i: number): Promise<void>;
  stop(): Promise<void>;
}>;
