import { spawnSync } from "node:child_process";
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { METRIC } from "@keel-round/core/units";
import { afterAll, beforeAll, expect, test } from "vitest";

const root = join(import.meta.dirname, "..");
// In the project, so that what is copied finds the packages that it leans on.
mkdirSync(join(root, ".keel"), { recursive: true });
const core = mkdtempSync(join(root, ".keel/language-"));
const say = join(core, "src/say");

/** A language that does not ship: the folder of messages is all that is added. */
const POLISH = {
  "letter.dear": "Szanowni Państwo, {name},",
  "letter.changed": "Wymieniono {litres}, czyli {share} % wody.",
  "report.all.visits":
    "{visits, plural, one {# wizyta} few {# wizyty} many {# wizyt} other {# wizyty}} w {tanks, plural, one {# akwarium} few {# akwariach} many {# akwariach} other {# akwarium}}",
  "parameter.nitrate": "Azotany",
};

beforeAll(() => {
  cpSync(join(root, "core/src"), join(core, "src"), { recursive: true, filter: (path) => !path.endsWith(".test.ts") });
  mkdirSync(join(say, "pl"));
  writeFileSync(join(say, "pl/all.json"), JSON.stringify(POLISH));
  const made = spawnSync(process.execPath, [join(root, "tools/messages.mjs"), `--folder=${say}`], { encoding: "utf8" });
  expect(made.stderr).toBe("");
});
afterAll(() => rmSync(core, { recursive: true, force: true }));

test("another language is a folder of messages: its plurals, its dates, its signs; what it does not say yet is English", async () => {
  const { m, say: told, textOf } = (await import(join(say, "index.ts"))) as typeof import("@keel-round/core/say");
  const { greeting } = (await import(join(core, "src/letter/index.ts"))) as typeof import("@keel-round/core/letter");
  const polish = { ...METRIC, locale: "pl" };
  const visits = (n: number) => told(m("report.all.visits", { visits: n, tanks: 1 }), polish);
  expect([1, 2, 5, 22].map(visits)).toEqual([
    "1 wizyta w 1 akwarium",
    "2 wizyty w 1 akwarium",
    "5 wizyt w 1 akwarium",
    "22 wizyty w 1 akwarium",
  ]);
  expect(
    told(m("letter.changed", { litres: { litres: 62.5, decimals: 1 }, share: 25 }), polish).replaceAll("\u00a0", " "),
  ).toBe("Wymieniono 62,5 L, czyli 25 % wody.");
  expect(textOf({ day: "2026-11-25" }, polish)).toBe("25 listopada");
  expect(textOf({ parameter: "nitrate", begins: true }, polish)).toBe("Azotany");
  expect(textOf({ all: ["a", "b", "c"] }, polish)).toBe("a, b i c");
  expect(told(greeting("Anna"), polish)).toBe("Szanowni Państwo, Anna,");
  expect(told(m("report.job", { job: "glass", times: 2 }), polish)).toBe("glass 2 times");
  expect(visits(1)).not.toBe(told(m("report.all.visits", { visits: 1, tanks: 1 }), METRIC));
});

test("a message that cannot be read is told by its code, and nothing is written", () => {
  const folder = mkdtempSync(join(tmpdir(), "keel-language-"));
  mkdirSync(join(folder, "en"));
  writeFileSync(join(folder, "en/all.json"), JSON.stringify({ "a.b": "{count, plural, one {x}" }));
  const made = spawnSync(process.execPath, [join(root, "tools/messages.mjs"), `--folder=${folder}`], {
    encoding: "utf8",
  });
  expect(made.status).not.toBe(0);
  expect(made.stderr).toContain("a.b");
  rmSync(folder, { recursive: true, force: true });
});
