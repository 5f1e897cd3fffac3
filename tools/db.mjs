import { existsSync } from "node:fs";
import { join } from "node:path";
import { openDatabase } from "./lib/database.mjs";
import { ensurePrograms, giveUp, root, run, Unable } from "./lib/system.mjs";

/** A client on the demo's database, whether the demo runs or not: npm run db [-- dev] [-- -e "select …"]. */
async function main() {
  const [first, ...rest] = process.argv.slice(2);
  const of = first === "dev" ? "dev" : "demo";
  const folder = join(root, ".keel", of);
  if (!existsSync(join(folder, "mariadb"))) throw new Unable(`There is no database yet. Begin with: npm run ${of}`);
  ensurePrograms(["mariadbd", "mariadb"]);
  const database = await openDatabase(folder);
  const { hostname, port } = new URL(database.url("keel_round"));
  const args = first === "dev" || first === undefined ? rest : [first, ...rest];
  const code = await run("mariadb", ["-h", hostname, "-P", port, "-u", "root", "keel_round", ...args]);
  await database.stop();
  process.exit(code);
}

main().catch(giveUp);
