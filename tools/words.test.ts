import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";

// What people read in the interface, held against the few rules of style that a program can see.
const ROOT = join(import.meta.dirname, "..");
const READ = ["core/src", "web/places", "web/kit", "web/data", "web/app", "web/jobs"];

/** Tests, what is made from the messages, words that a person types, and the statements of the migrator. */
const UNREAD = /\.(test|fixture)\.tsx?$|en\.compiled|parseCadence|migrate\.ts/;

function filesIn(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return name === "migrations" ? [] : filesIn(path);
    return /\.(tsx?|json)$/.test(name) && !UNREAD.test(name) ? [path] : [];
  });
}

/** The sentences of a file: what stands in quotes or between tags, without its comments. */
function sentencesOf(path: string): string[] {
  const code = readFileSync(path, "utf8")
    .replace(/\/\*[\s\S]*?\*\//g, "")
    .replace(/^\s*\/\/.*$/gm, "");
  const quoted = [...code.matchAll(/"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`/g)].map((m) => m[1] ?? m[2] ?? "");
  const between = [...code.matchAll(/>([^<>{}=;]+)</g)].map((m) => (m[1] ?? "").replaceAll(/\s+/g, " "));
  return [...quoted, ...between].filter((text) => /[a-z]{2,} [a-z]/i.test(text));
}

const FILES = READ.flatMap((folder) => filesIn(join(ROOT, folder)));
const ALL = FILES.flatMap((path) => sentencesOf(path).map((text) => ({ at: path.slice(ROOT.length + 1), text })));

const RULES: readonly (readonly [what: string, RegExp])[] = [
  ["says what to enter, not that something is needed", /\b(?:is|are) needed\b/i],
  ["says what to do, not that something is not right", /\bis not right\b/],
  ["has no article twice", /\b(?:the|a|an) (?:the|a|an)\b/i],
  ["counts as English does", /\b1 (?:tanks|sites|stops|visits|days|hours|minutes|readings|litres|jobs|weeks|months)\b/],
  ["tells a day in words", /\b20\d\d-\d\d-\d\d\b/],
  ["writes pH as it is written", /(?<!\{)\b(?:ph|Ph|PH)\b(?![-."'`\]:)])/],
  ["writes KH, GH, TDS, UV and CO2 as they are written", /\b(?:kh|gh|tds|uv|co2)\b(?![-."'`\]:)])/],
];

test("there is something to read", () => expect(ALL.length).toBeGreaterThan(1000));

describe("every sentence", () => {
  test.each(RULES)("%s", (_, rule) => {
    const wrong = ALL.filter(({ text }) => rule.test(text));
    expect(wrong).toEqual([]);
  });
});
