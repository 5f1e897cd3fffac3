import { Box } from "@chakra-ui/react";
import type { AuditLine } from "@/data/privacy/auditLines";
import { AppLink } from "@/kit/AppLink";
import { A, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { moment } from "@/kit/words";

const DID: Readonly<Record<AuditLine["kind"], string>> = {
  "sign-in": "signed in",
  "second-factor": "second factor:",
  "taken-out": "took out",
  "brought-in": "brought in",
  people: "people:",
  erased: "erased",
  look: "looked at",
  failed: "failed to sign in",
};

/** Lines of who came in, looked and took out, the newest first. */
export function AuditTable({ lines, more, zone }: { lines: readonly AuditLine[]; more: boolean; zone: string }) {
  const oldest = lines.at(-1);
  if (!oldest) return <Box pt="14px">Nobody came in yet, or what was noted of it is past its time.</Box>;
  return (
    <Box overflowX="auto" mt="14px">
      <Table borderCollapse="collapse" fontSize="14.5px" w="100%" maxW="1040px" minW="620px">
        <thead>
          <tr>
            {["When", "Who", "What", "From"].map((h) => (
              <Head key={h}>{h}</Head>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.id} data-audit={l.kind}>
              <Cell whiteSpace="nowrap">{moment(l.at, zone)}</Cell>
              <Cell whiteSpace="nowrap">{l.by ?? "the firm's own rule"}</Cell>
              <Cell color={l.kind === "failed" ? "vermilion" : "ink"} w="100%">
                {DID[l.kind]} {l.what}
              </Cell>
              <Cell fontFamily="mono" fontSize="13.5px" whiteSpace="nowrap">
                {l.from}
              </Cell>
            </tr>
          ))}
        </tbody>
      </Table>
      {more && (
        <A asChild textDecoration="underline" display="inline-block" mt="12px">
          <AppLink href={`/desk/audit?before=${oldest.at.getTime()}`}>Before that</AppLink>
        </A>
      )}
    </Box>
  );
}
