import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { type Field, FieldError, fieldOf, type ListRow } from "../desk/index.ts";
import { readListCell, writeListCell } from "./index.ts";

const columnsOf = (entity: "tank" | "client", key: string): readonly Field[] => {
  const type = fieldOf(entity, key)?.type;
  if (type?.kind !== "list") throw new Error("no list");
  return type.columns;
};
const landmarks = columnsOf("tank", "landmarks");
const contacts = columnsOf("client", "contacts");

describe("a list in one cell", () => {
  test("is written line by line in our own units, and read again", () => {
    const rows = [
      { name: "heater", kind: "heater", heightM: 0.12, airMinutes: 0, siphonBreak: false },
      { name: "return", kind: "return", heightM: 0.455, airMinutes: 10, siphonBreak: true },
    ];
    const cell = writeListCell(landmarks, rows);
    expect(cell).toBe("heater | heater | 12 | 0 | no; return | return | 45.5 | 10 | yes");
    expect(readListCell(landmarks, cell)).toEqual(rows);
  });
  test("of bands is in the parameter's own unit, with a limit that does not exist left empty", () => {
    const bands = columnsOf("tank", "bands");
    const cell = "Nitrate | | 2 | 10 | 20 | 21 | yes";
    expect(readListCell(bands, cell)).toEqual([
      { parameter: "nitrate", actLow: -1, idealLow: 2, idealHigh: 10, actHigh: 20, validDays: 21, required: true },
    ]);
  });
  test("says in which line something is wrong", () => {
    expect(() => readListCell(landmarks, "heater | heater | 12 | 0; coral | coral | high | 0")).toThrow(FieldError);
    expect(() => readListCell(landmarks, "heater | heater | 12 | 0; coral | coral | high | 0")).toThrow(/Line 2/);
    expect(() => readListCell(landmarks, "a | heater | 1 | 0 | yes | 9")).toThrow(/6 parts; there are 5/);
  });
  test("empty is no line", () => expect(readListCell(landmarks, "  ")).toEqual([]));
  test("keeps any text, its own signs among them", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc
              .string({ minLength: 1, maxLength: 20, unit: fc.constantFrom(..."ab|;\\ -é") })
              .map((s) => `x${s}y`),
            role: fc.string({ maxLength: 20, unit: fc.constantFrom(..."cd|;\\é") }),
            phone: fc.constantFrom("", "555 01"),
            email: fc.constantFrom("", "a@b.example"),
            letters: fc.boolean(),
          }),
          { maxLength: 4 },
        ),
        (rows: readonly ListRow[]) => {
          expect(readListCell(contacts, writeListCell(contacts, rows))).toEqual(rows);
        },
      ),
    ));
});
