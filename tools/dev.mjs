import { existsSync } from "node:fs";
import { join } from "node:path";
import { startParts, tellStarted } from "./lib/parts.mjs";
import { bin, ensureFolder, ensureModules, ensurePrograms, giveUp, remove, root, run } from "./lib/system.mjs";

const folder = join(root, ".keel/dev");

/** The demo business on the development server: a changed line is seen at once, and background work begins anew with it. */
async function main() {
  const began = Date.now();
  if (process.argv.includes("--fresh")) remove(folder);
  ensurePrograms(["mariadbd", "openssl"]);
  ensureModules();
  ensureFolder(folder);
  if (existsSync(join(root, ".git"))) await run(bin("lefthook"), ["install"], { stdio: "ignore" });
  const started = await startParts({
    folder,
    command: "dev",
    mode: "development",
    app: ["dev"],
    work: ["--watch", "--import", "tsx"],
  });
  tellStarted(
    started,
    (Date.now() - began) / 1000,
    "Change a file and look: the page follows. Ctrl-C stops everything; `npm run dev -- --fresh` starts over.",
  );
}

main().catch(giveUp);
