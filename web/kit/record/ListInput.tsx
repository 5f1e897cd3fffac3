"use client";

import { Box } from "@chakra-ui/react";
import type { Field } from "@keel-round/core/desk";
import type { UnitPreference } from "@keel-round/core/units";
import { QuietButton } from "@/kit/controls";
import { Table } from "@/kit/elements";
import { FieldInput } from "./FieldInput";

export type Line = Readonly<Record<string, string>>;

/** Lines of the same columns, added and taken away in place. */
export function ListInput({
  field,
  columns,
  lines,
  onChange,
  units,
}: {
  field: Field;
  columns: readonly Field[];
  lines: readonly Line[];
  onChange: (lines: Line[]) => void;
  units: UnitPreference;
}) {
  const set = (at: number, key: string, value: string) =>
    onChange(lines.map((line, i) => (i === at ? { ...line, [key]: value } : line)));
  return (
    <Box overflowX="auto" tabIndex={0} role="group" aria-label={field.label}>
      <Table borderCollapse="collapse" fontSize="14px" css={{ "& th": HEAD, "& td": { pr: "8px", pb: "6px" } }}>
        <thead>
          <tr>
            {columns.map((c) => (
              <th key={c.key}>{c.label}</th>
            ))}
            <th>
              <span className="sr-only">Take away</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, i) => (
            // A line has no name of its own: its place is what tells it apart.
            <tr key={i}>
              {columns.map((c) => (
                <td key={c.key} style={{ minWidth: MIN_WIDTH[c.type.kind] ?? 84 }}>
                  <FieldInput
                    field={c}
                    id={`${field.key}-${i}-${c.key}`}
                    called={`${field.label}, line ${i + 1}, ${c.label}`}
                    value={line[c.key] ?? ""}
                    onChange={(value) => set(i, c.key, value)}
                    units={units}
                    options={{}}
                    invalid={false}
                  />
                </td>
              ))}
              <td>
                <QuietButton
                  type="button"
                  px="10px"
                  aria-label={`Take line ${i + 1} away`}
                  onClick={() => onChange(lines.filter((_, at) => at !== i))}
                >
                  ×
                </QuietButton>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      <QuietButton
        type="button"
        fontSize="13.5px"
        py="5px"
        aria-label={`Add a line: ${field.label}`}
        onClick={() =>
          onChange([...lines, Object.fromEntries(columns.map((c) => [c.key, c.type.kind === "yes-no" ? "no" : ""]))])
        }
      >
        Add a line
      </QuietButton>
    </Box>
  );
}

/** What a cell needs to show what is usually in it, px. */
const MIN_WIDTH: Readonly<Partial<Record<Field["type"]["kind"], number>>> = { text: 132, choice: 132, email: 240 };

const HEAD = { textAlign: "left", color: "soft", fontSize: "12.5px", fontWeight: 620, pb: "4px", pr: "8px" } as const;
