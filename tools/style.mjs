import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { parseSync } from "@swc/core";
import { root } from "./lib/system.mjs";

// node tools/style.mjs [folder ...]: how long functions and files are, how many exported functions carry a docstring, an
// example, a unit in their numbers' names, and how many casts there are; of the core where no folder is told.
const folders = process.argv.slice(2);
const FUNCTIONS = new Set(["FunctionDeclaration", "FunctionExpression", "ArrowFunctionExpression", "ClassMethod"]);
const LONG = 50;

function sourcesIn(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return name === "node_modules" || name === ".next" ? [] : sourcesIn(path);
    return /\.tsx?$/.test(name) && !/\.(test|fixture|compiled)\.tsx?$/.test(name) && !name.endsWith(".d.ts")
      ? [path]
      : [];
  });
}

/** Functions of a file with their lines; those inside another one are counted with it and by themselves. */
function functionsOf(text, path) {
  const bytes = Buffer.from(text);
  const tree = parseSync(text, { syntax: "typescript", tsx: path.endsWith(".tsx") });
  const base = tree.span.start - Math.max(0, bytes.indexOf(text.trimStart().slice(0, 1)));
  const lines = (span) =>
    bytes
      .subarray(span.start - base, span.end - base)
      .toString()
      .split("\n").length;
  const found = [];
  const walk = (node, depth) => {
    if (!node || typeof node !== "object") return;
    if (Array.isArray(node)) {
      for (const n of node) walk(n, depth);
      return;
    }
    const is = FUNCTIONS.has(node.type);
    if (is && node.span && depth === 0) found.push(lines(node.span));
    for (const [key, value] of Object.entries(node)) if (key !== "span") walk(value, depth + (is ? 1 : 0));
  };
  walk(tree.body, 0);
  return found;
}

const part = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
const percent = (n, of) => `${Math.round((100 * n) / Math.max(1, of))} %`;

for (const folder of folders.length > 0 ? folders : ["core/src"]) {
  const files = sourcesIn(join(root, folder));
  const texts = files.map((f) => readFileSync(f, "utf8"));
  const functions = files.flatMap((f, i) => functionsOf(texts[i], f)).sort((a, b) => a - b);
  const lengths = texts.map((t) => t.split("\n").length - 1).sort((a, b) => a - b);
  const exported = texts.flatMap((t) => [
    ...t.matchAll(
      /(\/\*\*(?:(?!\*\/)[\s\S])*\*\/\n)?export (?:async )?(?:function\*? |const (?=\w+ = (?:<[^>]*>)?\())\w+/g,
    ),
  ]);
  const documented = exported.filter(([, doc]) => doc);
  const casts = texts.flatMap((t) => t.match(/ as (?!const\b)(?:never|unknown as|any)\b/g) ?? []);
  console.log(
    [
      folder,
      `${files.length} files, ${lengths.reduce((a, b) => a + b, 0)} lines, median ${part(lengths, 0.5)}, longest ${lengths.at(-1)}`,
      `${functions.length} functions, median ${part(functions, 0.5)} lines, nine in ten ${part(functions, 0.9)}, longest ${functions.at(-1)}, over ${LONG}: ${functions.filter((n) => n > LONG).length}`,
      `${exported.length} exported functions, docstring ${percent(documented.length, exported.length)}, example ${documented.filter(([, d]) => d.includes("@example")).length}`,
      `casts through never, any or unknown: ${casts.length}`,
    ].join("; "),
  );
}
