import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { ensureBuild } from "../tools/lib/build.mjs";
import { startDatabase } from "../tools/lib/database.mjs";
import { bin, ensureModules, ensurePrograms, giveUp, root, run } from "../tools/lib/system.mjs";

const BUNDLE = [
  "--bundle",
  "--platform=node",
  "--format=esm",
  "--packages=external",
  "--alias:@keel-round/core=../core/src",
  "--tsconfig=tsconfig.json",
  "--log-level=warning",
];

/** The programs under bench/. */
const PROGRAMS =
  "plan pages shipped find import section draws merge lay sheet weeks drag settle trend curve handle paper guide stores".split(
    " ",
  );

// node bench/run.mjs NAME: a private MariaDB, the production build, and one program under bench/.
async function main() {
  const name = process.argv[2];
  if (!PROGRAMS.includes(name)) {
    console.error(`Which one? node bench/run.mjs ${PROGRAMS.join(" | ")}`);
    process.exit(1);
  }
  ensurePrograms(["mariadbd", "chromium-headless-shell"]);
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
  // As a build makes it: the development loader puts a name on every function it makes, which costs a plan half its time.
  // Beside the packages, so that they are found from there.
  const program = join(root, "web/node_modules/.cache", `bench-${process.pid}.mjs`);
  const bundled = await run(bin("esbuild"), [`../bench/${name}.ts`, ...BUNDLE, `--outfile=${program}`], {
    cwd: join(root, "web"),
    env,
  });
  const code = bundled === 0 ? await run(process.execPath, [program], { cwd: join(root, "web"), env }) : bundled;
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
  rmSync(program, { force: true });
  process.exit(code);
}

main().catch(giveUp);
