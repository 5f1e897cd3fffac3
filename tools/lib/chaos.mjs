import { join } from "node:path";
import { root, run } from "./system.mjs";

/** Runs a program of chaos/ on an installation of its own; answers 0 where all of it held. */
export function chaos(file, ...args) {
  return run(process.execPath, ["--import", "tsx", `../chaos/${file}`, ...args], { cwd: join(root, "web") });
}
