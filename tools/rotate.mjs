import { join } from "node:path";
import { ensureModules, giveUp, root, run, tsx, Unable } from "./lib/system.mjs";

const NEEDED = ["DATABASE_URL", "BETTER_AUTH_URL", "BETTER_AUTH_SECRET", "BETTER_AUTH_SECRET_BEFORE"];

// npm run rotate: seals under BETTER_AUTH_SECRET what was sealed under BETTER_AUTH_SECRET_BEFORE. It may run beside others, and be repeated.
async function main() {
  const missing = NEEDED.filter((name) => !process.env[name]);
  if (missing.length > 0) throw new Unable(`Set ${missing.join(", ")} first: docs/operations.md, "A new secret".`);
  ensureModules();
  const [node, args] = tsx("observe/rotate.ts");
  process.exit(await run(node, args, { cwd: join(root, "web") }));
}

main().catch(giveUp);
