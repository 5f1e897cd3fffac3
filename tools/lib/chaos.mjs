import { join } from "node:path";
import { root, run } from "./system.mjs";

/** Kills parts of a running installation while work goes on; answers 0 where nothing was lost, doubled or stuck. */
export function chaos(kills) {
  return run(process.execPath, ["--import", "tsx", "../chaos/run.ts", "--kills", String(kills)], {
    cwd: join(root, "web"),
  });
}
