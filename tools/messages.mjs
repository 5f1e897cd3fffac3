import { existsSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { parse, TYPE } from "@formatjs/icu-messageformat-parser";
import { root } from "./lib/system.mjs";

// node tools/messages.mjs [--check] [--folder=F]: compiles the ICU messages of core/src/say/<locale>/*.json to functions, so that neither
// the phone nor the server carries a parser. With --check it writes nothing and fails where what is written is not what
// the messages say.
// Of another folder where one is named: the tests try a language that does not ship.
const named = process.argv.find((a) => a.startsWith("--folder="))?.slice("--folder=".length);
const folder = named ?? join(root, "core/src/say");

/** Every message of a locale by its code; a code may stand in one file only. */
function messagesOf(locale) {
  const all = new Map();
  if (!existsSync(join(folder, locale))) return all;
  for (const file of readdirSync(join(folder, locale))
    .filter((f) => f.endsWith(".json"))
    .sort())
    for (const [code, text] of Object.entries(JSON.parse(readFileSync(join(folder, locale, file), "utf8")))) {
      if (all.has(code)) throw new Error(`${file}: ${code} stands in another file too`);
      all.set(code, text);
    }
  return new Map([...all].sort(([a], [b]) => (a < b ? -1 : 1)));
}

const literal = (text) => text.replace(/[`\\]|\$\{/g, (c) => `\\${c}`);

/** The code of a part of a message; notes each argument and whether it has to be a number. */
function partOf(element, takes, counted) {
  switch (element.type) {
    case TYPE.literal:
      return literal(element.value);
    case TYPE.argument:
      takes.set(element.value, takes.get(element.value) ?? "Value");
      return `\${t("${element.value}")}`;
    case TYPE.pound:
      return `\${t("${counted}")}`;
    case TYPE.plural: {
      takes.set(element.value, "number");
      const ways = Object.entries(element.options).map(([way, { value }]) => [
        way,
        value.map((e) => partOf(e, takes, element.value)).join(""),
      ]);
      const exact = ways.filter(([way]) => way.startsWith("="));
      const kinds = ways.filter(([way]) => !way.startsWith("="));
      const other = kinds.find(([way]) => way === "other");
      if (!other) throw new Error(`${element.value}: a plural says what all others are`);
      const asked = [
        ...exact.map(([way, text]) => [`n("${element.value}") === ${Number(way.slice(1))}`, text]),
        ...kinds.filter((k) => k !== other).map(([way, text]) => [`p("${element.value}") === "${way}"`, text]),
      ];
      return `\${${asked.map(([when, text]) => `${when} ? \`${text}\` : `).join("")}\`${other[1]}\`}`;
    }
    case TYPE.select: {
      const ways = Object.entries(element.options).map(([way, { value }]) => [
        way,
        value.map((e) => partOf(e, takes, counted)).join(""),
      ]);
      const named = ways.filter(([way]) => way !== "other");
      const other = ways.find(([way]) => way === "other")?.[1] ?? "";
      takes.set(
        element.value,
        named
          .map(([way]) => `"${way}"`)
          .concat('"other"')
          .join(" | "),
      );
      return `\${${named.map(([way, text]) => `t("${element.value}") === "${way}" ? \`${text}\` : `).join("")}\`${other}\`}`;
    }
    default:
      throw new Error(`This part of a message is not known: ${JSON.stringify(element)}`);
  }
}

function compiled(locale) {
  const values = [];
  const functions = [];
  for (const [code, text] of messagesOf(locale)) {
    const takes = new Map();
    let body;
    try {
      body = parse(text, { ignoreTag: true })
        .map((e) => partOf(e, takes, ""))
        .join("");
    } catch (error) {
      throw new Error(`${code}: ${error.message}`);
    }
    const plain = takes.size === 0;
    values.push(
      `  readonly "${code}": ${plain ? "Nothing" : `{ ${[...takes].map(([name, type]) => `readonly ${name}: ${type}`).join("; ")} }`};`,
    );
    const uses = ["t", "n", "p"].map((f) => body.includes(`${f}("`));
    const parameters = ["t", "n", "p"].slice(0, uses.lastIndexOf(true) + 1).map((f, i) => (uses[i] ? f : `_${f}`));
    functions.push(`  "${code}": (${parameters.join(", ")}) => \`${body}\`,`);
  }
  return [
    "// Made by tools/messages.mjs from the messages beside this file. Do not edit.",
    'import type { Nothing, Sentence, Value } from "./message.ts";',
    "",
    "/** What each message is told with. */",
    "export interface Values {",
    ...values,
    "}",
    "",
    "/** The sentences, compiled. */",
    "export const SENTENCES: { readonly [C in keyof Values]: Sentence } = {",
    ...functions,
    "};",
    "",
  ].join("\n");
}

/** The languages beside English, each a folder of messages, and what all of them are called. */
const others = readdirSync(folder, { withFileTypes: true })
  .filter((e) => e.isDirectory() && e.name !== "en")
  .map((e) => e.name)
  .sort();

const catalogues = [
  "// Made by tools/messages.mjs. Do not edit.",
  ...others.map((o) => `import { SENTENCES as ${o} } from "./${o}.compiled.ts";`),
  'import type { Sentence } from "./message.ts";',
  "",
  "/** The messages of every language beside English, by its language subtag. */",
  `export const CATALOGUES: Readonly<Record<string, Readonly<Record<string, Sentence>> | undefined>> = {${others.length > 0 ? ` ${others.join(", ")} ` : ""}};`,
  "",
].join("\n");

const files = [
  ["en.compiled.ts", compiled("en")],
  // The words of the trouble guide by themselves: nobody carries them who does not open it.
  ["guide.compiled.ts", compiled("en/guide")],
  ...others.map((o) => [`${o}.compiled.ts`, compiled(o)]),
  ["catalogues.compiled.ts", catalogues],
];
if (process.argv.includes("--check")) {
  for (const [name, now] of files)
    if (!existsSync(join(folder, name)) || readFileSync(join(folder, name), "utf8") !== now) {
      console.error(`${name}: the messages were changed and not compiled: run node tools/messages.mjs.`);
      process.exit(1);
    }
  console.log("Messages: compiled as they are written.");
} else for (const [name, now] of files) writeFileSync(join(folder, name), now);
