import { existsSync, mkdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { openDatabase } from "./lib/database.mjs";
import { ensureModules, ensurePrograms, giveUp, root, run, tsx, Unable } from "./lib/system.mjs";

// npm run restore -- FILE: a backup into a folder that holds no data yet. It is checked to its end before that.
async function main() {
  const file = process.argv[2];
  if (!file) throw new Unable("Say what from: npm run restore -- keel-round.backup");
  const path = resolve(process.env.INIT_CWD ?? process.cwd(), file);
  if (!existsSync(path)) throw new Unable(`There is no file ${path}.`);
  const folder = join(root, ".keel/demo");
  if (existsSync(join(folder, "layout")))
    throw new Unable(
      `${folder} holds data. Move that folder away first, and keep it until you have looked at what was restored.`,
    );
  ensurePrograms(["mariadbd"]);
  ensureModules();
  const [node, args] = tsx("../tools/backup.ts");
  const web = join(root, "web");
  if ((await run(node, [...args, "verify", path], { cwd: web })) !== 0) process.exit(1);
  mkdirSync(folder, { recursive: true });
  const database = await openDatabase(folder);
  const code = await run(node, [...args, "restore", path], {
    cwd: web,
    env: { ...process.env, DATABASE_URL: database.url("keel_round"), PHOTO_FOLDER: join(folder, "photos") },
  });
  await database.stop();
  process.exit(code);
}

main().catch(giveUp);
