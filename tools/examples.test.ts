import { readdirSync, readFileSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { expect, test } from "vitest";

// Every example in a docstring of the core is run, and gives the result that stands behind it.
const CORE = join(import.meta.dirname, "../core/src");

interface Example {
  readonly file: string;
  readonly expression: string;
  readonly result: string;
}

function filesIn(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return filesIn(path);
    return path.endsWith(".ts") && !/\.(test|fixture|compiled)\.ts$/.test(path) ? [path] : [];
  });
}

/** The examples of a file: what stands after `@example`, an expression and its result a line. */
function examplesOf(file: string): Example[] {
  return [...readFileSync(file, "utf8").matchAll(/ \* @example\n((?: \* (?!@).*\n)+)/g)].flatMap(([, block = ""]) =>
    block.split("\n").flatMap((line) => {
      const [, expression, result] = /^ \* (.+?); \/\/ (.+)$/.exec(line) ?? [];
      return expression && result ? [{ file: file.slice(CORE.length + 1), expression, result }] : [];
    }),
  );
}

/** All numbers somewhere in a value. */
function numbersIn(value: unknown): number[] {
  if (typeof value === "number") return [value];
  return value && typeof value === "object" ? Object.values(value).flatMap(numbersIn) : [];
}

/** A value that is written as one at the beginning of a text; undefined where none is. */
function written(text: string): { readonly value: unknown } | undefined {
  for (let end = text.length; end > 0; end--) {
    if (!/["}\]]/.test(text[end - 1] ?? "")) continue;
    try {
      return { value: new Function(`return (${text.slice(0, end)})`)() };
    } catch {
      // Shorter, then.
    }
  }
  return undefined;
}

const examples = filesIn(CORE).flatMap(examplesOf);

test("there are examples to run", () => expect(examples.length).toBeGreaterThan(50));

test.each(examples)("$file: $expression", async ({ file, expression, result }) => {
  const names = {
    ...(await import(join(CORE, "units/index.ts"))),
    ...(await import(join(CORE, "say/index.ts"))),
    ...(await import(join(CORE, dirname(file), "index.ts"))),
    ...(await import(join(CORE, file))),
  };
  const value = new Function(...Object.keys(names), `return (${expression})`)(...Object.values(names));
  const whole = /^["{[]/.test(result) ? written(result) : undefined;
  if (whole && typeof whole.value === "object" && whole.value && !Array.isArray(whole.value))
    return expect(value).toMatchObject(whole.value);
  if (whole) return expect(value).toEqual(whole.value);
  if (/^(true|false)$/.test(result)) return expect(value).toBe(result === "true");
  // Figures: each of them is somewhere in the result, to the decimals that are shown.
  const shown = result.match(/-?\d+(?:\.\d+)?/g) ?? [];
  const found = numbersIn(value);
  expect(shown.length).toBeGreaterThan(0);
  const told = shown.filter((figure) => {
    const wanted = Number(figure);
    const decimals = figure.split(".")[1]?.length ?? 0;
    const within = result.startsWith("about") ? 0.05 * Math.abs(wanted) : 0.5000001 * 10 ** -decimals;
    return found.some((x) => Math.abs(x - wanted) <= within);
  });
  expect(told.length, `${JSON.stringify(value)} is not ${result}`).toBeGreaterThan(0);
});
