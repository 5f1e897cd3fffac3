import { Box, Flex } from "@chakra-ui/react";
import { FILE_KINDS, type FileKind } from "@keel-round/core/transfer";
import type { Scope } from "@/data/access/scope";
import { AppLink } from "@/kit/AppLink";
import { PageHead, SubHead } from "@/kit/controls";
import { A, Span, Table } from "@/kit/elements";
import { SignInFirst } from "@/kit/entry/SignInFirst";
import { Cell, Head } from "@/kit/table";
import { dayLabel } from "@/kit/words";
import { DeskNav } from "../DeskNav";
import { Everything, type LastArchive } from "./Everything";
import { Upload } from "./Upload";
import { manyOf } from "./words";

export const STATE = {
  staged: "columns to be set",
  checking: "being checked",
  checked: "checked, not imported yet",
  applying: "being imported",
  done: "imported",
  cancelled: "cancelled: nothing was kept",
  failed: "failed: nothing was kept",
  undone: "taken back",
} as const;

/** Lists come in here and go out from here. */
export function FilesPage({
  lastArchive,
  scope,
  recent,
  limits,
  imports,
}: {
  lastArchive: LastArchive | null;
  scope: Scope;
  /** Whoever looks at it signed in lately: backups are for them. */
  recent: boolean;
  limits: { readonly bytes: number; readonly rows: number; readonly wholeBytes: number };
  imports: readonly {
    readonly id: string;
    readonly kind: FileKind;
    readonly fileName: string;
    readonly state: keyof typeof STATE;
    readonly counts: { readonly new: number; readonly change: number };
    readonly on: string;
    readonly by: string;
  }[];
}) {
  return (
    <Box>
      <DeskNav here="files" scope={scope} />
      <PageHead title="Import and export" />
      <Flex gap="48px" mt="16px" align="flex-start" direction={{ base: "column", lg: "row" }}>
        <Box flex="1" w="100%">
          <SubHead>Bring a list in</SubHead>
          <Upload kinds={FILE_KINDS.map((kind) => [kind, manyOf(kind)])} />
          <Box color="soft" fontSize="13.5px" maxW="60ch" mt="10px">
            CSV in any encoding, with commas, semicolons or tabs, up to {limits.bytes / 1_000_000} MB and{" "}
            {limits.rows.toLocaleString("en-GB")} rows; clients also as vCards and sites as GeoJSON, up to{" "}
            {limits.wholeBytes / 1_000_000} MB. Nothing changes before you have seen every row and say so.
          </Box>
          <Box mt="30px">
            <SubHead>Brought in before</SubHead>
            {imports.length === 0 ? (
              <Box color="soft" pt="10px">
                Nothing yet.
              </Box>
            ) : (
              <Table borderCollapse="collapse" fontSize="14px" w="100%">
                <thead>
                  <tr>
                    {["File", "Holds", "Day", "By", "State"].map((h) => (
                      <Head key={h}>{h}</Head>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {imports.map((i) => (
                    <tr key={i.id}>
                      <Cell fontWeight="560">
                        <AppLink href={`/desk/files/${i.id}`} data-row="">
                          {i.fileName}
                        </AppLink>
                      </Cell>
                      <Cell>{manyOf(i.kind)}</Cell>
                      <Cell whiteSpace="nowrap">{dayLabel(i.on)}</Cell>
                      <Cell>{i.by}</Cell>
                      <Cell>
                        {STATE[i.state]}
                        {i.state === "done" && (
                          <Span color="soft">
                            : {i.counts.new} new, {i.counts.change} changed
                          </Span>
                        )}
                      </Cell>
                    </tr>
                  ))}
                </tbody>
              </Table>
            )}
          </Box>
        </Box>
        <Box w={{ base: "100%", lg: "340px" }}>
          <SubHead>Take a list out</SubHead>
          <Box pt="10px" display="grid" gridTemplateColumns="1fr 1fr" gap="6px 18px">
            {FILE_KINDS.map((kind) => (
              <A key={kind} href={`/api/export/${kind}`} download minH="32px">
                {manyOf(kind)}, CSV
              </A>
            ))}
          </Box>
          <Flex gap="18px" mt="6px">
            <A href="/api/export/places.geojson" download>
              sites, GeoJSON
            </A>
            <A href="/api/export/contacts.vcf" download>
              clients, vCard
            </A>
          </Flex>
          <Box color="soft" fontSize="13.5px" mt="8px" mb="22px">
            Units stand in the headings. The CSV lists, brought in again, change nothing.
          </Box>
          <SubHead>Back up and restore</SubHead>
          {recent ? <Everything last={lastArchive} /> : <SignInFirst what="A backup holds everything of the firm." />}
        </Box>
      </Flex>
    </Box>
  );
}
