import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { bin, root } from "./lib/system.mjs";

/** Runs the import rule over the tree; answers how many modules it looked at and what it found. */
function cruise() {
  const result = spawnSync(
    bin("depcruise"),
    [
      "core/src",
      "web/app",
      "web/places",
      "web/kit",
      "web/device",
      "web/data",
      "web/jobs",
      "web/observe",
      "--config",
      ".dependency-cruiser.cjs",
      "--output-type",
      "json",
    ],
    { cwd: root, encoding: "utf8", maxBuffer: 1 << 28 },
  );
  if (!result.stdout) throw new Error(result.stderr);
  const { summary } = JSON.parse(result.stdout);
  return { modules: summary.totalCruised, violations: summary.violations };
}

/** Client files reach the server only through actions: a type is no import. */
function clientViolations() {
  const found = [];
  const walk = (folder) => {
    for (const name of readdirSync(join(root, folder))) {
      const path = join(folder, name);
      if (statSync(join(root, path)).isDirectory()) walk(path);
      else if (/\.tsx?$/.test(name)) {
        const text = readFileSync(join(root, path), "utf8");
        if (!text.startsWith('"use client"')) continue;
        for (const [line] of text.matchAll(/^import (?!type ).* from "@\/data\/.*";$/gm))
          found.push(`${path}: ${line}`);
      }
    }
  };
  walk("web/places");
  walk("web/kit");
  return found;
}

const planted = join(root, "core/src/units/planted.ts");
writeFileSync(planted, 'import "../../../web/data/database/ids";\n');
let withPlant;
try {
  withPlant = cruise();
} finally {
  rmSync(planted);
}
if (!withPlant.violations.some((v) => v.from.endsWith("planted.ts"))) {
  console.error("The planted violation was not found: the import rule looks at nothing.");
  process.exit(1);
}

const { modules, violations } = cruise();
const client = clientViolations();
for (const v of violations) console.error(`${v.rule.name}: ${v.from} → ${v.to}`);
for (const line of client) console.error(`client-imports-data: ${line}`);
if (modules < 100 || violations.length > 0 || client.length > 0) {
  console.error(`Import rule: ${violations.length + client.length} violations in ${modules} modules.`);
  process.exit(1);
}
console.log(`Import rule: ${modules} modules, no violation; a planted one was found.`);
