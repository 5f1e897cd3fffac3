import { existsSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "./lib/database.mjs";
import { ensureModules, ensurePrograms, giveUp, root, run, tsx, Unable } from "./lib/system.mjs";

/** Prints the plan of a tank of the demo with its workings: npm run plan -- "reef in the waiting room" 2026-12-01. */
async function main() {
  const folder = join(root, ".keel/demo");
  if (!existsSync(join(folder, "mariadb"))) throw new Unable("There is no demo yet. Begin with: npm run demo");
  ensurePrograms(["mariadbd"]);
  ensureModules();
  const database = await openDatabase(folder);
  const [node, args] = tsx("../tools/printPlan.ts", process.argv.slice(2));
  const code = await run(node, args, {
    cwd: join(root, "web"),
    env: { ...process.env, DATABASE_URL: database.url("keel_round") },
  });
  await database.stop();
  process.exit(code);
}

main().catch(giveUp);
