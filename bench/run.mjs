import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureBuild } from "../tools/lib/build.mjs";
import { startDatabase } from "../tools/lib/database.mjs";
import { ensureModules, ensurePrograms, giveUp, root, run, tsx } from "../tools/lib/system.mjs";

// node bench/run.mjs plan | pages | shipped | find | import | section | draws | merge | lay: a private MariaDB, the production build,
// and one program under bench/.
async function main() {
  const name = process.argv[2];
  if (!["plan", "pages", "shipped", "find", "import", "section", "draws", "merge", "lay"].includes(name)) {
    console.error(
      "Which one? node bench/run.mjs plan | pages | shipped | find | import | section | draws | merge | lay",
    );
    process.exit(1);
  }
  ensurePrograms(["mariadbd"]);
  ensureModules();
  await ensureBuild();
  const folder = mkdtempSync(join(tmpdir(), "keel-bench-"));
  const database = await startDatabase(folder);
  const env = {
    ...process.env,
    NODE_ENV: "production",
    NEXT_TELEMETRY_DISABLED: "1",
    DATABASE_URL: database.url("bench"),
    PHOTO_FOLDER: join(folder, "photos"),
    BETTER_AUTH_URL: "http://localhost:4699",
    BETTER_AUTH_SECRET: "a-secret-for-measuring-only-0123456789ab",
  };
  const [node, args] = tsx(`../bench/${name}.ts`);
  const code = await run(node, args, { cwd: join(root, "web"), env });
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  process.exit(code);
}

main().catch(giveUp);
