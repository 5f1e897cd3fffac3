import { join } from "node:path";
import { bin, root, run } from "./lib/system.mjs";

const web = join(root, "web");
const code =
  (await run(process.execPath, [join(root, "node_modules/next/dist/bin/next"), "typegen"], {
    cwd: web,
    stdio: ["ignore", "ignore", "inherit"],
  })) ||
  (await run(bin("tsc"), ["-p", "core"])) ||
  (await run(bin("tsc"), ["-p", "web"])) ||
  (await run(bin("tsc"), ["-p", "web/device/worker"])) ||
  (await run(bin("tsc"), ["-p", "stand-ins"])) ||
  (await run(bin("tsc"), ["-p", "tools"]));
process.exit(code);
