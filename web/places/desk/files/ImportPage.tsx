"use client";

import { Box, Flex } from "@chakra-ui/react";
import type { CellStyle, ColumnMeaning, FileKind } from "@keel-round/core/transfer";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import { Choice, FieldRow, GoButton, Notice, PageHead, QuietButton, SubHead } from "@/kit/controls";
import { Fieldset, Label, Span, Table } from "@/kit/elements";
import { useHydrated } from "@/kit/useHydrated";
import { applyImportAction, cancelImportAction, checkImportAction, undoImportAction } from "./actions";
import { RowTable, type ShownRow } from "./RowTable";
import { type SampleAsked, SampleFields, type TankChoice } from "./SampleFields";
import { manyOf } from "./words";

interface ImportFile {
  readonly id: string;
  readonly kind: FileKind;
  readonly fileName: string;
  readonly encoding: string;
  readonly delimiter: string;
  readonly headings: readonly string[];
  readonly meanings: readonly ColumnMeaning[];
  readonly style: CellStyle;
  readonly zone: string | null;
  readonly sample: SampleAsked | null;
  readonly strangers: readonly string[] | null;
  readonly state: "staged" | "checking" | "checked" | "applying" | "done" | "cancelled" | "failed" | "undone";
  readonly rowsTotal: number;
  readonly rowsDone: number;
  readonly counts: { readonly new: number; readonly change: number; readonly same: number; readonly error: number };
  readonly error: string | null;
}

interface Target {
  readonly key: string;
  readonly label: string;
  readonly units: readonly string[];
}

const DELIMITER: Readonly<Record<string, string>> = {
  ",": "commas",
  ";": "semicolons",
  "\t": "tabs",
  "|": "bars",
  card: "vCards",
  json: "GeoJSON",
};

/** A file on its way in: what its columns mean, what each row would do, and nothing done before it is said. */
export function ImportPage({
  ownZone,
  file,
  rows,
  tanks,
  targets,
}: {
  /** The business's own time zone. */
  ownZone: string;
  file: ImportFile;
  rows: readonly ShownRow[];
  /** For a file of readings: whose water it may be. */
  tanks: readonly TankChoice[];
  targets: readonly Target[];
}) {
  const router = useRouter();
  const hydrated = useHydrated();
  const [meanings, setMeanings] = useState(file.meanings);
  const [style, setStyle] = useState(file.style);
  const [zone, setZone] = useState(file.zone ?? ownZone);
  const [sample, setSample] = useState<SampleAsked>(file.sample ?? { tankId: null, method: null, names: {} });
  const [leaveOut, setLeaveOut] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const atWork = file.state === "checking" || file.state === "applying";
  const over = file.state === "done" || file.state === "undone";

  const run = async (action: Promise<{ ok: true } | { ok: false; message: string }>) => {
    const answer = await action;
    setProblem(answer.ok ? null : answer.message);
    router.refresh();
  };
  const check = () =>
    run(checkImportAction({ id: file.id, meanings, style, zone, sample: file.kind === "reading" ? sample : null }));
  const mean = (column: number, change: Partial<ColumnMeaning>) =>
    setMeanings(meanings.map((m, i) => (i === column ? { ...m, ...change } : m)));
  const left = file.counts.new + file.counts.change;
  const asksOrder = meanings.some((m) => m.key === "at" || m.key?.endsWith("On"));
  return (
    <Box>
      <PageHead
        title={file.fileName}
        facts={`${file.rowsTotal} ${file.rowsTotal === 1 ? "row" : "rows"} of ${manyOf(file.kind)}, ${file.encoding}, ${DELIMITER[file.delimiter] ?? file.delimiter}`}
      />
      {(problem ?? file.error) && (
        <Box role="alert" mt="12px">
          <Notice tone="danger">{problem ?? file.error}</Notice>
        </Box>
      )}
      {atWork && <Progress file={file} onCancel={() => run(cancelImportAction({ id: file.id }))} />}
      {file.state === "cancelled" && (
        <Box role="status" mt="12px">
          <Notice tone="care">It was cancelled, and nothing of it was kept. The file is still here.</Notice>
        </Box>
      )}
      {over && (
        <Box role="status" mt="12px">
          <Notice tone="plain">
            {file.state === "undone" ? "This import was taken back. " : "Imported. "}
            {file.counts.new} new, {file.counts.change} changed, {file.counts.same} were here already
            {file.counts.error > 0 ? `, ${file.counts.error} left out` : ""}.
            {file.state === "done" && (
              <QuietButton
                type="button"
                py="3px"
                ml="12px"
                disabled={!hydrated}
                onClick={() => run(undoImportAction({ id: file.id }))}
              >
                Undo the import
              </QuietButton>
            )}
          </Notice>
        </Box>
      )}
      {!over && !atWork && (
        <Fieldset disabled={!hydrated} mt="16px">
          <SubHead>What the columns mean</SubHead>
          <Box overflowX="auto" pt="8px">
            <Table borderCollapse="collapse" fontSize="14px" css={{ "& td": { pr: "14px", pb: "6px" } }}>
              <tbody>
                {file.headings.map((heading, i) => {
                  const target = targets.find((t) => t.key === meanings[i]?.key);
                  const sample = rows.map((r) => r.cells[i] ?? "").find((c) => c !== "") ?? "";
                  return (
                    <tr key={i}>
                      <td>
                        <Span fontWeight="560">{heading || "no heading"}</Span>
                      </td>
                      <td>
                        <Span color="soft" fontFamily="mono" fontSize="13px">
                          {sample.slice(0, 28)}
                        </Span>
                      </td>
                      <td>
                        <Choice
                          aria-label={`Meaning of ${heading}`}
                          value={meanings[i]?.key ?? ""}
                          onChange={(e) => {
                            const next = targets.find((t) => t.key === e.target.value);
                            mean(i, { key: next?.key ?? null, unit: next?.units[0] ?? null });
                          }}
                        >
                          <option value="">is left out</option>
                          {targets.map((t) => (
                            <option key={t.key} value={t.key}>
                              {t.label}
                            </option>
                          ))}
                        </Choice>
                      </td>
                      <td>
                        {target && target.units.length > 1 && (
                          <Choice
                            aria-label={`Unit of ${heading}`}
                            value={meanings[i]?.unit ?? ""}
                            onChange={(e) => mean(i, { unit: e.target.value })}
                          >
                            {target.units.map((u) => (
                              <option key={u}>{u}</option>
                            ))}
                          </Choice>
                        )}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </Table>
          </Box>
          <Flex gap="18px" wrap="wrap" mt="8px" align="flex-end">
            <Box w="150px">
              <FieldRow label="Decimals are written">
                <Choice
                  value={style.decimal}
                  onChange={(e) => setStyle({ ...style, decimal: e.target.value as CellStyle["decimal"] })}
                >
                  <option value=".">12.5</option>
                  <option value=",">12,5</option>
                </Choice>
              </FieldRow>
            </Box>
            {asksOrder && (
              <Box w="190px">
                <FieldRow label="Dates are written">
                  <Choice
                    value={style.dateOrder ?? ""}
                    onChange={(e) =>
                      setStyle({ ...style, dateOrder: (e.target.value || null) as CellStyle["dateOrder"] })
                    }
                  >
                    <option value="">either way: ask me</option>
                    <option value="dmy">day first: 31/1/2026</option>
                    <option value="mdy">month first: 1/31/2026</option>
                    <option value="ymd">year, month, day</option>
                  </Choice>
                </FieldRow>
              </Box>
            )}
            {file.kind === "reading" && (
              <Box w="220px">
                <FieldRow label="Times without a zone are of">
                  <Choice value={zone} onChange={(e) => setZone(e.target.value)}>
                    {zonesOf(ownZone).map((z) => (
                      <option key={z}>{z}</option>
                    ))}
                  </Choice>
                </FieldRow>
              </Box>
            )}
            {file.kind === "reading" && (
              <SampleFields
                tanks={tanks}
                named={meanings.some((m) => m.key === "tank")}
                measuredBy={meanings.some((m) => m.key === "method")}
                strangers={file.strangers ?? []}
                sample={sample}
                onSay={setSample}
              />
            )}
            <Box mb="12px">
              <GoButton type="button" onClick={check} {...(file.state === "checked" ? quiet : {})}>
                {file.state === "checked" ? "Check again" : "Check every row"}
              </GoButton>
            </Box>
          </Flex>
        </Fieldset>
      )}
      {file.state === "checked" && (
        <Box mt="12px">
          <SubHead>What would happen</SubHead>
          <Flex gap="30px" pt="10px" pb="8px" wrap="wrap" align="baseline">
            <Count n={file.counts.new} of="new" />
            <Count n={file.counts.change} of="changed" />
            <Count n={file.counts.same} of="here already" />
            <Count n={file.counts.error} of="not right" wrong />
            <Box flex="1" />
            {file.counts.error > 0 && (
              <Label display="flex" gap="8px" fontSize="14px">
                <input type="checkbox" checked={leaveOut} onChange={(e) => setLeaveOut(e.target.checked)} /> leave the{" "}
                {file.counts.error} out
              </Label>
            )}
            <GoButton
              type="button"
              disabled={!hydrated || left === 0 || (file.counts.error > 0 && !leaveOut)}
              onClick={() => run(applyImportAction({ id: file.id, leaveOutErrors: leaveOut }))}
            >
              Import {left} {left === 1 ? "row" : "rows"}
            </GoButton>
          </Flex>
        </Box>
      )}
      {!atWork && (
        <RowTable
          importId={file.id}
          headings={file.headings}
          rows={rows}
          total={file.rowsTotal}
          mendable={!over && hydrated}
          onMended={check}
        />
      )}
    </Box>
  );
}

const quiet = { bg: "sheet", color: "ink", borderColor: "ruleStrong" } as const;

/** The business's own zone first, then every other. */
const zonesOf = (own: string) => [
  own,
  "UTC",
  ...Intl.supportedValuesOf("timeZone").filter((z) => z !== own && z !== "UTC"),
];

function Count({ n, of, wrong = false }: { n: number; of: string; wrong?: boolean }) {
  return (
    <Box>
      <Span fontFamily="mono" fontSize="26px" fontWeight="560" color={wrong && n > 0 ? "vermilion" : "ink"}>
        {n}
      </Span>{" "}
      <Span color="soft">{of}</Span>
    </Box>
  );
}

/** How far the work is, as it is told. When it is over the page shows what came of it, asked for once: on a slow line too. */
function Progress({ file, onCancel }: { file: ImportFile; onCancel: () => void }) {
  const router = useRouter();
  const [done, setDone] = useState(file.rowsDone);
  useEffect(() => {
    const told = new EventSource(`/api/imports/${file.id}`);
    told.onmessage = ({ data }: MessageEvent<string>) => {
      const now = JSON.parse(data) as { state: string; rowsDone: number };
      setDone(now.rowsDone);
      if (now.state === file.state) return;
      told.close();
      router.refresh();
    };
    return () => told.close();
  }, [file.id, file.state, router]);
  const what = file.state === "checking" ? "Checking" : "Importing";
  return (
    <Box mt="16px" role="status">
      <Flex gap="14px" align="center">
        <Span fontWeight="600">{what}</Span>
        <progress max={file.rowsTotal} value={done} aria-label={`${what}, rows done`} />
        <Span color="soft" fontFamily="mono">
          {done} of {file.rowsTotal}
        </Span>
        <QuietButton type="button" onClick={onCancel}>
          Cancel
        </QuietButton>
      </Flex>
    </Box>
  );
}
