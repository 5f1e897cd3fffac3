import { join } from "node:path";
import { ensureModules, giveUp, root, run, tsx, Unable } from "./lib/system.mjs";

// npm run migrate: brings the database of the environment to the schema of this version. It may run beside others, and be repeated.
async function main() {
  if (!process.env.DATABASE_URL) throw new Unable("Set DATABASE_URL to the address of the database first.");
  ensureModules();
  const [node, args] = tsx("observe/migrate.ts");
  process.exit(await run(node, args, { cwd: join(root, "web") }));
}

main().catch(giveUp);
