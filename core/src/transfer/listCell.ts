import { type Field, FieldError, type ListRow, readList, writeList } from "../desk/index.ts";
import { inSentence } from "../text/index.ts";
import { METRIC } from "../units/index.ts";

/** Between the lines of a list in one cell, and between the columns of a line. */
const LINE = ";";
const COLUMN = "|";

const escaped = (text: string) => text.replace(/[\\;|]/g, (sign) => `\\${sign}`);

/** A list as one cell of a file: "heater | heater | 12 | 0; …", in our own units, lines in their order. */
export function writeListCell(columns: readonly Field[], rows: readonly ListRow[]): string {
  return writeList(columns, rows, METRIC)
    .map((line) => columns.map((c) => escaped(line[c.key] ?? "")).join(` ${COLUMN} `))
    .join(`${LINE} `);
}

/** Cuts a text at a sign that no backslash stands before. */
function cut(text: string, sign: string): string[] {
  const parts = [""];
  for (let i = 0; i < text.length; i++) {
    const letter = text[i] ?? "";
    if (letter === "\\") parts[parts.length - 1] += letter + (text[++i] ?? "");
    else if (letter === sign) parts.push("");
    else parts[parts.length - 1] += letter;
  }
  return parts;
}

/**
 * The inverse of `writeListCell`.
 *
 * @throws {FieldError} that says in which line something is wrong.
 */
export function readListCell(columns: readonly Field[], text: string): ListRow[] {
  const lines = cut(text, LINE)
    .filter((line) => line.trim() !== "")
    .map((line, i) => {
      const cells = cut(line, COLUMN).map((cell) => cell.trim().replace(/\\(.)/g, "$1"));
      if (cells.length > columns.length)
        throw new FieldError(
          `Line ${i + 1} has ${cells.length} parts; there are ${columns.length}: ${columns.map((c) => inSentence(c.label)).join(` ${COLUMN} `)}.`,
        );
      return Object.fromEntries(columns.map((c, at) => [c.key, cells[at] ?? ""]));
    });
  return readList(columns, lines, METRIC);
}
