import { spawnSync } from "node:child_process";
import { cpSync, mkdtempSync, readdirSync, rmSync } from "node:fs";
import { join } from "node:path";
import { bin, root } from "./lib/system.mjs";

// The schema in code and the migrations must say the same: generating on a copy adds nothing.
const web = join(root, "web");
const copy = mkdtempSync(join(web, ".schema-"));
try {
  cpSync(join(web, "data/database/migrations"), join(copy, "migrations"), { recursive: true });
  const before = readdirSync(join(copy, "migrations")).length;
  const out = join(copy, "migrations").slice(web.length + 1);
  const result = spawnSync(
    bin("drizzle-kit"),
    ["generate", "--dialect", "mysql", "--schema", "./data/schema/index.ts", "--out", out],
    { cwd: web, encoding: "utf8" },
  );
  const after = readdirSync(join(copy, "migrations")).length;
  if (result.status !== 0 || after !== before) {
    console.error(
      result.stdout,
      result.stderr,
      "The schema changed without a migration: run drizzle-kit generate in web/.",
    );
    process.exitCode = 1;
  } else console.log("Schema and migrations agree.");
} finally {
  rmSync(copy, { recursive: true, force: true });
}
