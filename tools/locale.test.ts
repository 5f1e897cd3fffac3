import { execFileSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { root } from "./lib/system.mjs";

test("no order depends on the machine's locale: names go by core/text, everything else by its code units", () => {
  const listed = execFileSync("git", ["ls-files", "core/src", "web", "stand-ins"], { cwd: root, encoding: "utf8" });
  const sources = listed.split("\n").filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f));
  expect(sources.length).toBeGreaterThan(500);
  expect(sources.filter((f) => readFileSync(join(root, f), "utf8").includes(".localeCompare("))).toEqual([]);
});
