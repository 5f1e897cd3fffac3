import { createHash } from "node:crypto";
import { copyFileSync, existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { root, run, tsx, Unable } from "./system.mjs";

const web = join(root, "web");

/** Everything whose change asks for a new build. */
function sourcesHash() {
  const hash = createHash("sha256");
  const visit = (folder) => {
    for (const name of readdirSync(folder).sort()) {
      if (["node_modules", ".next", "public", "next-env.d.ts", "tsconfig.tsbuildinfo"].includes(name)) continue;
      const path = join(folder, name);
      if (statSync(path).isDirectory()) visit(path);
      else hash.update(path.slice(root.length)).update(readFileSync(path));
    }
  };
  visit(web);
  visit(join(root, "core/src"));
  hash.update(readFileSync(join(root, "package-lock.json"))).update(readFileSync(join(root, "tools/build-worker.ts")));
  return hash.digest("hex");
}

/** Fonts that pages without the bundler need are copied from their package. */
function copyFonts() {
  const fonts = join(web, "public/fonts");
  mkdirSync(fonts, { recursive: true });
  for (const [name, target] of [
    ["next", "next.woff2"],
    ["mono", "mono.woff2"],
  ])
    copyFileSync(
      join(
        root,
        `node_modules/@fontsource-variable/atkinson-hyperlegible-${name}/files/atkinson-hyperlegible-${name}-latin-wght-normal.woff2`,
      ),
      join(fonts, target),
    );
}

/** Makes the production build and the service worker when their sources changed. */
export async function ensureBuild() {
  const stamp = join(web, ".next/keel-sources");
  const hash = sourcesHash();
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === hash) return;
  console.log("Building the application ...");
  copyFonts();
  const env = { ...process.env, NEXT_TELEMETRY_DISABLED: "1", NODE_ENV: "production" };
  if ((await run(process.execPath, [join(root, "node_modules/next/dist/bin/next"), "build"], { cwd: web, env })) !== 0)
    throw new Unable("The production build failed; its reason stands above.");
  const [node, args] = tsx("tools/build-worker.ts");
  if ((await run(node, args)) !== 0)
    throw new Unable("The service worker could not be built; its reason stands above.");
  writeFileSync(stamp, hash);
}
