import { readFileSync } from "node:fs";
import { join } from "node:path";
import { expect, test } from "vitest";
import { programmeTable } from "./programmeTable.ts";

test("the page of the library says what the library says", () =>
  expect(readFileSync(join(import.meta.dirname, "../docs/programmes.md"), "utf8")).toBe(programmeTable()));
