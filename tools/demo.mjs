import { join } from "node:path";
import { ensureBuild } from "./lib/build.mjs";
import { startParts, tellStarted } from "./lib/parts.mjs";
import { ensureFolder, ensureModules, ensurePrograms, giveUp, remove, root } from "./lib/system.mjs";

const folder = join(root, ".keel/demo");

/** The production build with the demo business. */
async function main() {
  const began = Date.now();
  if (process.argv.includes("--fresh")) remove(folder);
  ensurePrograms(["mariadbd", "openssl"]);
  ensureModules();
  ensureFolder(folder);
  await ensureBuild();
  const started = await startParts({
    folder,
    command: "demo",
    mode: "production",
    app: ["start"],
    work: ["--import", "tsx"],
  });
  tellStarted(
    started,
    (Date.now() - began) / 1000,
    "Ctrl-C stops everything. The data stays; `npm run demo -- --fresh` starts over.",
  );
}

main().catch(giveUp);
