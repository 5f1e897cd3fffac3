import { createHash } from "node:crypto";
import { readdirSync, readFileSync, statSync } from "node:fs";
import { join, relative } from "node:path";
import { build } from "esbuild";

// Bundles the service worker with the list of files it keeps. Runs after the production build, before the start.
const web = new URL("../web/", import.meta.url).pathname;
const walk = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    return statSync(path).isDirectory() ? walk(path) : [path];
  });

const buildId = readFileSync(join(web, ".next/BUILD_ID"), "utf8").trim();
const statics = walk(join(web, ".next/static"))
  .filter((f) => /\.(js|css|woff2)$/.test(f) && !/_(build|ssg)Manifest|clientMiddleware/i.test(f))
  .map((f) => ({
    url: `/_next/static/${relative(join(web, ".next/static"), f).split("/").map(encodeURIComponent).join("/")}`,
    revision: null as string | null,
  }));
const manifest = join(web, "public/manifest.webmanifest");
const entries = [
  ...statics,
  { url: "/visit", revision: buildId },
  { url: "/day", revision: buildId },
  { url: "/manifest.webmanifest", revision: createHash("md5").update(readFileSync(manifest)).digest("hex") },
];

await build({
  entryPoints: [join(web, "device/worker/sw.ts")],
  outfile: join(web, "public/sw.js"),
  bundle: true,
  minify: true,
  format: "iife",
  target: "es2022",
  define: { "self.__SW_MANIFEST": JSON.stringify(entries), "process.env.NODE_ENV": '"production"' },
});
console.log(`Service worker: ${entries.length} files`);
