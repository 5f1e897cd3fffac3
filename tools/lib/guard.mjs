import { readFileSync } from "node:fs";
import { createInterface } from "node:readline";

/**
 * Ends what a launcher started, however the launcher ended: it hears of each process on a line, and the end of its input is
 * the launcher's own.
 */
const pids = new Map();

/** What a process is: its number may belong to another one by now. */
const nameOf = (pid) => {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, "utf8");
  } catch {
    return null;
  }
};

for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => {});
for await (const line of createInterface({ input: process.stdin })) {
  const pid = Number(line);
  pids.set(pid, nameOf(pid));
}
for (const [pid, name] of [...pids].reverse()) {
  if (name === null || nameOf(pid) !== name) continue;
  process.kill(pid, "SIGTERM");
  // One after the other: the database goes when nobody asks it any more.
  for (let i = 0; i < 300 && nameOf(pid) === name; i++) await new Promise((resolve) => setTimeout(resolve, 100));
}
