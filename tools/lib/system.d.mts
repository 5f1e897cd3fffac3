import type { ChildProcess, SpawnOptions } from "node:child_process";

/** The folder of the project. */
export const root: string;
/** A free port on loopback. */
export function freePort(): Promise<number>;
/** Installs what is missing from Debian, or says what to do where it may not. */
export function ensurePrograms(programs: readonly string[]): void;
/** Has a process ended when this one is, also where it is killed and can end nothing itself. */
export function guard(child: ChildProcess): void;
/** Runs a program to its end and answers its exit code. */
export function run(command: string, args: readonly string[], options?: SpawnOptions): Promise<number>;
/** Ends a process and waits for it. */
export function stopProcess(child: ChildProcess): Promise<void>;
