import { Box, Flex } from "@chakra-ui/react";
import type { Orphan, PersonLine } from "@/data/access/people";
import { AppLink } from "@/kit/AppLink";
import { Notice, PageHead, SubHead } from "@/kit/controls";
import { A, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { Invite } from "./Invite";
import { PersonActions, RoleChoice } from "./PersonActions";
import { ROLE_NAME, ROLE_SAYS } from "./words";

/** Who works here and whose tanks are looked after: invited, changed and let go. */
export function PeoplePage({
  people,
  orphans,
  clients,
  me,
  nav,
}: {
  people: readonly PersonLine[];
  orphans: readonly Orphan[];
  clients: readonly { readonly id: string; readonly name: string }[];
  me: string;
  /** The parts of the desk. */
  nav: React.ReactNode;
}) {
  const here = people.filter((p) => !p.left);
  const gone = people.filter((p) => p.left);
  const staff = here.filter((p) => p.role !== "owner").length;
  return (
    <Box>
      {nav}
      <PageHead title="People" facts={`${staff} ${staff === 1 ? "works" : "work"} here`} />
      {orphans.length > 0 && <HandOver orphans={orphans} />}
      <Box overflowX="auto" mt="16px">
        <Table borderCollapse="collapse" fontSize="14.5px" w="100%" minW="760px">
          <thead>
            <tr>
              {["Name", "E-mail", "What they do", ""].map((h) => (
                <Head key={h}>{h}</Head>
              ))}
            </tr>
          </thead>
          <tbody>
            {here.map((p) => (
              <tr key={p.id} data-person={p.name}>
                <Cell fontWeight="620">{p.name}</Cell>
                <Cell>
                  {p.email ?? "no login"}
                  {p.role !== "owner" && p.email && !p.hasPassword && (
                    <Box color="soft">invited; no password set yet</Box>
                  )}
                </Cell>
                <Cell>
                  {p.role === "owner" ? `${ROLE_NAME.owner}: ${p.clientName ?? ""}` : <RoleChoice person={p} />}
                </Cell>
                <Cell>
                  <PersonActions person={p} isMe={p.id === me} />
                </Cell>
              </tr>
            ))}
          </tbody>
        </Table>
      </Box>
      <Flex gap="48px" mt="26px" wrap="wrap" align="flex-start">
        <Box flex="1" minW="320px" maxW="560px">
          <SubHead>Add a person</SubHead>
          <Invite clients={clients} />
        </Box>
        <Box w="340px">
          <SubHead>Who may do what</SubHead>
          {(["office", "lead", "technician", "owner"] as const).map((role) => (
            <Box key={role} pt="8px" fontSize="14.5px">
              <Box fontWeight="620">{ROLE_NAME[role]}</Box>
              <Box color="soft">{ROLE_SAYS[role]}</Box>
            </Box>
          ))}
        </Box>
      </Flex>
      {gone.length > 0 && (
        <Box mt="26px">
          <SubHead>Left the firm</SubHead>
          <Box pt="8px" color="soft" fontSize="14.5px">
            {gone.map((p) => p.name).join(", ")}. What they did stays under their names.
          </Box>
        </Box>
      )}
    </Box>
  );
}

/** Series of people who left: somebody else has to drive them. */
function HandOver({ orphans }: { orphans: readonly Orphan[] }) {
  return (
    <Box mt="14px" maxW="760px">
      <Notice tone="care">
        {orphans.length === 1 ? "1 series still belongs" : `${orphans.length} series still belong`} to somebody who has
        left. Hand {orphans.length === 1 ? "it" : "them"} over:
        <Flex gap="4px 18px" wrap="wrap" pt="6px">
          {orphans.map((o) => (
            <A key={o.seriesId} asChild textDecoration="underline">
              <AppLink href={`/desk/site/${o.siteId}#visits`}>
                {o.siteName} ({o.by})
              </AppLink>
            </A>
          ))}
        </Flex>
      </Notice>
    </Box>
  );
}
