import { mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { remove, root } from "./lib/system.mjs";

// npm run docs: the core's functions and types, a page for each room, out of their docstrings. What a room's index does not
// name is private and stands on no page.
const core = join(root, "core/src");
const out = join(root, ".keel/api");

/** Names that a room gives away, by the file they come from. */
function publicOf(room) {
  const index = readFileSync(join(core, room, "index.ts"), "utf8");
  return [...index.matchAll(/export (?:type )?\{([^}]*)\} from "\.\/([^"]+)"/g)].map(([, names, file]) => ({
    file,
    names: names
      .split(",")
      .map((n) => n.trim().replace(/^type /, ""))
      .filter(Boolean),
  }));
}

/** A docstring as Markdown: its tags as lines of their own, its example as code. */
function prose(doc) {
  const text = doc.replace(/^\/\*\*\s?|\s*\*\/\s*$/g, "").replace(/^ ?\* ?/gm, "");
  const [said, example] = text.split(/^@example\n/m);
  const told = said
    .replace(/^@param (\S+)/gm, "\n**$1**")
    .replace(/^@returns/gm, "\nReturns")
    .replace(/^@throws/gm, "\nThrows")
    .trim();
  return example ? `${told}\n\n\`\`\`ts\n${example.trim()}\n\`\`\`` : told;
}

/** What a name is: its docstring and its declaration without the body. */
function entryOf(source, name) {
  const named = (kinds, end) =>
    new RegExp(`(/\\*\\*(?:(?!\\*/)[\\s\\S])*?\\*/\\n)?export (?:async )?(${kinds}) ${name}\\b[\\s\\S]*?${end}`).exec(
      source,
    );
  const found = named("function\\*?|class|interface", "\\n\\}(?!\\))") ?? named("const|type", "(?:\\n\\}|;\\n)");
  if (!found) return null;
  const [whole, doc = "", kind] = found;
  const declared = whole.slice(doc.length).replace(/^export /, "");
  const shown =
    kind === "const"
      ? declared.split(/ =>| = /)[0]
      : kind.startsWith("function")
        ? (/^[\s\S]*?\)(?:: [^\n]+?)?(?= \{\n)/.exec(declared)?.[0] ?? declared)
        : declared;
  return `### ${name}\n\n${doc ? `${prose(doc)}\n\n` : ""}\`\`\`ts\n${shown.trim()}\n\`\`\``;
}

remove(out);
mkdirSync(out, { recursive: true });
const rooms = readdirSync(core, { withFileTypes: true })
  .filter((e) => e.isDirectory())
  .map((e) => e.name);
const counts = rooms.map((room) => {
  const entries = publicOf(room).flatMap(({ file, names }) => {
    const source = readFileSync(join(core, room, file), "utf8");
    return names.map((name) => entryOf(source, name)).filter(Boolean);
  });
  writeFileSync(join(out, `${room}.md`), `# core/${room}\n\n${entries.join("\n\n")}\n`);
  return { room, count: entries.length };
});
writeFileSync(
  join(out, "index.md"),
  `# The core\n\n${counts.map(({ room, count }) => `- [${room}](${room}.md): ${count}`).join("\n")}\n`,
);
console.log(
  `${counts.reduce((sum, c) => sum + c.count, 0)} entries of ${rooms.length} rooms: ${join(out, "index.md")}`,
);
