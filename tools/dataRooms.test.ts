import { readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { expect, test } from "vitest";

// Each folder of web/data keeps one thing, and what it leans on never leans back.
const DATA = join(import.meta.dirname, "../web/data");
const rooms = readdirSync(DATA, { withFileTypes: true });

const filesOf = (room: string): string[] =>
  readdirSync(join(DATA, room), { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\./.test(name))
    .map((name) => join(DATA, room, name));

/** The rooms that a file imports from, types too. */
const importsOf = (file: string): string[] =>
  [...readFileSync(file, "utf8").matchAll(/^(?:import|export)[^;]*? from "([^"]+)";/gm)].flatMap(([, from = ""]) => {
    const path = from.startsWith("@/data/") ? join(DATA, from.slice(7)) : resolve(dirname(file), from);
    const inside = relative(DATA, path);
    return from.startsWith("@/data/") || (from.startsWith(".") && !inside.startsWith(".."))
      ? [inside.split("/")[0] ?? ""]
      : [];
  });

const leansOn = new Map(
  rooms.map(({ name }) => [
    name,
    new Set(
      filesOf(name)
        .flatMap(importsOf)
        .filter((room) => room !== name),
    ),
  ]),
);

test("every file of the data stands in a room", () => {
  expect(rooms.filter((r) => !r.isDirectory()).map((r) => r.name)).toEqual([]);
  expect(leansOn.get("letters")?.has("database")).toBe(true);
});

test("no room leans on one that leans on it", () => {
  const circle = (path: readonly string[]): readonly string[] | null => {
    for (const next of leansOn.get(path.at(-1) ?? "") ?? []) {
      if (path.includes(next)) return [...path.slice(path.indexOf(next)), next];
      const found = circle([...path, next]);
      if (found) return found;
    }
    return null;
  };
  expect(rooms.map(({ name }) => circle([name])).filter(Boolean)).toEqual([]);
});

test("the schema leans on nothing, and the database on the schema alone", () => {
  expect([...(leansOn.get("schema") ?? [])]).toEqual([]);
  expect([...(leansOn.get("database") ?? [])]).toEqual(["schema"]);
});
