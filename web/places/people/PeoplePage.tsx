import { Box, Flex } from "@chakra-ui/react";
import { sayDay } from "@keel-round/core/calendar";
import type { UnitPreference } from "@keel-round/core/units";
import type { Orphan, PersonLine } from "@/data/access/people";
import { AppLink } from "@/kit/AppLink";
import { Notice, PageHead, SubHead } from "@/kit/controls";
import { A, Table } from "@/kit/elements";
import { Cell, Head } from "@/kit/table";
import { AskForFactor } from "./AskForFactor";
import { Gone } from "./Gone";
import { Invite } from "./Invite";
import { PersonActions, RoleChoice } from "./PersonActions";
import { WorkFacts } from "./WorkFacts";
import { ROLE_NAME, ROLE_SAYS } from "./words";

/** Who works here and whose tanks are looked after: invited, changed and let go. */
export function PeoplePage({
  people,
  orphans,
  clients,
  me,
  units,
  calendarOf,
  nav,
  secondFactor,
}: {
  people: readonly PersonLine[];
  orphans: readonly Orphan[];
  clients: readonly { readonly id: string; readonly name: string }[];
  me: string;
  units: UnitPreference;
  /** The calendar of somebody who works here. */
  calendarOf: (personId: string) => React.ReactNode;
  /** The parts of the desk. */
  nav: React.ReactNode;
  /** Whether the firm asks for a second factor, and who has one. */
  secondFactor: { readonly asks: boolean; readonly has: ReadonlySet<string> };
}) {
  const here = people.filter((p) => !p.left);
  const gone = people.filter((p) => p.left);
  const staff = here.filter((p) => p.role !== "tankOwner").length;
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
                  {p.role !== "tankOwner" && p.email && !p.hasPassword && (
                    <Box color="soft">invited; no password set yet</Box>
                  )}
                  {p.role !== "tankOwner" && p.hasPassword && (
                    <Box color={secondFactor.asks && !secondFactor.has.has(p.id) ? "vermilion" : "soft"}>
                      {secondFactor.has.has(p.id) ? "with a second factor" : "no second factor"}
                    </Box>
                  )}
                </Cell>
                <Cell>
                  {p.role === "tankOwner" ? `${ROLE_NAME.tankOwner}: ${p.clientName ?? ""}` : <RoleChoice person={p} />}
                  {p.role !== "tankOwner" && <WorkFacts person={p} units={units} />}
                  {calendarOf(p.id)}
                </Cell>
                <Cell>
                  <PersonActions person={p} isMe={p.id === me} hasFactor={secondFactor.has.has(p.id)} />
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
          <Box mt="26px">
            <SubHead>Second factor</SubHead>
            <AskForFactor
              asks={secondFactor.asks}
              lacking={here.filter((p) => p.role !== "tankOwner" && !secondFactor.has.has(p.id)).length}
            />
          </Box>
        </Box>
        <Box w="340px">
          <SubHead>Who may do what</SubHead>
          {(["office", "lead", "technician", "tankOwner"] as const).map((role) => (
            <Box key={role} pt="8px" fontSize="14.5px">
              <Box fontWeight="620">{ROLE_NAME[role]}</Box>
              <Box color="soft">{ROLE_SAYS[role]}</Box>
            </Box>
          ))}
        </Box>
      </Flex>
      {gone.length > 0 && <Gone people={gone} />}
    </Box>
  );
}

/** Series and visits of people who left: somebody else has to drive them. */
function HandOver({ orphans }: { orphans: readonly Orphan[] }) {
  const visits = orphans.filter((o) => o.visit).length;
  const told = [counted(orphans.length - visits, "1 series", "series"), counted(visits, "1 visit", "visits")];
  return (
    <Box mt="14px" maxW="760px">
      <Notice tone="care">
        Hand over {told.filter(Boolean).join(" and ")} of people who have left:
        <Flex gap="4px 18px" wrap="wrap" pt="6px">
          {orphans.map((o) => (
            <A key={o.id} asChild textDecoration="underline">
              <AppLink href={o.visit ? `/stops/${o.visit.stopId}` : `/desk/site/${o.siteId}#visits`}>
                {o.siteName}
                {o.visit && `, ${sayDay(o.visit.on)}`} ({o.by})
              </AppLink>
            </A>
          ))}
        </Flex>
      </Notice>
    </Box>
  );
}

const counted = (n: number, one: string, many: string) => (n === 0 ? "" : n === 1 ? one : `${n} ${many}`);
