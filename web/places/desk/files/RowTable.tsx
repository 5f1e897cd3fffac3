"use client";

import { Box, Flex } from "@chakra-ui/react";
import { useState } from "react";
import { answered } from "@/kit/answered";
import { Problem, QuietButton, TextInput } from "@/kit/controls";
import { Form, Label, Span, Table } from "@/kit/elements";
import { mendCellAction } from "./actions";

/** A row of the file and what would become of it. */
export interface ShownRow {
  readonly rowNo: number;
  readonly cells: readonly string[];
  readonly state: "raw" | "new" | "change" | "same" | "error";
  readonly issues: Readonly<Record<string, string>> | null;
}

const STATE = { raw: "", new: "new", change: "changes", same: "here already", error: "not right" } as const;

const TABLE = {
  "& th, & td": {
    py: "5px",
    pr: "12px",
    textAlign: "left",
    borderBottomWidth: "1px",
    borderColor: "rule",
    verticalAlign: "top",
  },
  "& th": { color: "soft", fontSize: "12.5px", fontWeight: 620, borderColor: "ruleStrong", whiteSpace: "nowrap" },
  "& td": { maxW: "260px", overflowWrap: "anywhere" },
  "& td.num, & td.cell": { fontFamily: "mono", fontSize: "13px" },
  "& td.wrong": { bg: "vermilionWash", pl: "8px" },
} as const;

/** The rows, those with errors first; what is wrong stands in its cell and can be mended there. */
export function RowTable({
  importId,
  headings,
  rows,
  total,
  mendable,
  onMended,
}: {
  importId: string;
  headings: readonly string[];
  rows: readonly ShownRow[];
  total: number;
  mendable: boolean;
  onMended: () => void;
}) {
  const [open, setOpen] = useState<{ rowNo: number; column: number } | null>(null);
  return (
    <Box mt="12px">
      <Box overflowX="auto">
        <Table borderCollapse="collapse" fontSize="13.5px" w="100%" css={TABLE}>
          <thead>
            <tr>
              <th>Row</th>
              <th>Would be</th>
              {headings.map((h, i) => (
                <th key={i}>{h}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.rowNo}>
                <td className="num">{row.rowNo}</td>
                <td>
                  {STATE[row.state]}
                  {row.issues?.row && (
                    <Box color="vermilion" fontWeight="600">
                      {row.issues.row}
                    </Box>
                  )}
                </td>
                {headings.map((heading, column) => {
                  const issue = row.issues?.[String(column)];
                  const here = open?.rowNo === row.rowNo && open.column === column;
                  return (
                    <td key={column} className={issue ? "cell wrong" : "cell"}>
                      {here ? (
                        <Mend
                          importId={importId}
                          row={row}
                          column={column}
                          heading={heading}
                          onClose={() => setOpen(null)}
                          onMended={onMended}
                        />
                      ) : (
                        row.cells[column]
                      )}
                      {issue && !here && (
                        <Box fontFamily="body">
                          <Span color="vermilion" fontWeight="600">
                            {issue}
                          </Span>
                          {mendable && (
                            <QuietButton
                              type="button"
                              py="1px"
                              px="8px"
                              ml="8px"
                              mt="3px"
                              fontSize="13px"
                              onClick={() => setOpen({ rowNo: row.rowNo, column })}
                            >
                              Mend
                            </QuietButton>
                          )}
                        </Box>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </Table>
      </Box>
      {total > rows.length && (
        <Box color="soft" fontSize="13px" mt="8px">
          {rows.length} of {total} rows, those that are not right first.
        </Box>
      )}
    </Box>
  );
}

/** Another spelling that a message offers. */
const offered = (issue: string | undefined) => /Did you mean “(.+?)”/.exec(issue ?? "")?.[1];

function Mend({
  importId,
  row,
  column,
  heading,
  onClose,
  onMended,
}: {
  importId: string;
  row: ShownRow;
  column: number;
  heading: string;
  onClose: () => void;
  onMended: () => void;
}) {
  const [text, setText] = useState(offered(row.issues?.[String(column)]) ?? row.cells[column] ?? "");
  const [everywhere, setEverywhere] = useState(true);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    const answer = await answered(mendCellAction({ id: importId, rowNo: row.rowNo, column, text, everywhere }));
    if (!answer.ok) return setProblem(answer.message);
    onClose();
    onMended();
  };
  return (
    <Form
      method="post"
      fontFamily="body"
      minW="210px"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <TextInput
        aria-label={`${heading} of row ${row.rowNo}`}
        value={text}
        autoFocus
        py="5px"
        onChange={(e) => setText(e.target.value)}
        onKeyDown={(e) => e.key === "Escape" && onClose()}
      />
      <Label display="flex" gap="6px" py="4px" fontSize="13px">
        <input type="checkbox" checked={everywhere} onChange={(e) => setEverywhere(e.target.checked)} /> wherever it
        says the same
      </Label>
      <Flex gap="6px">
        <QuietButton type="submit" py="3px" fontSize="13px">
          Keep
        </QuietButton>
        <QuietButton type="button" py="3px" fontSize="13px" onClick={onClose}>
          Close
        </QuietButton>
      </Flex>
      <Problem says={problem} mt="4px" />
    </Form>
  );
}
