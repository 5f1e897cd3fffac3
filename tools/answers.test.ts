import { readdirSync, readFileSync, statSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";

const web = new URL("../web", import.meta.url).pathname;

/** The files of the interface that ask the server for something. */
function sources(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return sources(path);
    return /\.tsx?$/.test(name) && !/\.test\./.test(name) ? [path] : [];
  });
}

test("whatever is asked of the server may go unanswered: nothing awaits an action bare", () => {
  const bare = [...sources(join(web, "places")), ...sources(join(web, "kit"))].flatMap((path) =>
    readFileSync(path, "utf8")
      .split("\n")
      .flatMap((line, i) => (/await \w+Action\(/.test(line) ? [`${path.slice(web.length)}:${i + 1}`] : [])),
  );
  // The board asks in one place, and that is awaited as answered.
  expect(bare.filter((at) => !at.startsWith("/places/weeks/useBoard.ts"))).toEqual([]);
});
