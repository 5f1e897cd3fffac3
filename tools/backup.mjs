import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { openDatabase } from "./lib/database.mjs";
import { ensureModules, ensurePrograms, giveUp, root, run, tsx, Unable } from "./lib/system.mjs";

// npm run backup -- FILE: everything in one file, of the database and the pictures that the environment names, else of the demo's, while it
// runs or while it rests.
async function main() {
  const file = process.argv[2];
  if (!file) throw new Unable("Say where to: npm run backup -- keel-round.backup");
  const path = resolve(process.env.INIT_CWD ?? process.cwd(), file);
  if (existsSync(path)) throw new Unable(`${path} is there already. Name another file.`);
  const { DATABASE_URL, PHOTO_FOLDER } = process.env;
  if (DATABASE_URL && PHOTO_FOLDER) {
    ensureModules();
    const [node, args] = tsx("../tools/backup.ts");
    process.exit(await run(node, [...args, "write", path], { cwd: join(root, "web") }));
  }
  const folder = join(root, ".keel/demo");
  if (!existsSync(join(folder, "layout"))) throw new Unable("There is no data yet. Start it once with: npm run demo");
  ensurePrograms(["mariadbd"]);
  ensureModules();
  const database = await openDatabase(folder);
  const [node, args] = tsx("../tools/backup.ts");
  const code = await run(node, [...args, "write", path], {
    cwd: join(root, "web"),
    env: { ...process.env, DATABASE_URL: database.url("keel_round"), PHOTO_FOLDER: join(folder, "photos") },
  });
  await database.stop();
  process.exit(code);
}

main().catch(giveUp);
