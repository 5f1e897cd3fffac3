import { join } from "node:path";
import { bin, root, run } from "./lib/system.mjs";

const web = join(root, "web");
const made = await run(process.execPath, [join(root, "node_modules/next/dist/bin/next"), "typegen"], {
  cwd: web,
  stdio: ["ignore", "ignore", "inherit"],
});
/** Two at once: the large ones beside the small. */
const halves = [["web"], ["core", "web/device/worker", "stand-ins", "tools"]];
const codes = await Promise.all(
  halves.map(async (projects) => {
    let code = 0;
    for (const project of projects) code = (await run(bin("tsc"), ["-p", project])) || code;
    return code;
  }),
);
process.exit(made || codes.find((code) => code !== 0) || 0);
